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

/** The brightness of a picture in `side` pixels at its longer side at most, each the mean of those it stands for (Rec. 601). */
export function greyOf({ data, width, height }: Pixels, side: number): Grey {
  const step = Math.max(1, Math.ceil(Math.max(width, height) / side))
  const [across, down] = [Math.max(1, Math.floor(width / step)), Math.max(1, Math.floor(height / step))]
  const grey = new Uint8Array(across * down)
  for (let y = 0; y < down; y++)
    for (let x = 0; x < across; x++) {
      let sum = 0
      for (let dy = 0; dy < step; dy++)
        for (let dx = 0, at = ((y * step + dy) * width + x * step) * 4; dx < step; dx++, at += 4)
          sum += data[at]! * 77 + data[at + 1]! * 150 + data[at + 2]! * 29
      grey[y * across + x] = sum / (step * step * 256)
    }
  return { data: grey, width: across, height: down }
}
