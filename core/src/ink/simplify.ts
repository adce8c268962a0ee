import type { Point } from './points.ts'

/**
 * A line through fewer of its own places.
 *
 * Law: every place left out lies within `error` points of the line through those kept; the first and the
 * last are kept. Method: Ramer (1972), Douglas and Peucker (1973). Cost: O(n log n), at worst O(n²).
 */
export function simplify<P extends Point>(places: readonly P[], error: number): P[] {
  if (places.length < 3) return [...places]
  const kept = new Uint8Array(places.length)
  kept[0] = 1
  kept[places.length - 1] = 1
  const spans = [0, places.length - 1]
  while (spans.length > 0) {
    const to = spans.pop()!
    const from = spans.pop()!
    const index = farthest(places, from, to, error)
    if (index < 0) continue
    kept[index] = 1
    spans.push(from, index, index, to)
  }
  return places.filter((_place, index) => kept[index] === 1)
}

/** The place between two that is farthest from the segment between them; −1 when none is farther than `error`. Plain numbers: it is most of the work. */
function farthest(places: readonly Point[], from: number, to: number, error: number): number {
  const a = places[from]!
  const dx = places[to]!.x - a.x
  const dy = places[to]!.y - a.y
  const square = dx * dx + dy * dy
  let found = -1
  let most = error * error
  for (let index = from + 1; index < to; index++) {
    const px = places[index]!.x - a.x
    const py = places[index]!.y - a.y
    const along = square === 0 ? 0 : (px * dx + py * dy) / square
    const part = Math.min(1, Math.max(0, along))
    const ex = part * dx - px
    const ey = part * dy - py
    const distance = ex * ex + ey * ey
    if (distance > most) {
      most = distance
      found = index
    }
  }
  return found
}

/** How far a place is from the segment a–b. */
export function toSegment(p: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const square = dx * dx + dy * dy
  const part = square === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / square))
  return Math.hypot(a.x + part * dx - p.x, a.y + part * dy - p.y)
}
