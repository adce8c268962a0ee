import { z } from 'zod'
import { madeId, stroke } from '../ink/stroke.ts'
import { plainText } from '../words/plainText.ts'
import {
  printedDirection,
  printedFormula,
  printedPicture,
  printedShape,
  printedText,
} from '../worksheet/printed.ts'

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
  z.strictObject({ text: plainText().max(20_000) }),
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

/** How far a thing is turned, clockwise about its middle, in degrees. */
const turn = z.number().min(-1e6).max(1e6)
const free = { locked: true, sets: true } as const
/** What is made larger or smaller by hand may get very large or small. */
const anywhere = z.number().min(-1e6).max(1e6)
const size = z.number().min(0).max(1e6)
const lies = { x: anywhere, y: anywhere, width: size, height: size, turn }

/**
 * Things that people put on a page besides ink: the shapes that printed items have, and how far they are
 * turned. A picture's `file` is the name of its recording.
 */
export const thing = z.discriminatedUnion('kind', [
  printedText.omit(free).extend({ ...lies, size }),
  printedDirection.omit(free).extend({ ...lies, size }),
  printedFormula.omit(free).extend(lies),
  printedShape.omit(free).extend({ ...lies, line: size }),
  printedPicture.omit(free).extend({ ...lies, file: madeId }),
])
export type Thing = z.infer<typeof thing>
const THINGS: ReadonlySet<string> = new Set(['text', 'direction', 'formula', 'shape', 'picture'])

/** Whether an item is a thing: laid down freely, with a box and a turn. */
export const isThing = (item: Item): item is Thing => THINGS.has(item.kind)

/** Anything that people put on a page of a copy. */
export const item = z.discriminatedUnion('kind', [
  stroke,
  voiceNote,
  answer,
  movedCard,
  photoAnswer,
  ...thing.options,
])

export type Answer = z.infer<typeof answer>
export type MovedCard = z.infer<typeof movedCard>
export type PhotoAnswer = z.infer<typeof photoAnswer>
export type VoiceNote = z.infer<typeof voiceNote>
export type Item = z.infer<typeof item>
