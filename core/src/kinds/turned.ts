import { type Bounds, boundsOf, type Point } from '../ink/points.ts'
import type { Similarity } from '../ink/similarity.ts'
import * as similarity from '../ink/similarity.ts'
import { type Box, boxOfBounds, middle } from '../worksheet/box.ts'

/** A box that may be turned about its middle: clockwise as it is seen, in degrees. */
export interface Turned extends Box {
  readonly turn?: number | undefined
}

/** The longest side that a thing can get, in points. */
const LONGEST = 1e6

/** What lays an unturned box as it is seen. */
export const turning = (of: Turned): Similarity => similarity.about(middle(of), 1, of.turn ?? 0)

/** A place as it lies in the box before it was turned. */
export const unturned = (of: Turned, at: Point): Point =>
  of.turn ? similarity.apply(at, similarity.about(middle(of), 1, -of.turn)) : at

/** The four corners of a box where they are seen, clockwise from its own upper left. */
export function cornersOf(of: Turned): Point[] {
  const { x, y, width, height } = of
  const corners = [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ]
  return of.turn ? corners.map((corner) => similarity.apply(corner, turning(of))) : corners
}

/** The smallest upright rectangle around a box as it is seen, `reach` points wider on all sides. */
export const seenBounds = (of: Turned, reach = 0): Bounds => boundsOf(cornersOf(of), reach)

/** The same as a box. */
export function seenBox(of: Turned): Box {
  if (!of.turn) return of
  return boxOfBounds(seenBounds(of))
}

/** A box laid elsewhere; nothing where it would be too large or far to be found again. */
export function laidElsewhere(of: Turned, by: Similarity): Required<Turned> | undefined {
  const factor = similarity.scaleOf(by)
  const to = similarity.apply(middle(of), by)
  const [width, height] = [of.width * factor, of.height * factor]
  if (!similarity.isPlace(to) || !(Math.max(width, height) <= LONGEST)) return undefined
  return {
    x: to.x - width / 2,
    y: to.y - height / 2,
    width,
    height,
    turn: (of.turn ?? 0) + similarity.angleOf(by),
  }
}

/**
 * A box that was changed as if it were unturned, moved so that what of it stayed in place stays there as it
 * is seen: turning is about the middle, and the middle is another now.
 */
export function keptWhereSeen<Item extends Turned>(was: Turned, now: Item): Item {
  if (!was.turn) return now
  const [from, to] = [middle(was), middle(now)]
  const gone = { x: to.x - from.x, y: to.y - from.y }
  const seen = similarity.apply(gone, similarity.about({ x: 0, y: 0 }, 1, was.turn))
  return { ...now, x: now.x + seen.x - gone.x, y: now.y + seen.y - gone.y }
}
