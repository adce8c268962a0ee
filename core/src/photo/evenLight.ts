import type { Pixels } from './pixels.ts'

/** The light is looked at in so many fields across the longer side. */
const FIELDS = 24
/** The paper of a field is as bright as this part of its pixels at least, from the darkest. */
const PAPER = 0.85
/** Paper comes out a little below white at first, and what is nearly so is white. */
const WHITE = 262
/** What is darker than this is not seen any more. */
const DARKEST = 24
/** Every so many pixels are enough to know a field's light. */
const LOOKED_AT = 3

/**
 * A sheet in even light: white where its paper is, whatever shadow lies on it, with ink as dark as it was beside its
 * paper. Method: each pixel is divided by the light of the paper there, which is known in fields and goes evenly
 * from one to the next (flat-field correction). Changes `pixels` in place. Cost: O(pixels).
 */
export function evenLight({ data, width, height }: Pixels): void {
  const side = Math.max(8, Math.ceil(Math.max(width, height) / FIELDS))
  const [across, down] = [Math.ceil(width / side), Math.ceil(height / side)]
  const light = smoothed(lightOf(data, width, height, side, across, down), across, down)
  const row = new Float32Array(across * 3)
  for (let y = 0; y < height; y++) {
    const fy = Math.min(down - 1, Math.max(0, (y + 0.5) / side - 0.5))
    const top = Math.floor(fy)
    between(light, top * across * 3, Math.min(down - 1, top + 1) * across * 3, fy - top, row)
    for (let x = 0, at = y * width * 4; x < width; x++, at += 4) {
      const fx = (x + 0.5) / side - 0.5
      const left = fx < 0 ? 0 : fx | 0
      const from = left * 3
      const to = left + 1 < across ? from + 3 : from
      const part = fx < 0 ? 0 : fx - left
      for (let colour = 0; colour < 3; colour++) {
        const here = row[from + colour]! * (1 - part) + row[to + colour]! * part
        data[at + colour] = (data[at + colour]! * WHITE) / here
      }
    }
  }
}

/** The light between two rows of fields, a part of the way from one to the other; never so dark that its noise would shine. */
function between(light: Float32Array, upper: number, lower: number, part: number, row: Float32Array): void {
  for (let at = 0; at < row.length; at++)
    row[at] = Math.max(DARKEST, light[upper + at]! * (1 - part) + light[lower + at]! * part)
}

/** How bright the paper of each field is, in red, green and blue. */
function lightOf(
  data: Uint8ClampedArray,
  width: number,
  height: number,
  side: number,
  across: number,
  down: number,
): Float32Array {
  const light = new Float32Array(across * down * 3)
  const counts = new Uint32Array(256)
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++)
      for (let part = 0; part < 3; part++) {
        counts.fill(0)
        let all = 0
        for (let y = row * side; y < Math.min(height, (row + 1) * side); y += LOOKED_AT)
          for (let x = column * side; x < Math.min(width, (column + 1) * side); x += LOOKED_AT) {
            counts[data[(y * width + x) * 4 + part]!]!++
            all++
          }
        let below = 0
        let value = 0
        while (value < 255 && below + counts[value]! < all * PAPER) below += counts[value++]!
        light[(row * across + column) * 3 + part] = value
      }
  return light
}

/** So many fields around one say how bright paper is there; a shadow is not darker than this part of them in any colour. */
const AROUND = 4
const SHADOW = 0.55

/** A field that is dark or coloured all over (a picture, a shape filled with ink) is no shadow: it has the light of the brighter ones around it. */
function smoothed(light: Float32Array, across: number, down: number): Float32Array {
  const even = light.slice()
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const paper = [0, 1, 2].map((part) => brighterAround(light, across, down, row, column, part))
      const at = (row * across + column) * 3
      const isInk = paper.some((bright, part) => light[at + part]! < bright * SHADOW)
      if (isInk) for (const [part, bright] of paper.entries()) even[at + part] = bright
    }
  return even
}

/** How bright the fields around one are that are brighter than three quarters of them. */
function brighterAround(
  light: Float32Array,
  across: number,
  down: number,
  row: number,
  column: number,
  part: number,
): number {
  const around: number[] = []
  for (let y = Math.max(0, row - AROUND); y <= Math.min(down - 1, row + AROUND); y++)
    for (let x = Math.max(0, column - AROUND); x <= Math.min(across - 1, column + AROUND); x++)
      around.push(light[(y * across + x) * 3 + part]!)
  around.sort((a, b) => a - b)
  return around[Math.floor(around.length * 0.75)]!
}
