import type { Point } from '../ink/points.ts'
import { type Corners, homography } from '../photo/homography.ts'
import type { Pixels } from '../photo/pixels.ts'

/** How a sheet is photographed. */
export interface Shot {
  readonly width: number
  readonly height: number
  /** Where the sheet's corners come to lie in the photo: upper left, upper right, lower right, lower left. */
  readonly corners: Corners
  /** What it lies on. */
  readonly table: readonly [red: number, green: number, blue: number]
  /** How bright the light is at the left and at the right: 1 is white. */
  readonly light: readonly [left: number, right: number]
  /** How far a pixel may be off by chance, up or down. */
  readonly noise: number
  /** Numbers from 0 to 1 by chance. */
  readonly chance: () => number
  /** Something dark that lies over the sheet: a thumb. */
  readonly thumb?: { readonly at: Point; readonly radius: number }
}

/** A made-up photo of a sheet: seen askew, in uneven light, on a table with a grain. */
export function photographed(sheet: Pixels, shot: Shot): Pixels {
  const { width, height, corners, table, light, noise, chance, thumb } = shot
  const whole: Corners = [
    { x: 0, y: 0 },
    { x: sheet.width, y: 0 },
    { x: sheet.width, y: sheet.height },
    { x: 0, y: sheet.height },
  ]
  const [a, b, c, d, e, f, g, h] = homography(corners, whole)!
  const data = new Uint8ClampedArray(width * height * 4)
  // Plain numbers: these loops are most of a test's time.
  const skin = [152, 112, 92]
  for (let y = 0, at = 0; y < height; y++) {
    const grain = 1 + 0.12 * Math.sin(y / 7)
    for (let x = 0; x < width; x++, at += 4) {
      const w = g * (x + 0.5) + h * (y + 0.5) + 1
      const u = (a * (x + 0.5) + b * (y + 0.5) + c) / w
      const v = (d * (x + 0.5) + e * (y + 0.5) + f) / w
      const isOn = u >= 0 && v >= 0 && u < sheet.width && v < sheet.height
      const from = isOn ? ((v | 0) * sheet.width + (u | 0)) * 4 : 0
      const covered = thumb !== undefined && (x - thumb.at.x) ** 2 + (y - thumb.at.y) ** 2 < thumb.radius ** 2
      const bright = light[0] + ((light[1] - light[0]) * x) / width
      const off = (chance() - 0.5) * 2 * noise
      for (let part = 0; part < 3; part++) {
        const seen = covered ? skin[part]! : isOn ? sheet.data[from + part]! : table[part]! * grain
        data[at + part] = seen * bright + off
      }
      data[at + 3] = 255
    }
  }
  return { data, width, height }
}
