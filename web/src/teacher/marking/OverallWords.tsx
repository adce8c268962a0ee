import { useEffect, useRef, useState } from 'react'
import { INPUT } from '../../ui/Field.tsx'
import type { Overall } from './useOverall.ts'

/** Words about the whole work: kept when one leaves the field. */
export function OverallWords({ overall, readOnly }: { overall: Overall; readOnly: boolean }) {
  const [typed, setTyped] = useState<string>()
  const keep = () => {
    if (typed !== undefined) overall.say(typed.trim())
    setTyped(undefined)
  }
  /** Whoever leaves the copy out of the middle of a sentence finds it again. */
  const latest = useRef(keep)
  latest.current = keep
  useEffect(() => () => latest.current(), [])
  if (readOnly)
    return overall.words === '' ? null : <p className="whitespace-pre-line text-madder">{overall.words}</p>
  return (
    <label className="flex flex-col gap-1">
      <span className="font-semibold">About the whole work</span>
      {overall.before !== '' && (
        <span className="line-clamp-3 whitespace-pre-line text-ink-soft">Before: {overall.before}</span>
      )}
      <textarea
        rows={2}
        maxLength={4000}
        value={typed ?? overall.words}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={keep}
        onKeyDown={(event) => {
          if (event.key === 'Escape') event.currentTarget.blur()
        }}
        className={`${INPUT} field-sizing-content max-h-40 text-madder`}
      />
    </label>
  )
}
