import jsqr, { type QRCode } from 'jsqr'
import type { Point } from '../ink/points.ts'
import type { Pixels } from '../photo/pixels.ts'
import { type PageCode, readPageCode } from './pageCode.ts'

/** A code found on a sheet. */
export interface FoundCode {
  readonly code: PageCode
  /** How often the sheet must be turned right by a quarter to stand upright. */
  readonly turns: 0 | 1 | 2 | 3
  /** The middle of the code on the sheet as it lies, in pixels. */
  readonly middle: Point
}

/** A code stands in a corner of the sheet, within this part of its sides. */
const CORNER = { across: 0.34, down: 0.28 }

/**
 * Looks for a page's code in the corners of a sheet that is seen straight on. It stands at the lower right: where it is
 * found says how the sheet is turned. Nothing: there is none of ours, or it cannot be read.
 */
export function findCode(sheet: Pixels): FoundCode | undefined {
  const [wide, high] = [Math.ceil(sheet.width * CORNER.across), Math.ceil(sheet.height * CORNER.down)]
  const [right, low] = [sheet.width - wide, sheet.height - high]
  // From the corner where it should be, against the clock: a sheet turned once has it at the lower left.
  const corners = [
    { x: right, y: low, turns: 0 },
    { x: right, y: 0, turns: 1 },
    { x: 0, y: 0, turns: 2 },
    { x: 0, y: low, turns: 3 },
  ] as const
  for (const { x, y, turns } of corners) {
    const found = readQr(partOf(sheet, x, y, wide, high))
    const code = found && readPageCode(found.data)
    if (!code) continue
    const { topLeftCorner: a, bottomRightCorner: b } = found.location
    return { code, turns, middle: { x: x + (a.x + b.x) / 2, y: y + (a.y + b.y) / 2 } }
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
const readQr = ({ data, width, height }: Pixels) =>
  read(data, width, height, { inversionAttempts: 'dontInvert' })

function partOf({ data, width }: Pixels, x: number, y: number, wide: number, high: number): Pixels {
  const part = new Uint8ClampedArray(wide * high * 4)
  for (let row = 0; row < high; row++)
    part.set(data.subarray(((y + row) * width + x) * 4, ((y + row) * width + x + wide) * 4), row * wide * 4)
  return { data: part, width: wide, height: high }
}
