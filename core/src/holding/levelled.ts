import type { Point } from '../ink/points.ts'

/** A line that is off by less than so many degrees is meant to be level, or upright. */
const NEARLY = 4
const SLOPE = Math.tan((NEARLY * Math.PI) / 180)

/** The end of a line from `from`, brought level or upright where it nearly is. */
export function levelled(from: Point, to: Point): Point {
  const [across, down] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  if (down <= across * SLOPE) return { ...to, y: from.y }
  if (across <= down * SLOPE) return { ...to, x: from.x }
  return to
}
