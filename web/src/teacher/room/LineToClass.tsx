import { type CopyRow, MOST_LINE_LETTERS } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'
import type { Say } from './useLesson.ts'

interface LineToClassProps {
  rows: readonly CopyRow[]
  say: Say
  onDone: () => void
}

/** A line in writing, to everybody or to one. */
export function LineToClass({ rows, say, onDone }: LineToClassProps) {
  const [words, setWords] = useState('')
  const [to, setTo] = useState('')
  const send = async () => {
    if (await say({ say: 'line', words: words.trim(), ...(to === '' ? {} : { copies: [to] }) })) onDone()
  }
  return (
    <form
      aria-label="Say"
      className="grid gap-2 rounded-tag bg-blotter p-2.5"
      onSubmit={(event) => {
        event.preventDefault()
        if (words.trim() !== '') void send()
      }}
    >
      <select aria-label="To" value={to} onChange={(event) => setTo(event.target.value)} className={INPUT}>
        <option value="">to everybody</option>
        {rows.map(({ id, name }) => (
          <option key={id} value={id}>
            to {name}
          </option>
        ))}
      </select>
      <textarea
        aria-label="What you say"
        // biome-ignore lint/a11y/noAutofocus: it was opened to write in it
        autoFocus
        rows={2}
        maxLength={MOST_LINE_LETTERS}
        value={words}
        onChange={(event) => setWords(event.target.value.replace(/\n/g, ' '))}
        onKeyDown={(event) => {
          if (event.key !== 'Enter') return
          event.preventDefault()
          if (words.trim() !== '') void send()
        }}
        className={INPUT}
      />
      <Button type="submit" disabled={words.trim() === ''}>
        Send
      </Button>
    </form>
  )
}
