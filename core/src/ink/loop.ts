import { type Bounds, boundsOf, type Point } from './points.ts'

/** A loop drawn round things; its ends are joined. */
export interface Loop {
  readonly bounds: Bounds
  /** Its sides, in bands of equal height from top to bottom: each band has the sides that reach into it. */
  readonly bands: readonly (readonly Side[])[]
}

type Side = readonly [Point, Point]

/** A side or two in each band is few enough to look at. */
export function loopOf(places: readonly Point[]): Loop {
  const bounds = boundsOf(places)
  const bands: Side[][] = Array.from({ length: Math.max(1, places.length) }, () => [])
  const loop = { bounds, bands }
  let before = places.at(-1)!
  for (const place of places) {
    const last = bandAt(loop, Math.max(before.y, place.y))
    for (let band = bandAt(loop, Math.min(before.y, place.y)); band <= last; band++)
      bands[band]!.push([before, place])
    before = place
  }
  return loop
}

function bandAt({ bounds: { y0, y1 }, bands }: Loop, y: number): number {
  return y1 > y0 ? Math.min(bands.length - 1, Math.floor(((y - y0) / (y1 - y0)) * bands.length)) : 0
}

/** Whether a place lies inside the loop, by the even-odd rule (Shimrat 1962). Cost: the sides of one band. */
export function inLoop(loop: Loop, { x, y }: Point): boolean {
  const { x0, x1, y0, y1 } = loop.bounds
  if (x < x0 || x > x1 || y < y0 || y > y1) return false
  let inside = false
  for (const [from, to] of loop.bands[bandAt(loop, y)]!) {
    if (to.y > y === from.y > y) continue
    const crossing = to.x + ((y - to.y) / (from.y - to.y)) * (from.x - to.x)
    if (x < crossing) inside = !inside
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
