import type { ReplyValue } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { INPUT } from '../../ui/Field.tsx'

const MOST_LETTERS = 2000

/** A student's own words about a piece of feedback: kept when one leaves the field. */
export function ReplyField({
  reply,
  onReply,
}: {
  reply: ReplyValue | undefined
  onReply: (value: Partial<ReplyValue>) => void
}) {
  const [typed, setTyped] = useState<string>()
  const words = reply?.words ?? ''
  const keep = () => {
    if (typed !== undefined) onReply({ words: typed.trim() })
    setTyped(undefined)
  }
  if (typed === undefined)
    return words === '' ? (
      <Button large onClick={() => setTyped('')}>
        Answer
      </Button>
    ) : (
      <button
        type="button"
        title="Change what you said"
        onClick={() => setTyped(words)}
        className="min-h-[44px] max-w-[22rem] min-w-0 truncate rounded-tag border border-rule bg-card px-3 text-left"
      >
        You: “{words}”
      </button>
    )
  return (
    <input
      // biome-ignore lint/a11y/noAutofocus: it was just asked for
      autoFocus
      aria-label="Your answer"
      maxLength={MOST_LETTERS}
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={keep}
      onKeyDown={({ key }) => {
        if (key === 'Enter') keep()
        if (key === 'Escape') setTyped(undefined)
      }}
      className={`${INPUT} !w-[20rem] max-phone:!w-full`}
    />
  )
}
