import jsqr, { type QRCode } from 'jsqr'
import { type Corners, homography, mapped } from '../photo/homography.ts'
import { cornersOf, greyOf, type Pixels } from '../photo/pixels.ts'
import { type PageCode, readPageCode } from './pageCode.ts'

/** A code found in a picture. */
export interface FoundCode {
  readonly code: PageCode
  /** Where its corners lie, in pixels: those that are printed at the upper left, upper right, lower right, lower left. */
  readonly at: Corners
}

/** A code stands in a corner of the sheet, within this part of its sides. */
const CORNER = { across: 0.34, down: 0.28 }

/**
 * Looks for a page's code in the corners of a sheet that is seen straight on, whichever way it lies. Nothing: there is
 * none of ours, or it cannot be read.
 */
export function findCode(sheet: Pixels): FoundCode | undefined {
  const [wide, high] = [Math.ceil(sheet.width * CORNER.across), Math.ceil(sheet.height * CORNER.down)]
  const [right, low] = [sheet.width - wide, sheet.height - high]
  // From the corner where it should be.
  const corners = [
    { x: right, y: low },
    { x: right, y: 0 },
    { x: 0, y: 0 },
    { x: 0, y: low },
  ]
  for (const { x, y } of corners) {
    const found = codeIn(partOf(sheet, x, y, wide, high))
    if (found) return shifted(found, x, y)
  }
  return undefined
}

/** Pictures in which a code is looked for anywhere are so large at their longer side: large dots, then small ones. */
const ANYWHERE = [1400, 2600]

/** Looks for a page's code anywhere in a picture. */
export function findCodeAnywhere(picture: Pixels): FoundCode | undefined {
  for (const side of ANYWHERE) {
    const grey = greyOf(picture, side)
    const data = new Uint8ClampedArray(grey.data.length * 4).fill(255)
    for (let at = 0; at < grey.data.length; at++) data.fill(grey.data[at]!, at * 4, at * 4 + 3)
    const found = codeIn({ data, width: grey.width, height: grey.height })
    if (found) return scaled(found, picture.width / grey.width, picture.height / grey.height)
    if (grey.width === picture.width) return undefined
  }
  return undefined
}

type Read = (
  data: Uint8ClampedArray,
  width: number,
  height: number,
  options: { inversionAttempts: 'dontInvert' },
) => QRCode | null

/** A CommonJS module: bundled, its function is what is imported; in Node it is the default of that. */
const read = ((jsqr as unknown as { default?: Read }).default ?? jsqr) as Read

function codeIn({ data, width, height }: Pixels): FoundCode | undefined {
  const found = read(data, width, height, { inversionAttempts: 'dontInvert' })
  const code = found && readPageCode(found.data)
  if (!code) return undefined
  const { topLeftCorner, topRightCorner, bottomRightCorner, bottomLeftCorner } = found.location
  return { code, at: [topLeftCorner, topRightCorner, bottomRightCorner, bottomLeftCorner] }
}

const shifted = (found: FoundCode, dx: number, dy: number): FoundCode => ({
  ...found,
  at: found.at.map(({ x, y }) => ({ x: x + dx, y: y + dy })) as unknown as Corners,
})

const scaled = (found: FoundCode, sx: number, sy: number): FoundCode => ({
  ...found,
  at: found.at.map(({ x, y }) => ({ x: x * sx, y: y * sy })) as unknown as Corners,
})

/** The same code where it lies in the photo from which a sheet was straightened between `corners`. */
export function codeInPhoto(found: FoundCode, sheet: Pixels, corners: Corners): FoundCode {
  const back = homography(cornersOf(sheet), corners)!
  return { ...found, at: found.at.map((at) => mapped(back, at)) as unknown as Corners }
}

function partOf({ data, width }: Pixels, x: number, y: number, wide: number, high: number): Pixels {
  const part = new Uint8ClampedArray(wide * high * 4)
  for (let row = 0; row < high; row++)
    part.set(data.subarray(((y + row) * width + x) * 4, ((y + row) * width + x + wide) * 4), row * wide * 4)
  return { data: part, width: wide, height: high }
}
