import { z } from 'zod'
import type { Bounds, Point } from '../ink/points.ts'

/** Points of a page in a millimetre: 72 in an inch, and an inch has 25.4 mm. */
export const POINTS_PER_MM = 72 / 25.4

/** Millimetres as points of a page. */
export const mm = (millimetres: number): number => millimetres * POINTS_PER_MM
/** Points of a page as millimetres. */
export const inMm = (points: number): number => points / POINTS_PER_MM

const place = z.number().min(-20_000).max(40_000)
const length = z.number().min(0).max(20_000)

/** A rectangle on a page: its upper left corner and its size, in points. */
export const box = z.object({ x: place, y: place, width: length, height: length })
export type Box = z.infer<typeof box>

export const right = (of: Box): number => of.x + of.width
export const bottom = (of: Box): number => of.y + of.height
/** A box by its two corners. */
export const boundsOfBox = (of: Box): Bounds => ({ x0: of.x, y0: of.y, x1: right(of), y1: bottom(of) })
/** The box between two corners. */
export const boxOfBounds = ({ x0, y0, x1, y1 }: Bounds): Box => ({
  x: x0,
  y: y0,
  width: x1 - x0,
  height: y1 - y0,
})
/** The box between two places, whichever corners they are. */
export const boxBetween = (a: Point, b: Point): Box => ({
  x: Math.min(a.x, b.x),
  y: Math.min(a.y, b.y),
  width: Math.abs(a.x - b.x),
  height: Math.abs(a.y - b.y),
})
/** What two boxes share; of boxes apart, one without a width or a height. */
export function shared(a: Box, b: Box): Box {
  const x = Math.max(a.x, b.x)
  const y = Math.max(a.y, b.y)
  const width = Math.max(0, Math.min(right(a), right(b)) - x)
  return { x, y, width, height: Math.max(0, Math.min(bottom(a), bottom(b)) - y) }
}
export const middle = (of: Box) => ({ x: of.x + of.width / 2, y: of.y + of.height / 2 })

/** The smallest box around all of them. Throws for none. */
export function around(boxes: readonly Box[]): Box {
  if (boxes.length === 0) throw new RangeError('nothing to put a box around')
  const x = Math.min(...boxes.map((each) => each.x))
  const y = Math.min(...boxes.map((each) => each.y))
  return {
    x,
    y,
    width: Math.max(...boxes.map(right)) - x,
    height: Math.max(...boxes.map(bottom)) - y,
  }
}

/** Whether two boxes share any place, their rims counted. */
export function meet(a: Box, b: Box): boolean {
  return a.x <= right(b) && b.x <= right(a) && a.y <= bottom(b) && b.y <= bottom(a)
}

/** Whether `inner` lies wholly in `outer`, give or take a hundredth of a point. */
export function within(outer: Box, inner: Box): boolean {
  const slack = 0.01
  return (
    inner.x >= outer.x - slack &&
    inner.y >= outer.y - slack &&
    right(inner) <= right(outer) + slack &&
    bottom(inner) <= bottom(outer) + slack
  )
}

/** Whether a place lies in a box. */
export function holds(of: Box, at: { x: number; y: number }): boolean {
  return at.x >= of.x && at.x <= right(of) && at.y >= of.y && at.y <= bottom(of)
}

/** The area that two boxes share, in square points. */
export function sharedArea(a: Box, b: Box): number {
  const across = Math.min(right(a), right(b)) - Math.max(a.x, b.x)
  const down = Math.min(bottom(a), bottom(b)) - Math.max(a.y, b.y)
  return across > 0 && down > 0 ? across * down : 0
}
