import type { Point } from '../ink/points.ts'
import { type Box, bottom, right } from './box.ts'

/**
 * The parts of a line through `points` that lie in a box, cut exactly at its rim.
 *
 * Laws: every piece lies in the box; every point of the line that lies in the box is on a piece; a line
 * wholly inside comes back as it is. Points that are not finite end a piece.
 * Method: Liang and Barsky (1984), segment by segment.
 */
export function clipLine(points: readonly Point[], box: Box): Point[][] {
  const pieces: Point[][] = []
  let piece: Point[] = []
  const end = () => {
    if (piece.length > 1) pieces.push(piece)
    piece = []
  }
  for (let index = 1; index < points.length; index++) {
    const cut = clipSegment(points[index - 1]!, points[index]!, box)
    if (!cut) {
      end()
      continue
    }
    const [from, to, leaves] = cut
    const last = piece.at(-1)
    if (!last || last.x !== from.x || last.y !== from.y) {
      end()
      piece.push(from)
    }
    piece.push(to)
    if (leaves) end()
  }
  end()
  return pieces
}

/** The part of a segment in a box, and whether it ends before the segment does. */
function clipSegment(a: Point, b: Point, box: Box): [from: Point, to: Point, leaves: boolean] | undefined {
  const dx = b.x - a.x
  const dy = b.y - a.y
  if (!Number.isFinite(a.x + a.y + dx + dy)) return undefined
  let enters = 0
  let leaves = 1
  const sides = [
    [-dx, a.x - box.x],
    [dx, right(box) - a.x],
    [-dy, a.y - box.y],
    [dy, bottom(box) - a.y],
  ] as const
  for (const [towards, room] of sides) {
    if (towards === 0) {
      if (room < 0) return undefined
      continue
    }
    const at = room / towards
    if (towards < 0) enters = Math.max(enters, at)
    else leaves = Math.min(leaves, at)
    if (enters > leaves) return undefined
  }
  // The ends themselves are handed on untouched, so that segments in the box join exactly.
  const from = enters === 0 ? a : { x: a.x + enters * dx, y: a.y + enters * dy }
  const to = leaves === 1 ? b : { x: a.x + leaves * dx, y: a.y + leaves * dy }
  return [from, to, leaves < 1]
}
