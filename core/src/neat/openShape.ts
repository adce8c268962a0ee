import type { Point } from '../ink/points.ts'
import { simplify } from '../ink/simplify.ts'
import type { Neat } from './neat.ts'
import { degreesOf, distance, evenly, lengthOf, offLine, within } from './path.ts'

/** A line is longer than this, in points: shorter ones are parts of letters. */
const SHORTEST = 40
/** It strays from straight by no more than this part of its length, and is no longer than so many times its ends' distance. */
const STRAYS = 0.07
const LONGER = 1.12
/** What is level or upright to so many degrees is meant to be. */
const LEVEL = 4

/** A line or an arrow drawn in one stroke, or nothing. `size`: how large it is across, in points. */
export function openShape(way: readonly Point[], size: number): Neat | undefined {
  const [from, to] = [way[0]!, way.at(-1)!]
  if (isStraight(way)) return lineFrom(from, to, 'none')
  const places = evenly(way, Math.min(256, Math.max(96, Math.round(size))))
  const arrow = arrowOf(places) ?? arrowOf([...places].reverse())
  return arrow && lineFrom(arrow.from, arrow.tip, 'end')
}

function isStraight(way: readonly Point[]): boolean {
  const [from, to] = [way[0]!, way.at(-1)!]
  const long = distance(from, to)
  return (
    long >= SHORTEST &&
    lengthOf(way) <= long * LONGER &&
    way.every((at) => offLine(at, from, to) <= long * STRAYS)
  )
}

/** A wing of an arrowhead is so long, as part of the shaft, and so far from it, in degrees. */
const WING = { least: 0.06, most: 0.55 }
const SPREAD = { least: 12, most: 75 }
/** The pen comes back to the tip between the wings, so near to it as part of the shaft. */
const TIP = 0.16

/** Its shaft strays from straight by no more than this part of its length. */
const SHAFT_STRAYS = 0.1
/** What of a wing strays less than this part of the shaft, and than so many points, is straight. */
const WING_STRAYS = { part: 0.025, points: 2.5 }

/** The shaft of an arrow whose head was drawn after it without lifting the pen: one wing, back to the tip or not, the other. */
function arrowOf(way: readonly Point[]): { from: Point; tip: Point } | undefined {
  const from = way[0]!
  const at = firstTurn(way)
  const tip = way[at]!
  const shaft = distance(from, tip)
  if (shaft < SHORTEST || way.slice(0, at).some((each) => offLine(each, from, tip) > shaft * SHAFT_STRAYS))
    return undefined
  const strays = Math.max(WING_STRAYS.points, shaft * WING_STRAYS.part)
  const [, one, ...rest] = simplify(way.slice(at), strays)
  const other = rest.at(-1)
  if (!one || !other || rest.length > 2) return undefined
  if (rest.length === 2 && distance(rest[0]!, tip) > shaft * TIP) return undefined
  const [a, b] = [wing(from, tip, one), wing(from, tip, other)]
  return a !== undefined && b !== undefined && Math.sign(a) !== Math.sign(b) ? { from, tip } : undefined
}

/** The farthest from its beginning that a way comes has a first wave of its own: by so much of it, it comes back. */
const FAR = 0.88
const BACK = 0.03

/** Where a way turns back for the first time, far from its beginning. */
function firstTurn(way: readonly Point[]): number {
  const far = way.map((at) => distance(at, way[0]!))
  const most = Math.max(...far)
  let best = 0
  for (const [index, gone] of far.entries()) {
    if (gone > far[best]!) best = index
    else if (far[best]! >= most * FAR && gone < far[best]! - most * BACK) return best
  }
  return best
}

/** How far a wing lies from its shaft, in degrees, by its side; nothing where it is none. */
function wing(from: Point, tip: Point, end: Point): number | undefined {
  const long = distance(tip, end) / distance(from, tip)
  const spread = within(degreesOf(tip, end) - degreesOf(tip, from), -180, 360)
  const fits = Math.abs(spread) >= SPREAD.least && Math.abs(spread) <= SPREAD.most
  return long >= WING.least && long <= WING.most && fits ? spread : undefined
}

function lineFrom(from: Point, to: Point, heads: 'none' | 'end'): Neat {
  const direction = degreesOf(from, to)
  const level = Math.abs(within(direction, -90, 180)) <= LEVEL
  const upright = Math.abs(within(direction - 90, -90, 180)) <= LEVEL
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 }
  const [a, b] = [from, to].map(({ x, y }) => ({ x: upright ? middle.x : x, y: level ? middle.y : y })) as [
    Point,
    Point,
  ]
  const turned = b.x < a.x
  const [left, right] = turned ? [b, a] : [a, b]
  return {
    form: 'line',
    x: left.x,
    y: Math.min(a.y, b.y),
    width: right.x - left.x,
    height: Math.abs(b.y - a.y),
    turn: 0,
    // A line that is upright has its start at its head.
    rising: right.y < left.y,
    heads: heads === 'none' ? 'none' : turned ? 'start' : 'end',
  }
}
