import type { Point } from '../ink/points.ts'
import { simplify } from '../ink/simplify.ts'
import { type Ellipse, ellipseOf } from './ellipse.ts'
import type { Neat } from './neat.ts'
import { distance, evenly, lengthOf, offSegment, turnAt } from './path.ts'
import { neatPolygon } from './polygon.ts'

/** A way ends no farther from its beginning than this part of its size, and is at least so many times as long as that. */
const GAP = 0.28
const LONG = 1.9
/** A loop holds at least so much of the square of its size. */
const HOLDS = 0.04
/** Loops are looked at through so many places. */
const PLACES = 96
/** It turns once around, to this part of a turn, and not much to and fro. */
const ONCE = 0.2
const TO_AND_FRO = 1.75
/** The most corners of a polygon. */
const MOST_CORNERS = 8
/** How far from its sides, or from the ellipse, a way lies on average, as part of the root of its area. */
const OFF_SIDES = 0.055
const OFF_ELLIPSE = 0.075
/** At the corners of a polygon is so much more of its turning than would be there of a round loop, from 0 to all the rest. */
const AT_CORNERS = 0.5
/** A hand rounds a corner over so many places before and after it. */
const ROUNDED = 3

/** An ellipse, rectangle, triangle or other convex polygon, closed or nearly; or nothing. `size`: how large it is across. */
export function closedShape(way: readonly Point[], size: number): Neat | undefined {
  const ring = closed(way)
  if (distance(ring[0]!, ring.at(-1)!) > size * GAP || lengthOf(ring) < size * LONG) return undefined
  const loop = evenly([...ring, ring[0]!], PLACES + 1).slice(0, PLACES)
  const ellipse = ellipseOf(loop)
  if (!ellipse || ellipse.area < size * size * HOLDS || !goesAroundOnce(loop)) return undefined
  const scale = Math.sqrt(ellipse.area)
  const corners = cornersOf(loop, ellipse, scale)
  const isPolygon =
    corners.length >= 3 &&
    corners.length <= MOST_CORNERS &&
    cornered(loop, corners) >= AT_CORNERS &&
    offSides(loop, corners) <= OFF_SIDES * scale
  if (isPolygon) return neatPolygon(loop, corners)
  return ellipse.off <= OFF_ELLIPSE * scale ? ellipse.neat : undefined
}

/** How much of its beginning and of its end a way may have too much of, where its ends pass each other. */
const PASSES = { first: 0.12, last: 0.25 }

/** The way without what of its ends goes past the place where it closes. */
function closed(way: readonly Point[]): readonly Point[] {
  const even = evenly(way, PLACES)
  let best = { from: 0, to: PLACES - 1, gap: distance(even[0]!, even[PLACES - 1]!) }
  for (let from = 0; from < PLACES * PASSES.first; from++)
    for (let to = PLACES - 1; to > PLACES * (1 - PASSES.last); to--) {
      const gap = distance(even[from]!, even[to]!)
      if (gap < best.gap * 0.7) best = { from, to, gap }
    }
  return even.slice(best.from, best.to + 1)
}

/** What a hand's trembling does to a loop is smoothed away, so that turns count which were meant. */
function smooth(loop: readonly Point[]): Point[] {
  const by = 2
  return loop.map((_, at) => {
    let [x, y] = [0, 0]
    for (let near = -by; near <= by; near++) {
      const place = loop.at((at + near) % loop.length)!
      x += place.x
      y += place.y
    }
    return { x: x / (2 * by + 1), y: y / (2 * by + 1) }
  })
}

/** By how much a loop turns at each of its places, in radians. */
function turnsOf(loop: readonly Point[]): number[] {
  const smoothed = smooth(loop)
  return smoothed.map((at, index) =>
    turnAt(smoothed.at(index - 1)!, at, smoothed[(index + 1) % loop.length]!),
  )
}

function goesAroundOnce(loop: readonly Point[]): boolean {
  const turns = turnsOf(loop)
  const [net, all] = [sum(turns), sum(turns.map(Math.abs))]
  const whole = 2 * Math.PI
  return Math.abs(Math.abs(net) - whole) <= ONCE * whole && all <= TO_AND_FRO * whole
}

const sum = (numbers: readonly number[]) => numbers.reduce((total, each) => total + each, 0)

/** A corner that turns by less than this is none, in degrees. */
const FLAT = 22
/** Corners that lie nearer than this part of the loop are one. */
const NEAR = 0.05

/** The places of a loop at which its corners are. */
function cornersOf(loop: readonly Point[], { middle }: Ellipse, scale: number): number[] {
  const far = loop.map((at) => distance(at, middle))
  const first = far.indexOf(Math.max(...far))
  const turned = [...loop.slice(first), ...loop.slice(0, first + 1)]
  const places = simplify(turned, scale * 0.1).slice(0, -1)
  let corners = places.map((at) => loop.indexOf(at))
  corners = corners.filter((at, index) => {
    const next = corners[(index + 1) % corners.length]!
    return (next - at + loop.length) % loop.length >= loop.length * NEAR
  })
  return corners.filter((at, index) => {
    const [before, after] = [corners.at(index - 1)!, corners[(index + 1) % corners.length]!]
    const turn = Math.abs(turnAt(loop[before]!, loop[at]!, loop[after]!))
    return (turn * 180) / Math.PI >= FLAT
  })
}

/** Whether a loop turns at its corners, 1, or everywhere alike, 0. */
function cornered(loop: readonly Point[], corners: readonly number[]): number {
  const turns = turnsOf(loop)
  const near = turns.filter((_, at) =>
    corners.some((corner) => {
      const off = Math.abs(at - corner)
      return Math.min(off, loop.length - off) <= ROUNDED
    }),
  )
  const round = near.length / turns.length
  return (Math.abs(sum(near)) / Math.abs(sum(turns)) - round) / (1 - round)
}

/** How far a loop lies from the sides between its corners, on average. */
function offSides(loop: readonly Point[], corners: readonly number[]): number {
  const places = corners.map((at) => loop[at]!)
  const off = loop.map((at) =>
    Math.min(...places.map((corner, index) => offSegment(at, corner, places[(index + 1) % places.length]!))),
  )
  return sum(off) / off.length
}
