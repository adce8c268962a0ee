import { boundsOf, type Point } from '../ink/points.ts'
import { type Stroke, strokePoints } from '../ink/stroke.ts'

/** What was written, freed of how large, how slanted and where it was written, so that two hands can be compared. */
export interface WritingShape {
  /** Places along the way of the pen, as it went: direction (two numbers of one length 1) and height about its line. */
  readonly way: Float32Array
  /** How much ink lies in each cell of a grid laid over it, from the left upper corner, in rows; its length is 1. */
  readonly cells: Float32Array
  /** Its width in times of its height, as a logarithm. */
  readonly shape: number
  /** How often the pen came down. */
  readonly strokes: number
}

/** Places along the way of the pen, and numbers for each. */
export const PLACES = 112
export const PER_PLACE = 3
/** Columns and rows of the grid. */
const GRID = { across: 32, down: 8 }
/** The share of places on either side with which the height of a place is compared: about two letters. */
const NEAR = 0.12
/** How much a difference in height weighs, beside one in direction. */
const HEIGHT_WEIGHS = 3
/** The least size of what was written, in points: a dot has no way. */
const LEAST = 2

/**
 * The shape of what was written by hand; nothing where there is too little ink to have one.
 *
 * Slant is taken out by the mean shear of its upright parts, size by the length of all the ink, and the place on the
 * line by the mean height of what was written just before and after. Cost: O(points).
 */
export function writingShape(strokes: readonly Stroke[]): WritingShape | undefined {
  const ways = strokes.map((stroke) => strokePoints(stroke)).filter((points) => points.length > 0)
  const places = alongAll(asRead(upright(ways)))
  if (!places) return undefined
  return {
    way: wayOf(places),
    cells: cellsOf(places),
    shape: shapeOf(extent(places, 'x'), extent(places, 'y')),
    strokes: ways.length,
  }
}

/** A line has a shape too: neither side counts as less than a fortieth of both. */
const shapeOf = (wide: number, high: number): number => {
  const least = (wide + high) / 40
  return Math.log((wide + least) / (high + least))
}

/** A place on the way of the pen and where it goes from there, as a direction of length 1. */
interface OnWay extends Point {
  readonly dx: number
  readonly dy: number
}

/** The ways with their slant taken out. */
function upright(ways: readonly (readonly Point[])[]): Point[][] {
  let [leans, rises] = [0, 0]
  for (const way of ways)
    for (let at = 1; at < way.length; at++) {
      const [dx, dy] = [way[at]!.x - way[at - 1]!.x, way[at]!.y - way[at - 1]!.y]
      // Only what goes up or down says how a hand leans.
      if (Math.abs(dy) < Math.abs(dx)) continue
      leans += dx * dy
      rises += dy * dy
    }
  const shear = rises === 0 ? 0 : leans / rises
  return ways.map((way) => way.map(({ x, y }) => ({ x: x - shear * y, y })))
}

/** Strokes in the order in which one reads them: line by line, from the left. Not everybody crosses a t at once. */
function asRead(ways: readonly Point[][]): Point[][] {
  const lying = ways.map((way) => {
    const { x0, y0, x1, y1 } = boundsOf(way)
    return { way, x: (x0 + x1) / 2, y: (y0 + y1) / 2, y0, y1 }
  })
  const lines: (typeof lying)[] = []
  for (const one of [...lying].sort((a, b) => b.y1 - b.y0 - (a.y1 - a.y0))) {
    // The tall ones say where lines are; what is smaller lies on the one that it is within.
    const line = lines.find(([tallest]) => one.y > tallest!.y0 && one.y < tallest!.y1)
    if (line) line.push(one)
    else lines.push([one])
  }
  return lines
    .sort(([a], [b]) => a!.y - b!.y)
    .flatMap((line) => line.sort((a, b) => a.x - b.x).map(({ way }) => way))
}

