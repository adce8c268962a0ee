import { z } from 'zod'
import { fromBase64 } from '../ink/base64.ts'
import { NotInk, unpackPoints } from '../ink/pack.ts'
import type { InkPoint } from '../ink/points.ts'

/** An id made by the device that made the thing: a UUID, so that sending it twice is harmless. */
export const madeId = z.uuid()

/** A colour as #rrggbb. */
export const colour = z.string().regex(/^#[0-9a-f]{6}$/)

/** The longest packed stroke taken, in base64 letters: far above the longest a hand draws. */
const MOST_INK = 900_000

/** One stroke, pen-down to pen-up. `width` in points; `points` is packed ink (ink/pack.ts) in base64. */
export const stroke = z.strictObject({
  id: madeId,
  kind: z.literal('stroke'),
  nib: z.enum(['pen', 'highlighter']),
  colour,
  width: z.number().min(0.2).max(100),
  points: z.string().max(MOST_INK),
})

/** A voice note lying at x, y (points). `recording` names its sound; `seconds` is how long it is. */
export const voiceNote = z.strictObject({
  id: madeId,
  kind: z.literal('voice'),
  x: z.number().min(-10_000).max(100_000),
  y: z.number().min(-10_000).max(100_000),
  recording: madeId,
  seconds: z.number().min(0).max(125),
})

/** Anything that people put on a page of a copy. */
export const item = z.discriminatedUnion('kind', [stroke, voiceNote])

export type Stroke = z.infer<typeof stroke>
export type VoiceNote = z.infer<typeof voiceNote>
export type Item = z.infer<typeof item>

const unpacked = new WeakMap<Stroke, readonly InkPoint[]>()

/** The points of a stroke, unpacked once for each stroke object. Ink that cannot be read gives no points. */
export function strokePoints(of: Stroke): readonly InkPoint[] {
  let points = unpacked.get(of)
  if (!points) {
    points = readInk(of.points) ?? []
    unpacked.set(of, points)
  }
  return points
}

/** Reads packed ink in base64; `undefined` when it is not ink. */
export function readInk(packed: string): InkPoint[] | undefined {
  try {
    return unpackPoints(fromBase64(packed))
  } catch (error) {
    if (error instanceof NotInk || error instanceof RangeError) return undefined
    throw error
  }
}
