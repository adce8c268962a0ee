import { boundsOf, type Point } from '../ink/points.ts'
import type { Neat } from './neat.ts'
import { degreesOf, distance, within } from './path.ts'

/** Corners of a rectangle are right to so many degrees; what is level or upright to so many is meant to be. */
const RIGHT = 16
const LEVEL = 6
/** What is as wide as high to this part is meant to be. */
const SQUARE = 0.1

/** A polygon with straight sides along those of a loop, whose `corners` are at these of its places. */
export function neatPolygon(loop: readonly Point[], corners: readonly number[]): Neat {
  const sides = corners.map((from, index) => sideOf(loop, from, corners[(index + 1) % corners.length]!))
  const places = sides.map((side, index) => meet(sides.at(index - 1)!, side) ?? loop[corners[index]!]!)
  return (places.length === 4 ? rectangleOf(places) : undefined) ?? polygonOf(levelled(places))
}

interface Side {
  readonly at: Point
  /** Its direction, one point long. */
  readonly along: Point
}

/** How much of both ends of a side is rounded by the hand, as part of it. */
const ENDS = 0.15

/** The straight line that lies best along a part of a loop (least squares across it). */
function sideOf(loop: readonly Point[], from: number, to: number): Side {
  const count = ((to - from + loop.length) % loop.length) + 1
  const left = Math.floor(count * ENDS)
  const part = Array.from({ length: count - 2 * left }, (_, at) => loop[(from + left + at) % loop.length]!)
  const middle = {
    x: part.reduce((sum, { x }) => sum + x, 0) / part.length,
    y: part.reduce((sum, { y }) => sum + y, 0) / part.length,
  }
  let [xx, yy, xy] = [0, 0, 0]
  for (const { x, y } of part) {
    xx += (x - middle.x) ** 2
    yy += (y - middle.y) ** 2
    xy += (x - middle.x) * (y - middle.y)
  }
  const angle = Math.atan2(2 * xy, xx - yy) / 2
  return { at: middle, along: { x: Math.cos(angle), y: Math.sin(angle) } }
}

/** Where two lines meet; nothing where they run alongside each other. */
function meet(one: Side, other: Side): Point | undefined {
  const cross = one.along.x * other.along.y - one.along.y * other.along.x
  if (Math.abs(cross) < 0.15) return undefined
  const part = ((other.at.x - one.at.x) * other.along.y - (other.at.y - one.at.y) * other.along.x) / cross
  return { x: one.at.x + part * one.along.x, y: one.at.y + part * one.along.y }
}

/** A rectangle or square in any direction; nothing where its corners are not right. */
function rectangleOf(places: readonly Point[]): Neat | undefined {
  const at = (index: number) => places[index % 4]!
  const ways = places.map((_, index) => degreesOf(at(index), at(index + 1)))
  const isRight = ways.every((way, index) => {
    const corner = Math.abs(within(ways[(index + 1) % 4]! - way, -180, 360))
    return Math.abs(corner - 90) <= RIGHT
  })
  if (!isRight) return undefined
  const first = ways[0]!
  // The sides' common direction, each brought to within 45° of the first; long sides say more.
  const all = ways.map((way, index) => ({
    way: within(way - first, -45, 90),
    long: distance(at(index), at(index + 1)),
  }))
  const long = all.reduce((sum, each) => sum + each.long, 0)
  const leaning = within(first + all.reduce((sum, each) => sum + each.way * each.long, 0) / long, -45, 90)
  const turn = Math.abs(leaning) <= LEVEL ? 0 : leaning
  const middle = {
    x: places.reduce((sum, { x }) => sum + x, 0) / 4,
    y: places.reduce((sum, { y }) => sum + y, 0) / 4,
  }
  const angle = (turn * Math.PI) / 180
  const reach = places.map(({ x, y }) => ({
    across: Math.abs((x - middle.x) * Math.cos(angle) + (y - middle.y) * Math.sin(angle)),
    down: Math.abs((y - middle.y) * Math.cos(angle) - (x - middle.x) * Math.sin(angle)),
  }))
  let width = reach.reduce((sum, { across }) => sum + across, 0) / 2
  let height = reach.reduce((sum, { down }) => sum + down, 0) / 2
  if (Math.abs(width - height) <= SQUARE * Math.max(width, height)) {
    width = (width + height) / 2
    height = width
  }
  return { form: 'rectangle', x: middle.x - width / 2, y: middle.y - height / 2, width, height, turn }
}

/** Sides that are nearly level or upright become so. */
function levelled(places: readonly Point[]): Point[] {
  const made = places.map((place) => ({ ...place }))
  for (const [index, place] of made.entries()) {
    const next = made[(index + 1) % made.length]!
    const way = degreesOf(place, next)
    if (Math.abs(within(way, -90, 180)) <= LEVEL) place.y = next.y = (place.y + next.y) / 2
    else if (Math.abs(within(way - 90, -90, 180)) <= LEVEL) place.x = next.x = (place.x + next.x) / 2
  }
  return made
}

function polygonOf(places: readonly Point[]): Neat {
  const { x0, y0, x1, y1 } = boundsOf(places)
  const [width, height] = [x1 - x0, y1 - y0]
  return {
    form: 'polygon',
    ...{ x: x0, y: y0, width, height },
    turn: 0,
    corners: places.map(({ x, y }) => [(x - x0) / width, (y - y0) / height]),
  }
}
