import { type Printed, typedArea } from '@hand-back/core'
import { useEffect, useRef, useState } from 'react'
import { familyOf, measure } from '../draw/letters.ts'
import type { View } from '../view/view.ts'
import { onScreen } from './onScreen.ts'

/**
 * What was typed becomes an answer this long after the last letter, in milliseconds, when the box is left,
 * and while one types on and on at least so often. The device keeps every letter at once.
 */
const KEEP_AFTER = 400
const AT_LEAST_EVERY = 3000

/** A box that takes what is typed. */
export function TypedBox({
  item,
  text,
  view,
  onLetter,
  onType,
}: {
  item: Printed<'typed'>
  text: string
  view: View
  onLetter: (text: string) => void
  onType: (text: string) => void
}) {
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
  const area = typedArea(item, measure)
  const shared = {
    'aria-label': item.label || 'Type your answer',
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
    onBlur: keep,
    className:
      'pointer-events-auto absolute resize-none rounded-sm border-0 bg-transparent p-0 text-ink select-text',
    style: {
      ...onScreen(view, area),
      fontFamily: familyOf('reading'),
      fontSize: item.size * view.scale,
      lineHeight: 1.35,
    },
  }
  if (item.takes === 'lines') return <textarea {...shared} />
  return (
    <input
      type="text"
      inputMode={item.takes === 'number' ? 'decimal' : 'text'}
      autoComplete="off"
      {...shared}
    />
  )
}
