import type { Point } from '../ink/points.ts'

/** A map of the plane that keeps lines straight: x' = (a x + b y + c) / (g x + h y + 1), y' = (d x + e y + f) / (g x + h y + 1). */
export type Homography = readonly [
  a: number,
  b: number,
  c: number,
  d: number,
  e: number,
  f: number,
  g: number,
  h: number,
]

/** Four corners, in turn. */
export type Corners = readonly [Point, Point, Point, Point]

/**
 * The homography that takes each of four places to another. Method: two equations a place, solved by Gauss with
 * pivots (Hartley and Zisserman 2004, 4.1). Nothing: three of them lie in a line.
 */
export function homography(from: Corners, to: Corners): Homography | undefined {
  const rows = from.flatMap(({ x, y }, index) => {
    const { x: u, y: v } = to[index]!
    return [
      [x, y, 1, 0, 0, 0, -x * u, -y * u, u],
      [0, 0, 0, x, y, 1, -x * v, -y * v, v],
    ]
  })
  return solve(rows) as Homography | undefined
}

/** Where a homography takes a place. */
export function mapped([a, b, c, d, e, f, g, h]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + 1
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w }
}

/** A place and where it is taken; `weight`: how much it counts. */
export interface Pair {
  readonly from: Point
  readonly to: Point
  readonly weight: number
}

/**
 * The homography, or with `straight` the affine map, that takes places nearest to where they are taken. Method: the
 * equations of `homography` by weighted least squares, in units in which the places lie about 1 apart (Hartley 1997).
 * Nothing: there are too few, or they lie in a line.
 */
export function homographyThrough(pairs: readonly Pair[], straight = false): Homography | undefined {
  const counted = pairs.filter(({ weight }) => weight > 0)
  if (counted.length < (straight ? 3 : 4)) return undefined
  const from = unitOf(counted.map((pair) => pair.from))
  const to = unitOf(counted.map((pair) => pair.to))
  const size = straight ? 6 : 8
  const sums = Array.from({ length: size }, () => new Array<number>(size + 1).fill(0))
  const add = (row: readonly number[], weight: number) => {
    for (let a = 0; a < size; a++)
      for (let b = 0; b <= size; b++) sums[a]![b]! += weight * row[a]! * row[b === size ? row.length - 1 : b]!
  }
  for (const { weight, ...pair } of counted) {
    const { x, y } = inUnit(from, pair.from)
    const { x: u, y: v } = inUnit(to, pair.to)
    add(straight ? [x, y, 1, 0, 0, 0, u] : [x, y, 1, 0, 0, 0, -x * u, -y * u, u], weight)
    add(straight ? [0, 0, 0, x, y, 1, v] : [0, 0, 0, x, y, 1, -x * v, -y * v, v], weight)
  }
  const [a, b, c, d, e, f, g = 0, h = 0] = solve(sums) ?? []
  if (a === undefined || ![a, b, c, d, e, f, g, h].every(Number.isFinite)) return undefined
  // Four places in units, taken there and back into pixels, say the whole map.
  const far = [-1, 1, 1, -1].map((x, index) => ({ x, y: index < 2 ? -1 : 1 }))
  const unit: Homography = [a, b!, c!, d!, e!, f!, g, h]
  return homography(
    far.map((at) => outOfUnit(from, at)) as unknown as Corners,
    far.map((at) => outOfUnit(to, mapped(unit, at))) as unknown as Corners,
  )
}

/** The middle of places, and how far they lie from it in the mean. */
interface Unit extends Point {
  readonly far: number
}

function unitOf(places: readonly Point[]): Unit {
  const x = places.reduce((sum, place) => sum + place.x, 0) / places.length
  const y = places.reduce((sum, place) => sum + place.y, 0) / places.length
  const far = places.reduce((sum, place) => sum + Math.hypot(place.x - x, place.y - y), 0) / places.length
  return { x, y, far: far || 1 }
}
const inUnit = (unit: Unit, { x, y }: Point): Point => ({
  x: (x - unit.x) / unit.far,
  y: (y - unit.y) / unit.far,
})
const outOfUnit = (unit: Unit, { x, y }: Point): Point => ({
  x: unit.x + x * unit.far,
  y: unit.y + y * unit.far,
})

/** Solves as many equations as there are unknowns, each row with its right side last. */
function solve(rows: number[][]): number[] | undefined {
  const size = rows.length
  for (let column = 0; column < size; column++) {
    let best = column
    for (let row = column + 1; row < size; row++)
      if (Math.abs(rows[row]![column]!) > Math.abs(rows[best]![column]!)) best = row
    ;[rows[column], rows[best]] = [rows[best]!, rows[column]!]
    const pivot = rows[column]!
    if (Math.abs(pivot[column]!) < 1e-9) return undefined
    for (const row of rows) {
      if (row === pivot) continue
      const times = row[column]! / pivot[column]!
      if (times !== 0) for (let at = column; at <= size; at++) row[at]! -= times * pivot[at]!
    }
  }
  return rows.map((row, index) => row[size]! / row[index]!)
}
