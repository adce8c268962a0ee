import { z } from 'zod'
import { plainText } from '../words/plainText.ts'

/** What a student says to a piece of feedback: that it is done, and in words. */
export const replyValue = z.strictObject({ done: z.boolean(), words: plainText().max(2000) })
export type ReplyValue = z.infer<typeof replyValue>
