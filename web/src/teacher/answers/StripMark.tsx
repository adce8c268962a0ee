import { sayMarks } from '@hand-back/core'
import type { KeyboardEvent } from 'react'
import { useTypedMarks } from '../marking/useTypedMarks.ts'

interface StripMarkProps {
  /** What it is called, for those who hear it. */
  name: string
  /** All in hundredths of a mark. */
  given: number | undefined
  before?: number | undefined
  /** What the key says. */
  suggested?: number | undefined
  full: number
  step: number
  readOnly?: boolean
  onGive: (hundredths: number) => void
  onTake: () => void
  onNext: () => void
}

/** The marks of one answer, or of many at once: typed, or by keys: F gives all, K takes what the key says, arrows go by steps. */
export function StripMark(props: StripMarkProps) {
  const { name, given, before, suggested, full, step, readOnly = false, onGive, onTake, onNext } = props
  const { shown, read, tooMuch, isWrong, type, keep, give, leave } = useTypedMarks(
    given,
    full,
    onGive,
    onTake,
  )
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const { key } = event
    if (event.ctrlKey || event.metaKey || event.altKey || readOnly) return
    if (key === 'Enter') {
      if (isWrong) return
      keep()
      onNext()
    } else if (key === 'ArrowUp') give((read ?? 0) + step)
    else if (key === 'ArrowDown') give((read ?? full) - step)
    else if (key === 'f') give(full)
    else if (key === 'k' && suggested !== undefined) give(suggested)
    else if (key === 'Escape') {
      leave(event.currentTarget)
      event.currentTarget.closest<HTMLElement>('[data-strip]')?.focus()
    } else return
    event.preventDefault()
  }
  return (
    <span className="flex flex-col gap-1" onPointerDown={(event) => event.stopPropagation()}>
      <input
        aria-label={name}
        data-marks
        inputMode="decimal"
        autoComplete="off"
        readOnly={readOnly}
        value={shown}
        placeholder={before === undefined ? '' : sayMarks(before)}
        aria-invalid={isWrong}
        onFocus={({ currentTarget }) => currentTarget.select()}
        onChange={({ target }) => type(target.value)}
        onBlur={keep}
        onKeyDown={press}
        className={`h-[38px] w-[54px] rounded-tag border bg-sheet text-center font-serif text-lg font-semibold text-madder placeholder:text-ink-soft pointer-coarse:h-11 ${
          given === undefined ? 'border-dashed border-madder' : 'border-madder'
        } ${isWrong ? 'outline outline-2 outline-madder' : ''}`}
      />
      {isWrong && (
        <span role="alert" className="text-small text-madder">
          {tooMuch ? `At most ${sayMarks(full)}.` : 'A number, such as 1½.'}
        </span>
      )}
      {suggested !== undefined && !readOnly && (
        <button
          type="button"
          onClick={() => give(suggested)}
          className="rounded-tag border border-dashed border-rule px-2 py-0.5 text-small text-ink-soft hover:border-ink-soft pointer-coarse:min-h-11"
        >
          key: <b>{sayMarks(suggested)}</b>
        </button>
      )}
    </span>
  )
}
