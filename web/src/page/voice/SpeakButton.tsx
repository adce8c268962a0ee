import { MOST_VOICE_SECONDS } from '@hand-back/core'
import { Square } from 'lucide-react'
import { StripButton } from '../strip/StripButton.tsx'
import { SpeakSign } from '../strip/signs.ts'
import type { Recorded } from './recorder.ts'
import { useRecorder } from './useRecorder.ts'
import { sayLength } from './VoiceNotes.tsx'

/** Records a voice note: press to begin, press to end. */
export function SpeakButton({ onRecorded }: { onRecorded: (recorded: Recorded) => void }) {
  const { recording, seconds, begin, end } = useRecorder(onRecorded)
  if (!recording) return <StripButton icon={SpeakSign} label="Speak" onClick={begin} />
  return (
    <StripButton
      icon={Square}
      label="Stop"
      count={sayLength(seconds)}
      aria-label={`Stop ${sayLength(seconds)}`}
      pressed
      onClick={end}
      hint={`at most ${sayLength(MOST_VOICE_SECONDS)}`}
    />
  )
}
