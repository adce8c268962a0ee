import { CALLS, type Item, type VoiceNote } from '@hand-back/core'
import { putBytes, urlOf } from '../../api/ask.ts'
import type { Attachment } from '../../page/device/keepsake.ts'
import { soundAt } from '../../page/voice/soundAt.ts'

/**
 * A note as a remark has it: its sound kept among the teacher's own, where no copy is needed to hear it, and without
 * what was drawn meanwhile. Throws `Problem`.
 */
export async function keptAloud({ talk: _talk, ...note }: VoiceNote, sound: Blob): Promise<VoiceNote> {
  const spoken = crypto.randomUUID()
  await putBytes(CALLS.keepSpoken, { spoken }, sound)
  return { ...note, recording: spoken }
}

/** What of a remark is spoken brings its sound to the copy, under a name of its own there. Throws `Problem`. */
export async function saidAgain(
  items: readonly Item[],
): Promise<{ readonly item: Item; readonly sound?: Attachment }[]> {
  return Promise.all(
    items.map(async (item) => {
      if (item.kind !== 'voice') return { item }
      const recording = crypto.randomUUID()
      const bytes = await soundAt(urlOf(CALLS.spoken, { spoken: item.recording }))
      return { item: { ...item, recording }, sound: { name: recording, bytes } }
    }),
  )
}
