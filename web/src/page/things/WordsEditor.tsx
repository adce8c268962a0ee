import { DIRECTION_EDGE, directionWords, INK, MOST_LETTERS, type Thing, TONES } from '@hand-back/core'
import { useEffect, useRef } from 'react'
import { familyOf } from '../draw/letters.ts'
import type { View } from '../view/view.ts'

interface WordsEditorProps {
  thing: Thing
  view: View
  onType: (words: string) => void
  onDone: () => void
}

/** How far the words of a note stand in, in points: as they are drawn. */

/** Typing the words of a thing right where it lies. */
export function WordsEditor({ thing, view, onType, onDone }: WordsEditorProps) {
  const field = useRef<HTMLTextAreaElement>(null)
  useEffect(() => {
    const element = field.current!
    element.focus({ preventScroll: true })
    element.setSelectionRange(element.value.length, element.value.length)
  }, [])
  if (thing.kind !== 'text' && thing.kind !== 'direction') return null
  const note = thing.kind === 'direction'
  const { scale } = view
  return (
    <>
      {/* A tap anywhere else ends the typing and does nothing more. */}
      <div
        data-takes="all"
        className="pointer-events-auto absolute inset-0"
        onPointerDown={() => field.current?.blur()}
      />
      <textarea
        ref={field}
        data-takes="all"
        data-testid="words"
        aria-label={note ? 'Words of the note' : 'Words'}
        maxLength={MOST_LETTERS}
        value={thing.text}
        onChange={(event) => onType(event.target.value)}
        onBlur={onDone}
        onKeyDown={(event) => {
          event.stopPropagation()
          if (event.key === 'Escape') field.current?.blur()
        }}
        className={`pointer-events-auto absolute resize-none overflow-hidden outline outline-2 outline-verdigris ${note ? '' : 'bg-sheet/85'}`}
        style={{
          left: thing.x * scale + view.x,
          top: thing.y * scale + view.y,
          width: thing.width * scale,
          height: Math.max(thing.height, thing.size * 1.35) * scale + 2,
          ...(thing.kind === 'direction' ? noteLook(thing, scale) : { padding: 0 }),
          transform: `rotate(${thing.turn}deg)`,
          fontFamily: familyOf(thing.kind === 'text' ? thing.face : 'reading'),
          fontSize: thing.size * scale,
          lineHeight: 1.35,
          color: thing.kind === 'text' ? thing.colour : INK,
        }}
      />
    </>
  )
}

/** A note while it is typed in looks as it will be drawn: its words lie in the same place. */
function noteLook(note: Extract<Thing, { kind: 'direction' }>, scale: number) {
  const words = directionWords(note)
  const [edge, ground] = TONES[note.tone]
  return {
    background: ground,
    boxShadow: `inset ${DIRECTION_EDGE * scale}px 0 ${edge}`,
    paddingLeft: (words.x - note.x) * scale,
    paddingRight: (note.x + note.width - words.x - words.width) * scale,
    paddingTop: (words.y - note.y) * scale,
    paddingBottom: 0,
  }
}
