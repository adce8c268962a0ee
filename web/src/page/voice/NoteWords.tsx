import { useEffect, useRef, useState } from 'react'
import { INPUT } from '../../ui/Field.tsx'

interface NoteWordsProps {
  words: string
  onKeep: (words: string) => void
  onClose: () => void
}

/** The most letters of the words beside a recording. */
export const MOST_WORDS = 2000

/** What was said in words, typed beside the note: Enter or going elsewhere keeps them, Escape leaves those before. */
export function NoteWords({ words, onKeep, onClose }: NoteWordsProps) {
  const [typed, setTyped] = useState(words)
  const field = useRef<HTMLTextAreaElement>(null)
  const done = useRef(false)
  useEffect(() => field.current?.focus(), [])
  const end = (keeps: boolean) => {
    // Closing takes the focus away, which would end it once more.
    if (done.current) return
    done.current = true
    if (keeps && typed.trim() !== words) onKeep(typed.trim())
    onClose()
  }
  return (
    <textarea
      ref={field}
      aria-label="What was said, in words"
      rows={3}
      maxLength={MOST_WORDS}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => end(true)}
      onKeyDown={(event) => {
        if (event.key === 'Escape' || (event.key === 'Enter' && !event.shiftKey)) {
          event.preventDefault()
          end(event.key === 'Enter')
        }
      }}
      className={`${INPUT} pointer-events-auto mt-1 w-[260px]`}
    />
  )
}
