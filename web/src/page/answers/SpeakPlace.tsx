import type { Printed } from '@hand-back/core'
import { Square } from 'lucide-react'
import { useStore } from 'zustand'
import { SpeakSign } from '../strip/signs.ts'
import type { View } from '../view/view.ts'
import { sayLength } from '../voice/sayLength.ts'
import type { Speaking } from '../voice/speaking.ts'
import { PlaceButton } from './PlaceButton.tsx'

interface SpeakPlaceProps {
  item: Printed<'speak'>
  view: View
  speaking: Speaking
  onSpeak: () => void
}

/** A place to speak: press to begin, press to end; the note then lies in it. */
export function SpeakPlace({ item, view, speaking, onSpeak }: SpeakPlaceProps) {
  const length = useStore(speaking.state, (now) =>
    now.is === 'recording' && now.of.place === item.id ? sayLength(Math.floor(now.seconds)) : undefined,
  )
  const recording = length !== undefined
  return (
    <PlaceButton
      item={item}
      view={view}
      busy={recording}
      aria-label={recording ? `Stop ${length}` : item.label || 'Speak here'}
      onClick={recording ? () => speaking.stop() : onSpeak}
    >
      {recording ? <Square size={18} aria-hidden="true" /> : <SpeakSign size={20} aria-hidden="true" />}
      {recording && <span className="tabular">{length}</span>}
    </PlaceButton>
  )
}
