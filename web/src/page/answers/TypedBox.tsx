import type { Box } from '@hand-back/core'
import { useEffect, useRef, useState } from 'react'
import { familyOf } from '../draw/letters.ts'
import type { View } from '../view/view.ts'
import { onScreen } from './onScreen.ts'

/**
 * What was typed becomes an answer this long after the last letter, in milliseconds, when the box is left,
 * and while one types on and on at least so often. The device keeps every letter at once.
 */
const KEEP_AFTER = 400
const AT_LEAST_EVERY = 3000

interface TypedBoxProps {
  area: Box
  /** What is asked for, for those who hear it. */
  label: string
  /** How large its letters are, in points. */
  size: number
  takes: 'line' | 'lines' | 'number'
  text: string
  view: View
  /** It has just been asked for: one types at once. */
  autoFocus?: boolean
  onLetter: (text: string) => void
  onType: (text: string) => void
  onLeave?: () => void
}

/** A box that takes what is typed. */
export function TypedBox({
  area,
  label,
  size,
  takes,
  text,
  view,
  autoFocus = false,
  onLetter,
  onType,
  onLeave,
}: TypedBoxProps) {
  const [draft, setDraft] = useState<string>()
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined)
  const latest = useRef({ draft, onType })
  latest.current = { draft, onType }
  const keptAt = useRef(0)
  const tell = () => {
    keptAt.current = Date.now()
    const { draft: typed, onType: tellAnswer } = latest.current
    if (typed !== undefined) tellAnswer(typed)
  }
  const keep = () => {
    clearTimeout(timer.current)
    tell()
    setDraft(undefined)
  }
  useEffect(() => {
    const leave = () => {
      const { draft: typed, onType: tell } = latest.current
      if (typed !== undefined) tell(typed)
    }
    addEventListener('pagehide', leave)
    return () => {
      removeEventListener('pagehide', leave)
      clearTimeout(timer.current)
      leave()
    }
  }, [])
  const shared = {
    'aria-label': label || 'Type your answer',
    autoFocus,
    'data-takes': 'typing',
    value: draft ?? text,
    maxLength: 20_000,
    spellCheck: false,
    onChange: (event: { target: { value: string } }) => {
      const { value } = event.target
      latest.current = { ...latest.current, draft: value }
      setDraft(value)
      onLetter(value)
      clearTimeout(timer.current)
      if (Date.now() - keptAt.current > AT_LEAST_EVERY) tell()
      timer.current = setTimeout(keep, KEEP_AFTER)
    },
    onFocus: () => {
      keptAt.current = Date.now()
    },
    onBlur: () => {
      keep()
      onLeave?.()
    },
    className:
      'pointer-events-auto absolute resize-none rounded-sm border-0 bg-transparent p-0 text-ink select-text',
    style: {
      ...onScreen(view, area),
      fontFamily: familyOf('reading'),
      fontSize: size * view.scale,
      lineHeight: 1.35,
    },
  }
  if (takes === 'lines') return <textarea {...shared} />
  return (
    <input type="text" inputMode={takes === 'number' ? 'decimal' : 'text'} autoComplete="off" {...shared} />
  )
}
