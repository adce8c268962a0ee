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

const place = z.number().min(-10_000).max(100_000)

/** A voice note lying at x, y (points). `recording` names its sound; `seconds` is how long it is. */
export const voiceNote = z.strictObject({
  id: madeId,
  kind: z.literal('voice'),
  x: place,
  y: place,
  recording: madeId,
  seconds: z.number().min(0).max(125),
})

/** What was answered at an answer place, or the values that a student slid on a plot, by parameter. */
export const answerValue = z.union([
  z.strictObject({ text: z.string().max(20_000) }),
  z.strictObject({ options: z.array(madeId).max(30) }),
  z.strictObject({ slid: z.record(z.string().regex(/^[a-z]$/), z.number().min(-1e6).max(1e6)) }),
])
export type AnswerValue = z.infer<typeof answerValue>

/** The answer at a printed answer place. Its id comes from copy and place (page/answers.ts), so there is one. */
export const answer = z.strictObject({
  id: madeId,
  kind: z.literal('answer'),
  place: madeId,
  value: answerValue,
})

/** Where a printed card lies now (its upper left corner), or one more card taken from a stack. */
export const movedCard = z.strictObject({
  id: madeId,
  kind: z.literal('card'),
  card: madeId,
  x: place,
  y: place,
})

/** A photo at a photo place, filling `width` by `height` points. `recording` names its bytes. */
export const photoAnswer = z.strictObject({
  id: madeId,
  kind: z.literal('photo'),
  place: madeId,
  recording: madeId,
  x: place,
  y: place,
  width: z.number().min(1).max(20_000),
  height: z.number().min(1).max(20_000),
})

/** Anything that people put on a page of a copy. */
export const item = z.discriminatedUnion('kind', [stroke, voiceNote, answer, movedCard, photoAnswer])

export type Answer = z.infer<typeof answer>
export type MovedCard = z.infer<typeof movedCard>
export type PhotoAnswer = z.infer<typeof photoAnswer>
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
