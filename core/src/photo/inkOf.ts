import { type Homography, mapped } from './homography.ts'
import type { Grey } from './pixels.ts'

/** Ink is looked at against the paper this far around, in pixels. */
const AROUND = 9
/** What is so much darker than the paper around is as dark as ink gets. */
const DARKEST = 90

/** How much darker than its surroundings each pixel is, 0 to 255: ink, whatever light lies on the paper. */
export function inkOf(grey: Grey): Grey {
  const { data, width, height } = grey
  const sums = sumsOf(grey)
  const wide = width + 1
  const ink = new Uint8Array(data.length)
  for (let y = 0, at = 0; y < height; y++) {
    const [top, foot] = [Math.max(0, y - AROUND), Math.min(height, y + AROUND + 1)]
    for (let x = 0; x < width; x++, at++) {
      const left = x < AROUND ? 0 : x - AROUND
      const right = Math.min(x + AROUND + 1, width)
      const sum =
        sums[foot * wide + right]! -
        sums[top * wide + right]! -
        sums[foot * wide + left]! +
        sums[top * wide + left]!
      const mean = sum / ((right - left) * (foot - top))
      const darker = mean - data[at]!
      // A part of the light, so that shadow takes nothing away.
      const part = darker <= 0 ? 0 : (darker / (mean + 8)) * 255
      ink[at] = part >= DARKEST ? 255 : (part * 255) / DARKEST
    }
  }
  return { data: ink, width, height }
}

/** The sum of all values above and to the left of each corner of a pixel (Crow 1984), one wider and higher than the picture. */
export function sumsOf({ data, width, height }: Grey): Float64Array {
  const wide = width + 1
  const sums = new Float64Array(wide * (height + 1))
  for (let y = 0; y < height; y++) {
    let row = 0
    for (let x = 0; x < width; x++) {
      row += data[y * width + x]!
      sums[(y + 1) * wide + x + 1] = sums[y * wide + x + 1]! + row
    }
  }
  return sums
}

/** Half as wide and high, each pixel the mean of four. */
export function halved({ data, width, height }: Grey): Grey {
  const [across, down] = [width >> 1, height >> 1]
  const half = new Uint8Array(across * down)
  for (let y = 0, at = 0; y < down; y++)
    for (let x = 0; x < across; x++, at++) {
      const from = 2 * y * width + 2 * x
      half[at] = (data[from]! + data[from + 1]! + data[from + width]! + data[from + width + 1]!) >> 2
    }
  return { data: half, width: across, height: down }
}

/**
 * A picture as a map shows it: `width` by `height` pixels, each of which is `step` of the map's; the mean of four
 * places each. What lies outside of the picture is white.
 */
export function sampled(grey: Grey, map: Homography, width: number, height: number, step: number): Grey {
  const { data, width: wide, height: high } = grey
  const [a, b, c, d, e, f, g, h] = map
  const found = new Uint8Array(width * height)
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      let sum = 0
      for (let part = 0; part < 4; part++) {
        const px = (x + 0.25 + (part & 1) * 0.5) * step
        const py = (y + 0.25 + (part >> 1) * 0.5) * step
        const w = g * px + h * py + 1
        const sx = (a * px + b * py + c) / w
        const sy = (d * px + e * py + f) / w
        sum +=
          sx < 0 || sy < 0 || sx >= wide || sy >= high || w <= 0 ? 255 : data[(sy | 0) * wide + (sx | 0)]!
      }
      found[at] = sum / 4
    }
  return { data: found, width, height }
}

/** Whether a place of the page lies in the picture. */
export function isSeen(grey: Grey, map: Homography, at: { x: number; y: number }): boolean {
  const { x, y } = mapped(map, at)
  return x >= 0 && y >= 0 && x < grey.width && y < grey.height
}
