import type { Point } from './points.ts'

/**
 * A line through fewer of its own places.
 *
 * Law: every place left out lies within `error` points of the line through those kept; the first and the
 * last are kept. Method: Ramer (1972), Douglas and Peucker (1973). Cost: O(n log n), at worst O(n²).
 */
export function simplify<P extends Point>(places: readonly P[], error: number): P[] {
  if (places.length < 3) return [...places]
  const kept = new Set([0, places.length - 1])
  const spans: [number, number][] = [[0, places.length - 1]]
  for (let span = spans.pop(); span; span = spans.pop()) {
    const [from, to] = span
    const { index, distance } = farthest(places, from, to)
    if (distance <= error) continue
    kept.add(index)
    spans.push([from, index], [index, to])
  }
  return places.filter((_place, index) => kept.has(index))
}

function farthest(places: readonly Point[], from: number, to: number): { index: number; distance: number } {
  let most = { index: from, distance: 0 }
  for (let index = from + 1; index < to; index++) {
    const distance = toSegment(places[index]!, places[from]!, places[to]!)
    if (distance > most.distance) most = { index, distance }
  }
  return most
}

/** How far a place is from the segment a–b. */
export function toSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const square = dx * dx + dy * dy
  const part = square === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / square))
  return Math.hypot(a.x + part * dx - p.x, a.y + part * dy - p.y)
}
