import type { Box } from '@hand-back/core'
import { Square } from 'lucide-react'
import { useStore } from 'zustand'
import { SpeakSign } from '../strip/signs.ts'
import type { View } from '../view/view.ts'
import { sayLength } from '../voice/sayLength.ts'
import type { Speaking } from '../voice/speaking.ts'
import { PlaceButton } from './PlaceButton.tsx'

interface SpeakHereProps {
  item: Box & { readonly id: string }
  view: View
  speaking: Speaking
  label: string
  onSpeak: () => void
}

/** Speaking at a place of the page: a press begins, a press ends. */
export function SpeakHere({ item, view, speaking, label, onSpeak }: SpeakHereProps) {
  const length = useStore(speaking.state, (now) =>
    now.is === 'recording' && now.of.place === item.id ? sayLength(Math.floor(now.seconds)) : undefined,
  )
  const recording = length !== undefined
  return (
    <PlaceButton
      item={item}
      view={view}
      busy={recording}
      aria-label={recording ? `Stop ${length}` : label}
      title={recording ? undefined : label}
      onClick={recording ? () => speaking.stop() : onSpeak}
    >
      {recording ? <Square size={18} aria-hidden="true" /> : <SpeakSign size={20} aria-hidden="true" />}
      {recording && <span className="tabular">{length}</span>}
    </PlaceButton>
  )
}
