import { type FeedbackStep, type Reply, type ReplyValue, replyId } from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'

/** Says something to a piece of feedback, or something else than before; nothing but that there is a reply: it was seen. */
export function giveReply(
  store: CopyStore,
  copy: string,
  { id: to, page }: FeedbackStep,
  before: Reply | undefined,
  value: Partial<ReplyValue>,
): void {
  const id = replyId(copy, to)
  if (!before) {
    store.add(page, [{ id, kind: 'reply', to, reply: { done: false, words: '', ...value } }])
    return
  }
  const reply = { ...before.reply, ...value }
  if (reply.done === before.reply.done && reply.words === before.reply.words) return
  store.act(page, { act: 'change', item: id, set: { reply }, was: { reply: before.reply } })
}
