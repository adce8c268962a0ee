import { type Printed, TYPED_INSTEAD, wordsArea } from '@hand-back/core'
import { PencilLine } from 'lucide-react'
import { useState } from 'react'
import { measure } from '../draw/letters.ts'
import type { View } from '../view/view.ts'
import type { Speaking } from '../voice/speaking.ts'
import { PlaceButton } from './PlaceButton.tsx'
import { SpeakHere } from './SpeakHere.tsx'
import { TypedBox } from './TypedBox.tsx'

interface SpeakPlaceProps {
  item: Printed<'speak'>
  text: string
  view: View
  speaking: Speaking
  onSpeak: () => void
  onLetter: (text: string) => void
  onType: (text: string) => void
}

/** A place to speak: press to begin, press to end; the note then lies in it. Or what one would say is typed. */
export function SpeakPlace({ item, text, view, speaking, onSpeak, onLetter, onType }: SpeakPlaceProps) {
  const [types, setTypes] = useState(false)
  const label = item.label || 'Speak here'
  return (
    <>
      {(types || text !== '') && (
        <TypedBox
          area={wordsArea(item, measure)}
          label={`${label}, in words`}
          size={TYPED_INSTEAD}
          takes="lines"
          text={text}
          view={view}
          autoFocus={types}
          onLetter={onLetter}
          onType={onType}
          onLeave={() => setTypes(false)}
        />
      )}
      <SpeakHere item={item} view={view} speaking={speaking} label={label} onSpeak={onSpeak} />
      {!types && text === '' && (
        <PlaceButton
          item={item}
          view={view}
          second
          aria-label={`${label}: type it`}
          onClick={() => setTypes(true)}
        >
          <PencilLine size={18} aria-hidden="true" />
        </PlaceButton>
      )}
    </>
  )
}
