import type { Point } from '../ink/points.ts'
import { type Corners, homography } from './homography.ts'
import { cornersOf, type Pixels } from './pixels.ts'

/** The proportions of papers, long side to short: A4 and its like, Letter. */
const PAPERS = [Math.SQRT2, 11 / 8.5]
/** How far a sheet that was seen askew may be from a paper's proportions to be that paper. */
const NEARLY = 0.13

/**
 * How large the sheet between four corners of a photo is when it is seen straight on, in pixels: no larger than it is
 * seen, and its longer side `most` at most.
 */
export function sheetSize(
  corners: Corners,
  most: number,
  photo: { readonly width: number; readonly height: number },
): { width: number; height: number } {
  const side = (from: number, to: number) => distance(corners[from]!, corners[to]!)
  const across = Math.max(side(0, 1), side(3, 2))
  const down = Math.max(side(0, 3), side(1, 2))
  const wide = proportionOf(corners, photo) ?? across / Math.max(1, down)
  const seen = Math.max(wide, 1 / wide)
  const off = (proportion: number) => Math.abs(proportion / seen - 1)
  const nearest = PAPERS.reduce((a, b) => (off(b) < off(a) ? b : a))
  const paper = off(nearest) < NEARLY ? nearest : seen
  const long = Math.min(Math.max(across, down), most)
  const [longer, shorter] = [Math.max(1, Math.round(long)), Math.max(1, Math.round(long / paper))]
  return wide > 1 ? { width: longer, height: shorter } : { width: shorter, height: longer }
}

/** A camera sees no wider and no narrower than this: its focal length, as parts of the photo's longer side. */
const FOCAL = { shortest: 0.45, longest: 5 }

/**
 * How many times as wide as high a sheet is that a camera saw from anywhere. Method: Zhang and He (2007), with the
 * middle of the photo as that of the lens. Nothing: it was seen so straight on, or cut so, that it does not say.
 */
function proportionOf(corners: Corners, photo: { width: number; height: number }): number | undefined {
  const [upperLeft, upperRight, lowerRight, lowerLeft] = corners.map(
    ({ x, y }): Vector => [x - photo.width / 2, y - photo.height / 2, 1],
  ) as [Vector, Vector, Vector, Vector]
  const diagonal = crossed(upperLeft, lowerRight)
  const k2 = dot(diagonal, lowerLeft) / dot(crossed(upperRight, lowerRight), lowerLeft)
  const k3 = dot(diagonal, upperRight) / dot(crossed(lowerLeft, lowerRight), upperRight)
  const across = between(upperRight, k2, upperLeft)
  const down = between(lowerLeft, k3, upperLeft)
  const square = -(across[0] * down[0] + across[1] * down[1]) / (across[2] * down[2])
  const long = Math.max(photo.width, photo.height)
  if (!(square > (FOCAL.shortest * long) ** 2 && square < (FOCAL.longest * long) ** 2)) return undefined
  const length = ([x, y, z]: Vector) => Math.sqrt((x * x + y * y) / square + z * z)
  return length(across) / length(down)
}

type Vector = readonly [number, number, number]
const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
const crossed = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
const between = (to: Vector, times: number, from: Vector): Vector => [
  times * to[0] - from[0],
  times * to[1] - from[1],
  times * to[2] - from[2],
]

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/**
 * The sheet between four corners of a picture (upper left, upper right, lower right, lower left, in pixels) as it is
 * seen straight on. Method: each pixel is looked up where the homography says, between four pixels (bilinear);
 * what lies outside of the picture is white.
 * Nothing: the corners make no sheet. Cost: O(pixels that come out).
 */
export function straighten(
  pixels: Pixels,
  corners: Corners,
  width: number,
  height: number,
): Pixels | undefined {
  const back = homography(cornersOf({ width, height }), corners)
  if (!back) return undefined
  const [a, b, c, d, e, f, g, h] = back
  const found = new Uint8ClampedArray(width * height * 4)
  const { data, width: wide, height: high } = pixels
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 4) {
      const [px, py] = [x + 0.5, y + 0.5]
      const w = g * px + h * py + 1
      // The middle of a pixel lies half a pixel in.
      const seenX = (a * px + b * py + c) / w - 0.5
      const seenY = (d * px + e * py + f) / w - 0.5
      if (seenX < -NEARBY || seenY < -NEARBY || seenX > wide + NEARBY || seenY > high + NEARBY) {
        found[at] = found[at + 1] = found[at + 2] = found[at + 3] = 255
        continue
      }
      const sx = inside(seenX, wide - 1.001)
      const sy = inside(seenY, high - 1.001)
      const left = sx | 0
      const top = sy | 0
      const [right, low] = [sx - left, sy - top]
      const from = (top * wide + left) * 4
      const under = from + wide * 4
      for (let part = 0; part < 3; part++) {
        const upper = data[from + part]! * (1 - right) + data[from + 4 + part]! * right
        const lower = data[under + part]! * (1 - right) + data[under + 4 + part]! * right
        found[at + part] = upper * (1 - low) + lower * low
      }
      found[at + 3] = 255
    }
  return { data: found, width, height }
}

/** So far outside of a picture its edge still counts, in pixels. */
const NEARBY = 2
const inside = (at: number, last: number) => Math.min(last, Math.max(0, at))
