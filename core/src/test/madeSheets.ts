import type { Point } from '../ink/points.ts'
import type { PageCode } from '../paperCode/pageCode.ts'
import { type Corners, homography, mapped } from '../photo/homography.ts'
import { cornersOf, type Pixels } from '../photo/pixels.ts'
import { paintCode } from './paintedCode.ts'
import { photographed } from './photographed.ts'
import { Picture } from './pictureOf.ts'

/** A4, in points. */
export const A4 = { width: 595.28, height: 841.89 }

/** What is printed on a made-up page. */
export type Print = 'words' | 'table' | 'squared' | 'figure' | 'blank'
export const PRINTS: readonly Print[] = ['words', 'table', 'squared', 'figure', 'blank']

/** A printed page with its code, `dots` an inch; the same numbers by chance make the same page. */
export function printedPage(print: Print, code: PageCode, dots: number, chance: () => number): Picture {
  const scale = dots / 72
  const page = new Picture(Math.round(A4.width * scale), Math.round(A4.height * scale))
  const line = (places: [number, number][], width: number) =>
    page.line(
      places.map(([x, y]) => [x * scale, y * scale] as const),
      width * scale,
    )
  const words = (x: number, y: number, count: number) => {
    let at = x
    for (let letter = 0; letter < count; letter++) {
      if (chance() < 0.17) at += 5
      const [a, b, c] = [chance() * 4, chance() * 7, chance() * 4]
      line(
        [
          [at, y - b],
          [at + a, y - 7 + c],
          [at + c, y],
        ],
        0.9,
      )
      at += 6
    }
  }
  if (print !== 'blank') words(56, 70, 30)
  if (print === 'words') for (let row = 0; row < 26; row++) words(56, 110 + row * 24, 40 + chance() * 38)
  if (print === 'table') {
    for (let row = 0; row <= 12; row++)
      line(
        [
          [56, 120 + row * 46],
          [540, 120 + row * 46],
        ],
        0.8,
      )
    for (let column = 0; column <= 4; column++)
      line(
        [
          [56 + column * 121, 120],
          [56 + column * 121, 672],
        ],
        0.8,
      )
    for (let row = 0; row < 12; row++) words(64, 146 + row * 46, 8 + chance() * 8)
  }
  if (print === 'squared') {
    for (let x = 42; x < 560; x += 14.17)
      line(
        [
          [x, 100],
          [x, 740],
        ],
        0.35,
      )
    for (let y = 100; y < 745; y += 14.17)
      line(
        [
          [42, y],
          [558, y],
        ],
        0.35,
      )
    for (let row = 0; row < 4; row++) words(56, 780 + row * 12, 30)
  }
  if (print === 'figure') {
    page.arc(200 * scale, 300 * scale, 120 * scale, 1.4 * scale)
    for (let part = 0; part < 8; part++) {
      const angle = (part * Math.PI) / 4
      line(
        [
          [200, 300],
          [200 + 120 * Math.cos(angle), 300 + 120 * Math.sin(angle)],
        ],
        1,
      )
    }
    for (let row = 0; row < 3; row++) words(56, 520 + row * 80, 24 + chance() * 20)
    line(
      [
        [340, 200],
        [540, 200],
        [540, 400],
        [340, 400],
        [340, 200],
      ],
      1,
    )
  }
  paintCode(page, code, scale)
  return page
}

/** Writes over a page as with a blue pen: so many words. */
export function writeOver(page: Picture, dots: number, words: number, chance: () => number): void {
  const scale = dots / 72
  for (let word = 0; word < words; word++) {
    const [x, y] = [60 + chance() * 400, 90 + chance() * 640]
    const places: [number, number][] = []
    for (let step = 0; step < 22; step++)
      places.push([(x + step * 3.4) * scale, (y + (chance() - 0.5) * 16) * scale])
    page.line(places, 1.5 * scale, [32, 44, 140])
  }
}

/** How a made-up photo of a sheet is taken. */
export interface Taking {
  /** Turned so far, in degrees; … */
  readonly turned: number
  /** … seen so much askew: a side is shorter than the opposite one by this part of it. */
  readonly askew: number
  readonly dim: number
  readonly thumb: boolean
  /** This part of the sheet lies beyond the photo's right edge. */
  readonly cut: number
  /** It lies on a table as white as itself. */
  readonly onWhite: boolean
  readonly chance: () => number
}

/** A made-up photo, 1,500 pixels wide, and where in it the sheet's corners are. */
export function takenPhoto(sheet: Pixels, taking: Taking): { photo: Pixels; corners: Corners } {
  const { turned, askew, dim, thumb, cut, onWhite, chance } = taking
  const [width, height] = [1500, 2000]
  const [wide, high] = [1240, 1240 * Math.SQRT2]
  const square = cornersOf({ width: wide, height: high }).map(({ x, y }) => ({
    x: x - wide / 2,
    y: y - high / 2,
  }))
  const [cos, sin] = [Math.cos((turned * Math.PI) / 180), Math.sin((turned * Math.PI) / 180)]
  const far = Math.abs(cos) * high + Math.abs(sin) * wide
  const broad = Math.abs(cos) * wide + Math.abs(sin) * high
  const fit = Math.min((height * 0.95) / far, (width * 0.95) / broad)
  const corners = square.map(({ x, y }): Point => {
    const narrower = (1 - (askew * (high / 2 - y)) / high) * fit
    const [px, py] = [x * narrower, y * (1 - askew / 3) * fit]
    return {
      x: width / 2 + px * cos - py * sin + cut * wide,
      y: height / 2 + px * sin + py * cos,
    }
  }) as unknown as Corners
  const at = mapped(homography(cornersOf(sheet), corners)!, { x: sheet.width * 0.04, y: sheet.height * 0.55 })
  const photo = photographed(sheet, {
    ...{ width, height, corners, chance, noise: 7 },
    table: onWhite ? [246, 246, 244] : [112, 84, 60],
    light: [dim, Math.min(1, dim * 1.5)],
    ...(thumb ? { thumb: { at, radius: 150 } } : {}),
  })
  return { photo, corners }
}
