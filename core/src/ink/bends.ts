import type { InkPoint } from './points.ts'

/** A hand that turns by more than this changed its mind: a corner, not a curve. As the cosine of 75°. */
const CORNER = Math.cos((75 * Math.PI) / 180)
/** So near before and after a corner (points) the line still goes straight to it. */
const NEAR_CORNER = 0.5
/** The most points between two samples. */
const MOST_BETWEEN = 64

/**
 * Points between samples that lie farther apart than `longest` (points): fast hands and slow devices leave
 * legs of one sample each, which smoothing would cut off. Through curves they follow the curve, at corners
 * they go straight into it. Method: cubic Hermite with tangents along the chord of the neighbours.
 * Cost: O(n).
 */
export function withBends(points: readonly InkPoint[], longest: number): readonly InkPoint[] {
  if (!points.some((point, index) => index > 0 && distance(points[index - 1]!, point) > longest))
    return points
  const bent: InkPoint[] = [points[0]!]
  for (let index = 1; index < points.length; index++) {
    const from = points[index - 1]!
    const to = points[index]!
    const length = distance(from, to)
    if (length > longest) {
      const out = tangent(points, index - 1, length) ?? along(from, to)
      const into = tangent(points, index, length) ?? along(from, to)
      for (const part of partsOf(length, longest, isCorner(points, index - 1), isCorner(points, index)))
        bent.push(between(from, to, out, into, part))
    }
    bent.push(to)
  }
  return bent
}

interface Way {
  readonly x: number
  readonly y: number
}

const along = (from: Way, to: Way): Way => ({ x: to.x - from.x, y: to.y - from.y })
const distance = (a: Way, b: Way): number => Math.hypot(b.x - a.x, b.y - a.y)

function isCorner(points: readonly InkPoint[], index: number): boolean {
  const [before, at, after] = [points[index - 1], points[index]!, points[index + 1]]
  if (!before || !after) return false
  const into = along(before, at)
  const out = along(at, after)
  const lengths = Math.hypot(into.x, into.y) * Math.hypot(out.x, out.y)
  return lengths > 0 && (into.x * out.x + into.y * out.y) / lengths < CORNER
}

/** Where the curve goes at a sample, as long as the leg; nothing at corners and ends. */
function tangent(points: readonly InkPoint[], index: number, length: number): Way | undefined {
  const [before, after] = [points[index - 1], points[index + 1]]
  if (!before || !after || isCorner(points, index)) return undefined
  const chord = along(before, after)
  const size = Math.hypot(chord.x, chord.y)
  return size === 0 ? undefined : { x: (chord.x / size) * length, y: (chord.y / size) * length }
}

/** Where between two samples (0 to 1) points come: evenly, and close to corners. */
function partsOf(length: number, longest: number, cornerBefore: boolean, cornerAfter: boolean): number[] {
  const count = Math.min(MOST_BETWEEN, Math.ceil(length / longest) - 1)
  const parts = Array.from({ length: count }, (_, index) => (index + 1) / (count + 1))
  const near = NEAR_CORNER / length
  if (near < (parts[0] ?? 1) && cornerBefore) parts.unshift(near)
  if (1 - near > (parts.at(-1) ?? 0) && cornerAfter) parts.push(1 - near)
  return parts
}

function between(from: InkPoint, to: InkPoint, out: Way, into: Way, part: number): InkPoint {
  const [square, cube] = [part * part, part * part * part]
  const start = 2 * cube - 3 * square + 1
  const leaving = cube - 2 * square + part
  const arriving = cube - square
  const at = (a: number, b: number, m: number, n: number) =>
    start * a + leaving * m + (1 - start) * b + arriving * n
  const mixed = (a: number, b: number) => a + (b - a) * part
  return {
    x: at(from.x, to.x, out.x, into.x),
    y: at(from.y, to.y, out.y, into.y),
    pressure: mixed(from.pressure, to.pressure),
    time: mixed(from.time, to.time),
  }
}
