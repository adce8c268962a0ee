import { type Bounds, boundsOf } from '../ink/points.ts'

/** The rectangle around all places that a path of absolute M, L, Q and C names: its line lies within. */
export function pathBounds(d: string): Bounds {
  const numbers = (d.match(/-?\d[\d.]*/g) ?? []).map(Number)
  const places = numbers.flatMap((x, index) => (index % 2 === 0 ? [{ x, y: numbers[index + 1]! }] : []))
  return boundsOf(places)
}
