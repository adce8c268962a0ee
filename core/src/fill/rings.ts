import { contours } from 'd3-contour'
import type { Point } from '../ink/points.ts'
import { simplify } from '../ink/simplify.ts'
import type { Part } from './covered.ts'

/** How far a ring may lie from the edge of the pixels, in pixels, and by how much more where it would have too many places. */
const ERROR = 0.6
const COARSER = 1.6

/**
 * The edge of a part of a picture as closed rings in pixels of the whole, `most` places in all at the most: what
 * lies in an odd number of them is in the part. Method: marching squares over the mean of 3 × 3 pixels, then
 * `simplify`.
 */
export function ringsOf(part: Part, most: number): Point[][] {
  const { width, height, left, top } = part
  const [found] = contours().size([width, height]).thresholds([0.5])(soft(part) as unknown as number[])
  const rings = (found?.coordinates ?? []).flat().map((ring) => ring.map(([x = 0, y = 0]) => ({ x, y })))
  for (let error = ERROR; ; error *= COARSER) {
    const simple = rings.map((ring) => simplify(ring, error).slice(0, -1)).filter((ring) => ring.length >= 3)
    const places = simple.reduce((sum, ring) => sum + ring.length, 0)
    if (places <= most) return simple.map((ring) => ring.map(({ x, y }) => ({ x: x + left, y: y + top })))
  }
}

/** The mean of the pixels around each, so that an edge is no stair. */
function soft({ mask, width, height }: Part): Float32Array {
  const across = new Float32Array(mask.length)
  for (let at = 1; at < mask.length - 1; at++) across[at] = mask[at - 1]! + mask[at]! + mask[at + 1]!
  const mean = new Float32Array(mask.length)
  for (let at = width; at < (height - 1) * width; at++)
    mean[at] = (across[at - width]! + across[at]! + across[at + width]!) / 9
  return mean
}
