import { z } from 'zod'
import { fromBase64 } from './base64.ts'
import { NotInk, unpackPoints } from './pack.ts'
import type { InkPoint } from './points.ts'
import * as similarity from './similarity.ts'

/** An id made by the device that made the thing: a UUID, so that sending it twice is harmless. */
export const madeId = z.uuid()

/** A colour as #rrggbb. */
export const colour = z.string().regex(/^#[0-9a-f]{6}$/)

/**
 * What drew a stroke: a `pencil` leaves the paper's grain and is broader the flatter it lies, a `pen` answers
 * a little to pressure, a `felt tip` is round and even, a `highlighter` flat, wide and see-through, a
 * `paintbrush` answers clearly to pressure and speed.
 */
export const nib = z.enum(['pencil', 'pen', 'felt tip', 'highlighter', 'paintbrush'])
export type Nib = z.infer<typeof nib>
export const NIBS = nib.options

/** Whether ink lets what is under it shine through: it is multiplied with it, and lies under all other ink. */
export const shinesThrough = (of: { readonly nib: Nib }): boolean => of.nib === 'highlighter'

/** Whether the grain of the paper shows in it (ink/grain.ts). */
export const isGrainy = (of: { readonly nib: Nib }): boolean => of.nib === 'pencil'

/** Whether it gets broader the flatter its pen is held. */
export const leans = (of: { readonly nib: Nib }): boolean => of.nib === 'pencil' || of.nib === 'paintbrush'

/** The longest packed stroke taken, in base64 letters: far above the longest a hand draws. */
const MOST_INK = 900_000

/**
 * One stroke, pen-down to pen-up. `width` in points; `points` is packed ink (ink/pack.ts) in base64.
 * `lies` says where it was moved to since it was drawn; left out: nowhere.
 */
export const stroke = z.strictObject({
  id: madeId,
  kind: z.literal('stroke'),
  nib,
  colour,
  width: z.number().min(0.02).max(2000),
  points: z.string().max(MOST_INK),
  lies: similarity.schema.optional(),
})
export type Stroke = z.infer<typeof stroke>

const unpacked = new WeakMap<Stroke, readonly InkPoint[]>()

/** The points of a stroke where it lies now, unpacked once for each stroke object. Ink that cannot be read gives no points. */
export function strokePoints(of: Stroke): readonly InkPoint[] {
  let points = unpacked.get(of)
  if (!points) {
    points = readInk(of.points) ?? []
    const { lies } = of
    if (lies) points = points.map((point) => similarity.apply(point, lies))
    unpacked.set(of, points)
  }
  return points
}

/** The width of a stroke as it lies now, in points. */
export const strokeWidth = ({ width, lies }: Stroke): number =>
  lies ? width * similarity.scaleOf(lies) : width

/** Reads packed ink in base64; `undefined` when it is not ink. */
export function readInk(packed: string): InkPoint[] | undefined {
  try {
    return unpackPoints(fromBase64(packed))
  } catch (error) {
    if (error instanceof NotInk || error instanceof RangeError) return undefined
    throw error
  }
}
