import type { InkPoint, Point } from './points.ts'

/** A part of a segment, by how far along it begins and ends, from 0 to 1. */
type Part = readonly [from: number, to: number]

/**
 * What is left of a stroke after a disc of `radius` points went along `way` (straight from place to
 * place): the pieces in order, or nothing when the disc met none of it. `radius` counts from the middle
 * line of the stroke.
 *
 * Laws: the pieces and what was rubbed out together are the stroke; no place of a piece lies nearer to
 * the way than `radius`; every place of the stroke farther off is in a piece. Pieces keep pressure and
 * time, both even between samples. Cost: O(points × places of the way that are near).
 */
export function rubOut(
  points: readonly InkPoint[],
  way: readonly Point[],
  radius: number,
): InkPoint[][] | undefined {
  if (points.length === 0 || way.length === 0) return undefined
  if (points.length === 1) return isNear(points[0]!, way, radius) ? [] : undefined
  const pieces: InkPoint[][] = []
  let piece: InkPoint[] = []
  let met = false
  for (let index = 1; index < points.length; index++) {
    const [a, b] = [points[index - 1]!, points[index]!]
    const gone = gonePartsOf(a, b, way, radius)
    if (gone.length > 0) met = true
    if (gone[0] && gone[0][0] <= 0) piece = ended(pieces, piece)
    for (const [from, to] of leftOf(gone)) {
      if (piece.length === 0) piece.push(at(a, b, from))
      piece.push(at(a, b, to))
      if (to < 1) piece = ended(pieces, piece)
    }
    // What is gone up to the end of a segment ends the piece there, even where nothing of it is left.
    if ((gone.at(-1)?.[1] ?? 0) >= 1) piece = ended(pieces, piece)
  }
  ended(pieces, piece)
  return met ? pieces : undefined
}

function ended(pieces: InkPoint[][], piece: InkPoint[]): InkPoint[] {
  if (piece.length > 0) pieces.push(piece)
  return []
}

/** The parts of a segment that lie within `radius` of the way, in order, none touching another. */
function gonePartsOf(a: Point, b: Point, way: readonly Point[], radius: number): Part[] {
  const parts: Part[] = []
  for (let index = 0; index < way.length; index++) {
    const from = way[Math.max(0, index - 1)]!
    const to = way[index]!
    if (way.length > 1 && index === 0) continue
    const part = partInCapsule(a, b, from, to, radius)
    if (part) parts.push(part)
  }
  return united(parts)
}

function united(parts: Part[]): Part[] {
  parts.sort((one, other) => one[0] - other[0])
  const all: Part[] = []
  for (const [from, to] of parts) {
    const last = all.at(-1)
    if (last && from <= last[1]) all[all.length - 1] = [last[0], Math.max(last[1], to)]
    else all.push([from, to])
  }
  return all
}

function leftOf(gone: readonly Part[]): Part[] {
  const left: Part[] = []
  let from = 0
  for (const [begins, ends] of gone) {
    if (begins > from) left.push([from, begins])
    from = ends
  }
  if (from < 1) left.push([from, 1])
  return left
}

/**
 * The part of the segment a–b within `radius` of the segment c–d. All places that near form a convex
 * capsule, so a straight line meets it in one piece: the union of what it has of the two end discs and
 * of the band between them.
 */
function partInCapsule(a: Point, b: Point, c: Point, d: Point, radius: number): Part | undefined {
  const parts = [partInDisc(a, b, c, radius), partInDisc(a, b, d, radius), partInBand(a, b, c, d, radius)]
  let from = Number.POSITIVE_INFINITY
  let to = Number.NEGATIVE_INFINITY
  for (const part of parts) {
    if (!part) continue
    from = Math.min(from, part[0])
    to = Math.max(to, part[1])
  }
  return from <= to ? [from, to] : undefined
}

/** Samples nearer to each other than a millionth of a point (squared) are one place: the roots below would be lost in rounding. */
const TINY = 1e-12

function partInDisc(a: Point, b: Point, middle: Point, radius: number): Part | undefined {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const [ex, ey] = [a.x - middle.x, a.y - middle.y]
  const square = dx * dx + dy * dy
  const apart = ex * ex + ey * ey - radius * radius
  if (square < TINY) return apart <= 0 ? [0, 1] : undefined
  const half = dx * ex + dy * ey
  const under = half * half - square * apart
  if (under < 0) return undefined
  const root = Math.sqrt(under)
  return within01((-half - root) / square, (-half + root) / square)
}

/** What lies beside c–d, between the lines across its ends, within `radius` of it. */
function partInBand(a: Point, b: Point, c: Point, d: Point, radius: number): Part | undefined {
  const [ux, uy] = [d.x - c.x, d.y - c.y]
  const long = Math.hypot(ux, uy)
  if (long === 0) return undefined
  const along = (p: Point) => ((p.x - c.x) * ux + (p.y - c.y) * uy) / long
  const across = (p: Point) => ((p.y - c.y) * ux - (p.x - c.x) * uy) / long
  const one = between(along(a), along(b), 0, long)
  const other = between(across(a), across(b), -radius, radius)
  if (!one || !other) return undefined
  return within01(Math.max(one[0], other[0]), Math.min(one[1], other[1]))
}

/** For which part of the way from `start` to `end` a number lies between two bounds. */
function between(start: number, end: number, least: number, most: number): Part | undefined {
  const step = end - start
  if (step === 0) return start >= least && start <= most ? [0, 1] : undefined
  const [one, other] = [(least - start) / step, (most - start) / step]
  return [Math.min(one, other), Math.max(one, other)]
}

function within01(from: number, to: number): Part | undefined {
  const [begins, ends] = [Math.max(0, from), Math.min(1, to)]
  return begins <= ends ? [begins, ends] : undefined
}

function isNear(point: Point, way: readonly Point[], radius: number): boolean {
  return gonePartsOf(point, point, way, radius).length > 0
}

function at(a: InkPoint, b: InkPoint, part: number): InkPoint {
  if (part <= 0) return a
  if (part >= 1) return b
  const mix = (from: number, to: number) => from + (to - from) * part
  return {
    x: mix(a.x, b.x),
    y: mix(a.y, b.y),
    pressure: mix(a.pressure, b.pressure),
    time: Math.round(mix(a.time, b.time)),
  }
}
