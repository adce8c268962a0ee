import { z } from 'zod'
import { plainText } from '../words/plainText.ts'
import { MOST_LETTERS } from './lettering.ts'
import { madeId } from './lying.ts'

/** What was answered at an answer place, or the values that a student slid on a plot, by parameter. */
export const answerValue = z.union([
  z.strictObject({ text: plainText().max(MOST_LETTERS) }),
  z.strictObject({ options: z.array(madeId).max(30) }),
  z.strictObject({ slid: z.record(z.string().regex(/^[a-z]$/), z.number().min(-1e6).max(1e6)) }),
])
export type AnswerValue = z.infer<typeof answerValue>

export const textOf = (value: AnswerValue | undefined): string => (value && 'text' in value ? value.text : '')
export const optionsOf = (value: AnswerValue | undefined): readonly string[] =>
  value && 'options' in value ? value.options : []
export const slidOf = (value: AnswerValue | undefined): Readonly<Record<string, number>> =>
  value && 'slid' in value ? value.slid : {}
