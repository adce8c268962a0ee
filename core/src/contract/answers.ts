import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { worksheetPage } from '../worksheet/page.ts'
import { question } from '../worksheet/sheet.ts'
import { keptEvents } from './live.ts'

/** What a copy holds for an answer: the log of the pages that the question stands on. */
export const copyAnswer = z.object({
  copy: z.uuid(),
  /** Its set of students, as in `AnswersTold.sets`. */
  set: z.string().nullable(),
  /** Those of the question's pages that it has, in their order. */
  pages: z.array(madeId),
  events: keptEvents,
})
export type CopyAnswer = z.infer<typeof copyAnswer>

/** The answers to one question in copies of a hand-out. */
export const answersTold = z.object({
  question,
  /** The pages that the question stands on, as each set of students has them. */
  sets: z.array(z.object({ set: z.string().nullable(), pages: z.array(worksheetPage) })),
  copies: z.array(copyAnswer),
})
export type AnswersTold = z.infer<typeof answersTold>

/** The most copies of which answers are told at once. */
export const MOST_ANSWERS_AT_ONCE = 100

/** Of which copies the answers are wanted, as it stands behind the address. */
export const answersAsked = z.object({
  copies: z
    .string()
    .transform((ids) => ids.split(','))
    .pipe(z.array(z.uuid()).min(1).max(MOST_ANSWERS_AT_ONCE)),
})

/** An address of answers with the copies of which they are wanted. */
export const askAnswers = (copies: readonly string[]): string => `?copies=${copies.join(',')}`
