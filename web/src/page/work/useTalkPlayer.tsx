import type { CopyWhole, Person, VoiceNote } from '@hand-back/core'
import { type ReactNode, useState } from 'react'
import type { CopyStore } from '../copy/copyStore.ts'
import { TalkPlayer } from './parts.ts'

interface PlayedOn {
  copy: CopyWhole
  store: CopyStore
  person: Person
  photoUrl: (name: string) => string
}

/** Plays a talk-through of this copy over it, once one is to be watched. */
export function useTalkPlayer(on: PlayedOn): { watch: (note: VoiceNote) => void; player: ReactNode } {
  const [note, watch] = useState<VoiceNote>()
  return { watch, player: note && <TalkPlayer {...on} note={note} onClose={() => watch(undefined)} /> }
}
