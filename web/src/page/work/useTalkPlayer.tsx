import type { CopyWhole, Person, Printed, VoiceNote } from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { PrintedTalkPlayer, TalkPlayer } from './parts.ts'

interface PlayedOn {
  copy: CopyWhole
  store: CopyStore
  person: Person
  photoUrl: (name: string) => string
}

/** Plays a talk-through over a copy, once one is to be watched: of a note laid there, or of a voice printed on it. */
export function useTalkPlayer(on: PlayedOn): {
  watch: (voice: VoiceNote | Printed<'voice'>) => void
  player: ReactNode
} {
  const [voice, watch] = useState<VoiceNote | Printed<'voice'>>()
  const close = () => watch(undefined)
  if (!voice) return { watch, player: undefined }
  const player =
    'file' in voice ? (
      <PrintedTalkPlayer copy={on.copy} voice={voice} onClose={close} />
    ) : (
      <TalkPlayer {...on} note={voice} onClose={close} />
    )
  return { watch, player }
}
