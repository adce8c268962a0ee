import {
  type FeedbackStep,
  type Heard,
  pageOf,
  type Reply,
  type ReplyValue,
  repliesIn,
  replyId,
} from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'
import type { Attachment } from '../device/keepsake.ts'

/** Says something to a piece of feedback, or something else than before; nothing but that there is a reply: it was seen. */
export function giveReply(
  store: CopyStore,
  copy: string,
  { id: to, page }: Pick<FeedbackStep, 'id' | 'page'>,
  before: Reply | undefined,
  value: Partial<ReplyValue>,
  sound?: Attachment,
): void {
  const id = replyId(copy, to)
  const sounds = sound ? [sound] : []
  if (!before) {
    store.add(page, [{ id, kind: 'reply', to, reply: { done: false, words: '', ...value } }], ...sounds)
    return
  }
  const reply = { ...before.reply, ...value }
  if (JSON.stringify(reply) === JSON.stringify(before.reply)) return
  store.act(page, { act: 'change', item: id, set: { reply }, was: { reply: before.reply } }, ...sounds)
}

/** Gives a recording as an answer to a piece of feedback, in place of what was spoken to it before. */
export function answerAloud(
  store: CopyStore,
  copy: string,
  step: Pick<FeedbackStep, 'id' | 'page'>,
  { id: recording, bytes, seconds, heard, words }: Spoken,
): void {
  const before = repliesIn([pageOf(store.view.getState().log, step.page)]).get(step.id)
  const voice = { recording, seconds, ...(heard ? { heard } : {}) }
  const said = words === '' ? { voice } : { voice, words }
  giveReply(store, copy, step, before, said, { name: recording, bytes })
}

interface Spoken {
  readonly id: string
  readonly bytes: Blob
  readonly seconds: number
  readonly heard: Heard | undefined
  readonly words: string
}
