import { z } from 'zod'
import { stroke } from '../ink/stroke.ts'
import { second } from '../talk/talk.ts'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'
import { replyValue } from './replyValue.ts'

/** More strokes than this are not drawn while something is said. */
export const MOST_PIN_STROKES = 200

/** A stroke that was drawn on the page while something was said aloud, and the second at which it was there. */
const ink = z.strictObject({ second, stroke })
export type PinInk = z.infer<typeof ink>

/** What somebody says: typed, aloud, or both; and what they drew meanwhile, in order. */
const said = {
  words: replyValue.shape.words,
  voice: replyValue.shape.voice,
  drawn: z.array(ink).max(MOST_PIN_STROKES).optional(),
}

type Said = Pick<z.infer<typeof replyValue>, 'words' | 'voice'>
const sounds = ({ voice }: Said) => (voice ? [voice.recording] : [])

/** Something said at a place of a page, to all who have the copy and to their teachers. */
const pinSchema = z.strictObject({
  id: madeId,
  kind: z.literal('pin'),
  x: z.number().min(-10_000).max(100_000),
  y: z.number().min(-10_000).max(100_000),
  ...said,
})
export type Pin = z.infer<typeof pinSchema>

/** An answer to what was said there. */
const answerSchema = z.strictObject({ id: madeId, kind: z.literal('pinAnswer'), to: madeId, ...said })
export type PinAnswer = z.infer<typeof answerSchema>

/** Somebody agrees with a pin, or with an answer. */
const agreedSchema = z.strictObject({ id: madeId, kind: z.literal('pinAgreed'), to: madeId })
export type PinAgreed = z.infer<typeof agreedSchema>

/** What a pin is about is done. Anybody says so, and takes it back. */
const doneSchema = z.strictObject({ id: madeId, kind: z.literal('pinDone'), to: madeId })
export type PinDone = z.infer<typeof doneSchema>

export const pin: ItemKind<Pin> = { schema: pinSchema, onlyOn: 'pins', sounds }
export const pinAnswer: ItemKind<PinAnswer> = { schema: answerSchema, onlyOn: 'pins', sounds }
export const pinAgreed: ItemKind<PinAgreed> = { schema: agreedSchema, onlyOn: 'pins' }
export const pinDone: ItemKind<PinDone> = { schema: doneSchema, onlyOn: 'pins', isShared: true }
