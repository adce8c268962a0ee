import { z } from 'zod'
import { plainText } from '../words/plainText.ts'

/** The level of a rubric that a criterion reached: the how manieth from 0, what it was called, and its words. */
export const reachedLevel = z.strictObject({
  at: z.number().int().min(0).max(7),
  name: plainText().max(40),
  words: plainText().max(300),
})
export type ReachedLevel = z.infer<typeof reachedLevel>
