import type { Printed } from '@hand-back/core'
import { Square } from 'lucide-react'
import { SpeakSign } from '../strip/signs.ts'
import type { View } from '../view/view.ts'
import type { Recorded } from '../voice/recorder.ts'
import { useRecorder } from '../voice/useRecorder.ts'
import { sayLength } from '../voice/VoiceNotes.tsx'
import { PlaceButton } from './PlaceButton.tsx'

/** A place to speak: press to begin, press to end; the note then lies in it. */
export function SpeakPlace({
  item,
  view,
  onRecorded,
}: {
  item: Printed<'speak'>
  view: View
  onRecorded: (recorded: Recorded) => void
}) {
  const { recording, seconds, begin, end } = useRecorder(onRecorded)
  return (
    <PlaceButton
      item={item}
      view={view}
      busy={recording}
      aria-label={recording ? `Stop ${sayLength(seconds)}` : item.label || 'Speak here'}
      onClick={recording ? end : begin}
    >
      {recording ? <Square size={18} aria-hidden="true" /> : <SpeakSign size={20} aria-hidden="true" />}
      {recording && <span className="tabular">{sayLength(seconds)}</span>}
    </PlaceButton>
  )
}
