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
