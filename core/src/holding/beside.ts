import { type Box, bottom, mm, right } from '../worksheet/box.ts'

/** Between a thing and the same again beside it, in points. */
const GAP = mm(4)

/**
 * How far the same again is moved so that it stands beside a box, in points: to its right, below it where
 * the page (`room`) ends, and a little over it where it ends there too. Done again with what was made, they
 * stand in a row at even distances.
 */
export function stepBeside(of: Box, room: { width: number; height: number }): { x: number; y: number } {
  const [across, down] = [of.width + GAP, of.height + GAP]
  if (right(of) + across <= room.width) return { x: across, y: 0 }
  if (bottom(of) + down <= room.height) return { x: 0, y: down }
  return { x: GAP, y: GAP }
}

/**
 * Where in a part of a page a box of a size covers least of what is there, as near as can be to the part's
 * middle. Cost: O(places tried × `taken`), at most some hundred places.
 */
export function freeSpot(
  size: { width: number; height: number },
  part: Box,
  taken: readonly Box[],
): { x: number; y: number } {
  const [wide, high] = [Math.max(0, part.width - size.width), Math.max(0, part.height - size.height)]
  let best = { x: part.x + wide / 2, y: part.y + high / 2 }
  let least = Number.POSITIVE_INFINITY
  for (const row of STEPS)
    for (const column of STEPS) {
      const at = { x: part.x + wide * column, y: part.y + high * row }
      const covered = taken.reduce((sum, box) => sum + shared({ ...at, ...size }, box), 0)
      // Of places that cover the same, the one nearest to the middle.
      const far = Math.hypot((column - 0.5) * wide, (row - 0.5) * high)
      const cost = covered * 1000 + far
      if (cost < least) [least, best] = [cost, at]
    }
  return best
}

const STEPS = Array.from({ length: 13 }, (_, step) => step / 12)

/** The area that two boxes share, in square points. */
function shared(a: Box, b: Box): number {
  const across = Math.min(right(a), right(b)) - Math.max(a.x, b.x)
  const down = Math.min(bottom(a), bottom(b)) - Math.max(a.y, b.y)
  return Math.max(0, across) * Math.max(0, down)
}
