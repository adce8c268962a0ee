import { type Bounds, boundsOf, type Point } from './points.ts'

/** A loop drawn round things; its ends are joined. */
export interface Loop {
  readonly places: readonly Point[]
  readonly bounds: Bounds
}

export const loopOf = (places: readonly Point[]): Loop => ({ places, bounds: boundsOf(places) })

/** Whether a place lies inside the loop, by the even-odd rule (Shimrat 1962). Cost: O(places of the loop). */
export function inLoop({ places, bounds }: Loop, { x, y }: Point): boolean {
  if (x < bounds.x0 || x > bounds.x1 || y < bounds.y0 || y > bounds.y1) return false
  let inside = false
  let before = places.at(-1)!
  for (const place of places) {
    if (place.y > y !== before.y > y) {
      const crossing = place.x + ((y - place.y) / (before.y - place.y)) * (before.x - place.x)
      if (x < crossing) inside = !inside
    }
    before = place
  }
  return inside
}

/** How much of what is looped must lie inside to be picked up. */
const ENOUGH = 0.6
/** At most so many places of a thing are looked at. */
const LOOKED_AT = 24

/** Whether a loop takes what has these places: most of them lie inside, so that a loop need not be exact. */
export function loopTakes(loop: Loop, places: readonly Point[]): boolean {
  const step = Math.max(1, Math.ceil(places.length / LOOKED_AT))
  let looked = 0
  let inside = 0
  for (let index = 0; index < places.length; index += step) {
    looked++
    if (inLoop(loop, places[index]!)) inside++
  }
  return looked > 0 && inside >= looked * ENOUGH
}
