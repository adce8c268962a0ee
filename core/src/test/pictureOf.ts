import type { Bounds } from '../ink/points.ts'
import type { Pixels } from '../photo/pixels.ts'

type Colour = readonly [red: number, green: number, blue: number]
const WHITE: Colour = [255, 255, 255]

/** A white picture on which a test draws: what covers half of a pixel greys it by half. */
export class Picture implements Pixels {
  readonly data: Uint8ClampedArray
  readonly width: number
  readonly height: number

  constructor(width: number, height: number, paper: Colour = WHITE) {
    this.width = width
    this.height = height
    this.data = new Uint8ClampedArray(width * height * 4).fill(255)
    paint(this, { x0: 0, y0: 0, x1: width, y1: height }, () => 1, paper)
  }

  /** A line of a width from place to place with round ends. */
  line(
    places: readonly (readonly [x: number, y: number])[],
    width: number,
    colour: Colour = [0, 0, 0],
  ): this {
    for (let index = 1; index < places.length; index++) {
      const [ax, ay] = places[index - 1]!
      const [bx, by] = places[index]!
      const square = (bx - ax) ** 2 + (by - ay) ** 2
      const box = {
        x0: Math.min(ax, bx) - width,
        y0: Math.min(ay, by) - width,
        x1: Math.max(ax, bx) + width,
        y1: Math.max(ay, by) + width,
      }
      const cover = (x: number, y: number) => {
        const part =
          square === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / square))
        return width / 2 + 0.5 - Math.hypot(x - ax - part * (bx - ax), y - ay - part * (by - ay))
      }
      paint(this, box, cover, colour)
    }
    return this
  }

  /** Part of a circle, angles in degrees clockwise from the right. */
  arc(x: number, y: number, radius: number, width: number, from = 0, to = 360): this {
    const places = Array.from({ length: 121 }, (_none, step) => {
      const angle = ((from + ((to - from) * step) / 120) * Math.PI) / 180
      return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)] as const
    })
    return this.line(places, width)
  }
}

/** Lays a colour on what is covered, by as much of each pixel as is. */
function paint(
  { data, width, height }: Pixels,
  box: Bounds,
  cover: (x: number, y: number) => number,
  colour: Colour,
): void {
  for (let y = Math.max(0, Math.floor(box.y0)); y < Math.min(height, box.y1); y++)
    for (let x = Math.max(0, Math.floor(box.x0)); x < Math.min(width, box.x1); x++) {
      const part = Math.min(1, Math.max(0, cover(x + 0.5, y + 0.5)))
      if (part === 0) continue
      const at = (y * width + x) * 4
      for (const [step, to] of colour.entries())
        data[at + step] = data[at + step]! + (to - data[at + step]!) * part
    }
}
