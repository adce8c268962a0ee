import type { Point } from '../ink/points.ts'
import { simplify, toSegment } from '../ink/simplify.ts'
import type { Corners } from './homography.ts'

const cross = (o: Point, a: Point, b: Point) => (a.x - o.x) * (b.y - o.y) - (a.y - o.y) * (b.x - o.x)

/** The convex hull of places, in turn (clockwise on a page). Method: Andrew (1979). Cost: O(n log n). */
export function hullOf(places: readonly Point[]): Point[] {
  const sorted = [...places].sort((a, b) => a.x - b.x || a.y - b.y)
  const half = (from: readonly Point[]) => {
    const chain: Point[] = []
    for (const place of from) {
      while (chain.length > 1 && cross(chain.at(-2)!, chain.at(-1)!, place) <= 0) chain.pop()
      chain.push(place)
    }
    return chain.slice(0, -1)
  }
  return [...half(sorted), ...half([...sorted].reverse())]
}

/** The area of a closed way. */
const areaOf = (ring: readonly Point[]) =>
  Math.abs(
    ring.reduce((sum, a, index) => sum + cross({ x: 0, y: 0 }, a, ring[(index + 1) % ring.length]!), 0),
  ) / 2

/** Simplified to so many corners at most before four of them are chosen. */
const MOST_CORNERS = 14
/** How near a side the hull's places are that say where it lies, as part of the longest side. */
const NEAR = 0.03

/**
 * The quadrilateral that a hull is, its corners in turn from the upper left; `fits`: which part of it the hull fills
 * or is filled by, 1: they are the same. Nothing: the hull has no four corners.
 */
export function quadIn(hull: readonly Point[]): { corners: Corners; area: number; fits: number } | undefined {
  if (hull.length < 4) return undefined
  const largest = largestFour(fewer(hull))
  if (!largest) return undefined
  const corners = fitted(largest, hull) ?? largest
  const area = areaOf(corners)
  const whole = areaOf(hull)
  if (area === 0) return undefined
  return { corners: fromUpperLeft(corners), area, fits: Math.min(area, whole) / Math.max(area, whole) }
}

function fewer(hull: readonly Point[]): Point[] {
  const closed = [...hull, hull[0]!]
  for (let error = 0.5; ; error *= 1.5) {
    const simple = simplify(closed, error).slice(0, -1)
    if (simple.length <= MOST_CORNERS) return simple
  }
}

/** The four of the places, in turn, between which there is most. */
function largestFour(places: readonly Point[]): Corners | undefined {
  let best: Corners | undefined
  let most = 0
  for (let a = 0; a < places.length; a++)
    for (let b = a + 1; b < places.length; b++)
      for (let c = b + 1; c < places.length; c++)
        for (let d = c + 1; d < places.length; d++) {
          const four: Corners = [places[a]!, places[b]!, places[c]!, places[d]!]
          const area = areaOf(four)
          if (area > most) [best, most] = [four, area]
        }
  return best
}

/** The corners where the sides meet that are drawn through the hull's places near each, away from its ends. */
function fitted(four: Corners, hull: readonly Point[]): Corners | undefined {
  const dense = densified(hull)
  const longest = Math.max(...four.map((from, index) => distance(from, four[(index + 1) % 4]!)))
  const sides = four.map((from, index) => {
    const to = four[(index + 1) % 4]!
    return lineThrough(
      dense.filter((place) => toSegment(place, from, to) < NEAR * longest && isBetween(place, from, to)),
    )
  })
  const corners = sides.map((side, index) => {
    const before = sides[(index + 3) % 4]
    return side && before && meet(before, side)
  })
  const all = corners.every((corner, index) => corner && distance(corner, four[index]!) < longest * 0.12)
  return all ? (corners as unknown as Corners) : undefined
}

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/** A place at every unit along the hull, so that long sides count as long. */
function densified(hull: readonly Point[]): Point[] {
  return hull.flatMap((from, index) => {
    const to = hull[(index + 1) % hull.length]!
    const steps = Math.max(1, Math.round(distance(from, to)))
    return Array.from({ length: steps }, (_none, step) => ({
      x: from.x + ((to.x - from.x) * step) / steps,
      y: from.y + ((to.y - from.y) * step) / steps,
    }))
  })
}

/** Between the ends of a side, a tenth of it away from them. */
function isBetween({ x, y }: Point, from: Point, to: Point): boolean {
  const [dx, dy] = [to.x - from.x, to.y - from.y]
  const part = ((x - from.x) * dx + (y - from.y) * dy) / Math.max(1e-9, dx * dx + dy * dy)
  return part > 0.1 && part < 0.9
}

/** A place of a line, and which way it goes. */
export interface Line {
  readonly at: Point
  readonly along: Point
}

/** The line with the least squares of distances to places. */
export function lineThrough(places: readonly Point[]): Line | undefined {
  if (places.length < 2) return undefined
  const at = {
    x: places.reduce((sum, { x }) => sum + x, 0) / places.length,
    y: places.reduce((sum, { y }) => sum + y, 0) / places.length,
  }
  let [xx, xy, yy] = [0, 0, 0]
  for (const { x, y } of places) {
    xx += (x - at.x) ** 2
    xy += (x - at.x) * (y - at.y)
    yy += (y - at.y) ** 2
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  return { at, along: { x: Math.cos(angle), y: Math.sin(angle) } }
}

/** Where two lines meet; nothing: they go the same way. */
export function meet(a: Line, b: Line): Point | undefined {
  const turned = a.along.x * b.along.y - a.along.y * b.along.x
  if (Math.abs(turned) < 1e-6) return undefined
  const far = ((b.at.x - a.at.x) * b.along.y - (b.at.y - a.at.y) * b.along.x) / turned
  return { x: a.at.x + far * a.along.x, y: a.at.y + far * a.along.y }
}

/** In turn as one reads, from the corner that is nearest to the upper left. */
export function fromUpperLeft(corners: Corners): Corners {
  const turn = corners.reduce((sum, a, index) => sum + cross({ x: 0, y: 0 }, a, corners[(index + 1) % 4]!), 0)
  const clockwise = turn > 0 ? [...corners] : [...corners].reverse()
  const first = clockwise.reduce((best, { x, y }, index) => {
    const { x: bx, y: by } = clockwise[best]!
    return x + y < bx + by ? index : best
  }, 0)
  return [0, 1, 2, 3].map((step) => clockwise[(first + step) % 4]!) as unknown as Corners
}

/** How near the corners are to right angles and opposite sides to each other's length, from 0 to 1. */
export function squareness(corners: Corners): number {
  const side = (index: number) => distance(corners[index % 4]!, corners[(index + 1) % 4]!)
  const alike = [0, 1].map(
    (index) => Math.min(side(index), side(index + 2)) / Math.max(1, side(index), side(index + 2)),
  )
  const right = corners.map((corner, index) => {
    const [before, after] = [corners[(index + 3) % 4]!, corners[(index + 1) % 4]!]
    return (
      Math.abs(cross(corner, before, after)) / Math.max(1, distance(corner, before) * distance(corner, after))
    )
  })
  return Math.min(...alike, ...right)
}
