import type { Point } from '../ink/points.ts'
import type { Pixels } from '../photo/pixels.ts'
import { alike } from './alike.ts'
import { covered } from './covered.ts'
import { regionAt } from './region.ts'
import { ringsOf } from './rings.ts'

/** Lines that miss each other by so much still bound a region, in points: 1.4 mm, and up to 4.4 mm where else all the page would be filled. */
const GAPS = [4, 6.2, 9, 12.5]
/** What a filled region encloses and is narrower than this is filled with it, in points: the inside of a letter, not a window. */
const SMALLEST_HOLE = 5
/** The most places of the rings of one region. */
export const MOST_RING_PLACES = 4000

/**
 * The region of a page that a tap means: bounded by what is drawn in `pixels`, as closed rings (see `ringsOf`) in
 * points of the page. Nothing: nothing bounds it.
 *
 * @param tap in points of the page
 * @param scale pixels a point; the picture begins at the page's upper left corner
 */
export function fillAt(pixels: Pixels, tap: Point, scale: number): Point[][] | undefined {
  const found = alike(pixels, { x: tap.x * scale, y: tap.y * scale })
  if (!found) return undefined
  const region = regionAt(
    { free: found.free, width: pixels.width, height: pixels.height },
    found.start,
    GAPS.map((gap) => gap * scale),
  )
  if (!region) return undefined
  const part = covered(region, found.free, pixels.width, SMALLEST_HOLE * scale)
  const rings = ringsOf(part, MOST_RING_PLACES)
  return rings.map((ring) => ring.map(({ x, y }) => ({ x: x / scale, y: y / scale })))
}
