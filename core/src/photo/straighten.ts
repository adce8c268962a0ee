import type { Point } from '../ink/points.ts'
import { type Corners, homography } from './homography.ts'
import type { Pixels } from './pixels.ts'

/** The proportions of papers, long side to short: A4 and its like, Letter. */
const PAPERS = [Math.SQRT2, 11 / 8.5]
/** How far a sheet that was seen askew may be from a paper's proportions to be that paper. */
const NEARLY = 0.13

/** How large the sheet between four corners of a picture is when it is seen straight on, in pixels: no larger than it is seen, and its longer side `most` at most. */
export function sheetSize(corners: Corners, most: number): { width: number; height: number } {
  const side = (from: number, to: number) => distance(corners[from]!, corners[to]!)
  const across = Math.max(side(0, 1), side(3, 2))
  const down = Math.max(side(0, 3), side(1, 2))
  const [long, short] = across > down ? [across, down] : [down, across]
  const seen = long / Math.max(1, short)
  const off = (proportion: number) => Math.abs(proportion / seen - 1)
  const nearest = PAPERS.reduce((a, b) => (off(b) < off(a) ? b : a))
  const paper = off(nearest) < NEARLY ? nearest : seen
  const height = Math.min(long, most)
  const [longer, shorter] = [Math.max(1, Math.round(height)), Math.max(1, Math.round(height / paper))]
  return across > down ? { width: longer, height: shorter } : { width: shorter, height: longer }
}

const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/**
 * The sheet between four corners of a picture (upper left, upper right, lower right, lower left, in pixels) as it is
 * seen straight on. Method: each pixel is looked up where the homography says, between four pixels (bilinear).
 * Nothing: the corners make no sheet. Cost: O(pixels that come out).
 */
export function straighten(
  pixels: Pixels,
  corners: Corners,
  width: number,
  height: number,
): Pixels | undefined {
  const to: Corners = [
    { x: 0, y: 0 },
    { x: width, y: 0 },
    { x: width, y: height },
    { x: 0, y: height },
  ]
  const back = homography(to, corners)
  if (!back) return undefined
  const [a, b, c, d, e, f, g, h] = back
  const found = new Uint8ClampedArray(width * height * 4)
  const { data, width: wide, height: high } = pixels
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at += 4) {
      const [px, py] = [x + 0.5, y + 0.5]
      const w = g * px + h * py + 1
      // The middle of a pixel lies half a pixel in.
      const sx = inside((a * px + b * py + c) / w - 0.5, wide - 1.001)
      const sy = inside((d * px + e * py + f) / w - 0.5, high - 1.001)
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

const inside = (at: number, last: number) => (at < 0 ? 0 : at > last ? last : at)
