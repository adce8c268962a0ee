import { z } from 'zod'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'
import { replyValue } from './replyValue.ts'

/** `to`: the first item of the piece of feedback (marks/steps.ts). That there is one at all says that it was seen. */
const schema = z.strictObject({ id: madeId, kind: z.literal('reply'), to: madeId, reply: replyValue })
export type Reply = z.infer<typeof schema>

export const reply: ItemKind<Reply> = {
  schema,
  isShared: true,
  onlyOn: 'work',
  changed: (item, { reply = item.reply }) => ({ ...item, reply }),
  asChange: ({ reply }) => ({ reply }),
  sounds: ({ reply: { voice } }) => (voice ? [voice.recording] : []),
}
