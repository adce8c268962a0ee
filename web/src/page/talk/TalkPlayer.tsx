import {
  type CopyWhole,
  inOrder,
  type KeptEvent,
  type Person,
  talkThrough,
  type VoiceNote,
} from '@hand-back/core'
import { useMemo } from 'react'
import { Dialog } from '../../ui/Dialog.tsx'
import { Fetched } from '../../ui/Notice.tsx'
import type { CopyStore } from '../copy/copyStore.ts'
import { usePast } from '../past/usePast.ts'
import { Talk } from './Talk.tsx'
import { useReplay } from './useReplay.ts'

interface TalkPlayerProps {
  copy: CopyWhole
  store: CopyStore
  person: Person
  note: VoiceNote
  photoUrl: (name: string) => string
  onClose: () => void
}

/** A voice with what was made while it spoke: strokes, things and pages come as they came then. */
export function TalkPlayer(props: TalkPlayerProps) {
  const log = usePast(props.copy.id, props.store, props.person)
  return (
    <Dialog open onClose={props.onClose} title="Talked through" wide>
      <Fetched of={log}>{(events) => <Read {...props} events={events} />}</Fetched>
    </Dialog>
  )
}

function Read({
  events,
  copy,
  note,
  photoUrl,
}: Pick<TalkPlayerProps, 'copy' | 'note' | 'photoUrl'> & { events: readonly KeptEvent[] }) {
  const replaying = useReplay(useMemo(() => talkThrough(inOrder(events), note.id), [events, note.id]))
  const talked = { ...note, source: photoUrl(note.recording) }
  return <Talk copy={copy} talked={talked} photoUrl={photoUrl} replaying={replaying} />
}
