import { z } from 'zod'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'
import { replyValue } from './replyValue.ts'

/** What somebody says: typed, aloud, or both. */
const said = { words: replyValue.shape.words, voice: replyValue.shape.voice }

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