/** Places at the same distance from each other along all strokes, without the ways through the air. */
function alongAll(ways: readonly Point[][]): OnWay[] | undefined {
  let length = 0
  for (const way of ways)
    for (let at = 1; at < way.length; at++)
      length += Math.hypot(way[at]!.x - way[at - 1]!.x, way[at]!.y - way[at - 1]!.y)
  if (length < LEAST) return undefined
  const step = length / PLACES
  const places: OnWay[] = []
  // Half a step in: the first and the last place lie alike within the whole.
  let next = step / 2
  for (const way of ways)
    for (let at = 1; at < way.length; at++) {
      const [from, to] = [way[at - 1]!, way[at]!]
      const long = Math.hypot(to.x - from.x, to.y - from.y)
      if (long === 0) continue
      const [dx, dy] = [(to.x - from.x) / long, (to.y - from.y) / long]
      for (; next <= long && places.length < PLACES; next += step)
        places.push({ x: from.x + dx * next, y: from.y + dy * next, dx, dy })
      next -= long
    }
  // What is left of the last step to rounding.
  while (places.length < PLACES) places.push(places.at(-1)!)
  return places
}

function wayOf(places: readonly OnWay[]): Float32Array {
  const unit = scaleOf(places)
  const reach = Math.max(1, Math.round(PLACES * NEAR))
  const way = new Float32Array(PLACES * PER_PLACE)
  let sum = 0
  // The places from at - reach to at + reach, as far as there are any.
  let [first, past] = [0, 0]
  for (let at = 0; at < PLACES; at++) {
    for (; past < Math.min(PLACES, at + reach + 1); past++) sum += places[past]!.y
    for (; first < at - reach; first++) sum -= places[first]!.y
    const { y, dx, dy } = places[at]!
    way[at * PER_PLACE] = dx
    way[at * PER_PLACE + 1] = dy
    way[at * PER_PLACE + 2] = (HEIGHT_WEIGHS * (y - sum / (past - first))) / unit
  }
  return way
}

/** How high the writing is, in points: its letters, not all of its lines. */
const scaleOf = (places: readonly OnWay[]): number => {
  const reach = Math.max(1, Math.round(PLACES * NEAR))
  let most = 0
  let count = 0
  for (let at = 0; at < PLACES; at += reach) {
    most += extent(places.slice(at, at + 2 * reach), 'y')
    count++
  }
  return Math.max(LEAST / 2, most / count)
}

function cellsOf(places: readonly OnWay[]): Float32Array {
  const { across, down } = GRID
  const cells = new Float32Array(across * down)
  const [left, top] = [least(places, 'x'), least(places, 'y')]
  const [wide, high] = [Math.max(LEAST / 2, extent(places, 'x')), Math.max(LEAST / 2, extent(places, 'y'))]
  for (const { x, y } of places) {
    // Shared among the four nearest cells: a place at the edge of one counts for both.
    const [column, row] = [((x - left) / wide) * (across - 1), ((y - top) / high) * (down - 1)]
    const [c, r] = [Math.min(across - 2, Math.floor(column)), Math.min(down - 2, Math.floor(row))]
    const [u, v] = [column - c, row - r]
    cells[r * across + c]! += (1 - u) * (1 - v)
    cells[r * across + c + 1]! += u * (1 - v)
    cells[(r + 1) * across + c]! += (1 - u) * v
    cells[(r + 1) * across + c + 1]! += u * v
  }
  let square = 0
  for (const cell of cells) square += cell * cell
  return cells.map((cell) => cell / Math.sqrt(square))
}

const least = (places: readonly OnWay[], axis: 'x' | 'y') =>
  places.reduce((low, place) => Math.min(low, place[axis]), Number.POSITIVE_INFINITY)
const extent = (places: readonly OnWay[], axis: 'x' | 'y') =>
  places.reduce((high, place) => Math.max(high, place[axis]), Number.NEGATIVE_INFINITY) - least(places, axis)
