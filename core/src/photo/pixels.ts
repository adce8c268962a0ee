import type { Corners } from './homography.ts'

/** A picture's pixels: red, green, blue and opacity of each, a byte each, row by row from the top (as ImageData has them). */
export interface Pixels {
  readonly data: Uint8ClampedArray
  readonly width: number
  readonly height: number
}

/** How bright a picture is, 0 to 255 a pixel. */
export interface Grey {
  readonly data: Uint8Array
  readonly width: number
  readonly height: number
}

/** The corners of a picture or page: upper left, upper right, lower right, lower left. */
export const cornersOf = ({
  width,
  height,
}: {
  readonly width: number
  readonly height: number
}): Corners => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
]

/** How a pixel's red, green and blue make one number: how bright it is (Rec. 601), or how white, as bright as the darkest of them. */
export type Seen = 'brightness' | 'whiteness'

/** A picture in `side` pixels at its longer side at most, each the mean of those it stands for. */
export function greyOf({ data, width, height }: Pixels, side: number, seen: Seen = 'brightness'): Grey {
  const step = Math.max(1, Math.ceil(Math.max(width, height) / side))
  const [across, down] = [Math.max(1, Math.floor(width / step)), Math.max(1, Math.floor(height / step))]
  const grey = new Uint8Array(across * down)
  const bright = seen === 'brightness'
  for (let y = 0; y < down; y++)
    for (let x = 0; x < across; x++) {
      let [red, green, blue] = [0, 0, 0]
      for (let dy = 0; dy < step; dy++)
        for (let dx = 0, at = ((y * step + dy) * width + x * step) * 4; dx < step; dx++, at += 4) {
          red += data[at]!
          green += data[at + 1]!
          blue += data[at + 2]!
        }
      const sum = bright ? (red * 77 + green * 150 + blue * 29) / 256 : Math.min(red, green, blue)
      grey[y * across + x] = sum / (step * step)
    }
  return { data: grey, width: across, height: down }
}

/**
 * The same as if light that grows evenly from one side to the other lay on it evenly: what is far from the middle
 * counts as little as what is opposite. Method: the slope of the logarithm over the picture, by least squares.
 */
export function inLevelLight({ data, width, height }: Grey): Grey {
  const slopeOf = (place: (at: number) => number, long: number) => {
    let [xy, xx] = [0, 0]
    for (let at = 0; at < data.length; at++) {
      const off = place(at) - (long - 1) / 2
      xy += off * LOGS[data[at]!]!
      xx += off * off
    }
    return xx === 0 ? 0 : xy / xx
  }
  const across = slopeOf((at) => at % width, width)
  const down = slopeOf((at) => (at / width) | 0, height)
  const level = new Uint8Array(data.length)
  const column = Float64Array.from({ length: width }, (_none, x) => Math.exp(-across * (x - (width - 1) / 2)))
  for (let y = 0, at = 0; y < height; y++) {
    const row = Math.exp(-down * (y - (height - 1) / 2))
    for (let x = 0; x < width; x++, at++) level[at] = Math.min(255, data[at]! * row * column[x]!)
  }
  return { data: level, width, height }
}

const LOGS = Float64Array.from({ length: 256 }, (_none, value) => Math.log(value + 4))
