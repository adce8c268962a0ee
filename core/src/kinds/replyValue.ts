import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { heard } from '../sound/heard.ts'
import { plainText } from '../words/plainText.ts'
import { spokenSeconds } from './spokenSeconds.ts'

/** What a student says to a piece of feedback: that it is done, in words, and aloud. */
export const replyValue = z.strictObject({
  done: z.boolean(),
  words: plainText().max(2000),
  voice: z.strictObject({ recording: madeId, seconds: spokenSeconds, heard: heard.optional() }).optional(),
})
export type ReplyValue = z.infer<typeof replyValue>
