import { z } from 'zod'
import { answerId } from '../answers/answers.ts'
import { plainText } from '../words/plainText.ts'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'

/** What a student says to a piece of feedback: that it was seen, that it is done, and in words. */
export const replyValue = z.strictObject({ done: z.boolean(), words: plainText().max(2000) })
export type ReplyValue = z.infer<typeof replyValue>

/** `to`: the first item of the piece of feedback (marks/steps.ts). That there is one at all says that it was seen. */
const schema = z.strictObject({ id: madeId, kind: z.literal('reply'), to: madeId, reply: replyValue })
export type Reply = z.infer<typeof schema>

export const reply: ItemKind<Reply> = {
  schema,
  isShared: true,
  onlyOn: 'work',
  changed: (item, { reply = item.reply }) => ({ ...item, reply }),
  asChange: ({ reply }) => ({ reply }),
}

/** The id of the reply of a copy to a piece of feedback: always the same, on whichever device it is said. */
export const replyId = (copy: string, to: string): string => answerId(copy, to)
