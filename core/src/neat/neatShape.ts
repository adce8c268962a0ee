import type { Point } from '../ink/points.ts'
import { closedShape } from './closedShape.ts'
import type { Neat } from './neat.ts'
import { openShape } from './openShape.ts'
import { distance, evenly } from './path.ts'

/** What is smaller than this is a letter or a dot, in points. */
const SMALLEST = 26
/** Fewer samples than this are no drawing. */
const FEWEST = 6

/**
 * The neat shape that somebody meant when they drew a way: a line, an arrow, a rectangle, an ellipse, a triangle or another
 * convex polygon, closed or nearly, in any direction. Nothing where it is none: a letter, a scribble, a curve.
 *
 * What is nearly level or upright becomes so, and what is nearly as wide as high becomes a circle or a square.
 * Method: corners by Douglas and Peucker, sides by least squares; the ellipse by the second moments of its area. Cost: O(n log n).
 */
export function neatShape(way: readonly Point[]): Neat | undefined {
  if (way.length < FEWEST) return undefined
  const size = sizeOf(way)
  if (!(size >= SMALLEST)) return undefined
  return openShape(way, size) ?? closedShape(way, size)
}

/** How large a way is across, in points; the same in whatever direction it lies. */
function sizeOf(way: readonly Point[]): number {
  const places = evenly(way, 48)
  const middle = {
    x: places.reduce((sum, { x }) => sum + x, 0) / places.length,
    y: places.reduce((sum, { y }) => sum + y, 0) / places.length,
  }
  return 2 * Math.max(...places.map((at) => distance(at, middle)))
}
