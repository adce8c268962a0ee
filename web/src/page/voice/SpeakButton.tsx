import { Square } from 'lucide-react'
import { useStore } from 'zustand'
import { StripButton } from '../strip/StripButton.tsx'
import { SpeakSign } from '../strip/signs.ts'
import { sayLength } from './sayLength.ts'
import type { Speaking } from './speaking.ts'

/** Records a voice note: press to begin, press to end. */
export function SpeakButton({ speaking, onSpeak }: { speaking: Speaking; onSpeak: () => void }) {
  const length = useStore(speaking.state, (now) =>
    now.is === 'recording' ? sayLength(Math.floor(now.seconds)) : undefined,
  )
  if (length === undefined) return <StripButton icon={SpeakSign} label="Speak" onClick={onSpeak} />
  return (
    <StripButton
      icon={Square}
      label="Stop"
      count={length}
      aria-label={`Stop ${length}`}
      pressed
      onClick={() => speaking.stop()}
    />
  )
}
