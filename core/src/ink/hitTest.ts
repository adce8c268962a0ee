import type { Point } from './points.ts'

/**
 * Whether a stroke along `points`, `width` points wide, is touched by a disc of `radius` points that
 * moves straight from `from` to `to`. Cost: O(points).
 */
export function touches(
  points: readonly Point[],
  width: number,
  from: Point,
  to: Point,
  radius: number,
): boolean {
  const reach = (radius + width / 2) ** 2
  const only = points[0]
  if (!only) return false
  if (points.length === 1) return segmentsDistance2(only, only, from, to) <= reach
  for (let index = 1; index < points.length; index++) {
    if (segmentsDistance2(points[index - 1]!, points[index]!, from, to) <= reach) return true
  }
  return false
}

/** The square of the shortest distance between the segments a–b and c–d. */
export function segmentsDistance2(a: Point, b: Point, c: Point, d: Point): number {
  if (cross(a, b, c, d)) return 0
  return Math.min(toSegment2(a, c, d), toSegment2(b, c, d), toSegment2(c, a, b), toSegment2(d, a, b))
}

function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0
}

function side(a: Point, b: Point, p: Point): number {
  return (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x)
}

function toSegment2(p: Point, a: Point, b: Point): number {
  const dx = b.x - a.x
  const dy = b.y - a.y
  const length2 = dx * dx + dy * dy
  const along = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2))
  const x = a.x + along * dx - p.x
  const y = a.y + along * dy - p.y
  return x * x + y * y
}
