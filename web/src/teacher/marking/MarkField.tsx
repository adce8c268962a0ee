import { type SignForm, sayMarks } from '@hand-back/core'
import type { KeyboardEvent } from 'react'
import { signOfKey } from './signKeys.ts'
import type { MarkedQuestion } from './useMarks.ts'
import { useTypedMarks } from './useTypedMarks.ts'

interface MarkFieldProps {
  of: MarkedQuestion
  readOnly: boolean
  /** An arrow key gives so much more or less, in hundredths of a mark. */
  step: number
  onGive: (hundredths: number) => void
  onTake: () => void
  /** On to the next question without marks, or the next copy. */
  onNext: () => void
  onSign: (form: SignForm) => void
  /** Chooses a remark for it. */
  onRemarks: () => void
  /** It has the focus. */
  onHand: () => void
}

/** The marks of one question: typed, or by keys: F gives all, K takes what the key says, arrows go by steps; those of signs put one at the question. */
export function MarkField({
  of,
  readOnly,
  step,
  onGive,
  onTake,
  onNext,
  onSign,
  onRemarks,
  onHand,
}: MarkFieldProps) {
  const { question, full, mark, before, look } = of
  const { shown, read, tooMuch, isWrong, type, keep, give, leave } = useTypedMarks(
    mark?.given,
    full,
    onGive,
    onTake,
  )
  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    const { key } = event
    if (event.ctrlKey || event.metaKey || event.altKey) return
    if (readOnly && key !== 'Enter' && key !== 'Escape') return
    if (key === 'Enter') {
      if (isWrong) return
      keep()
      onNext()
    } else if (key === 'ArrowUp') give((read ?? 0) + step)
    else if (key === 'ArrowDown') give((read ?? full) - step)
    else if (key === 'f') give(full)
    else if (key === 'k' && look) give(look.suggested)
    else if (key === 'r') onRemarks()
    else if (signOfKey(key)) onSign(signOfKey(key)!)
    else if (key === 'Escape') {
      leave(event.currentTarget)
    } else return
    event.preventDefault()
  }
  const { label } = question
  return (
    <div className="flex flex-col gap-1">
      <span className="flex items-center gap-2">
        <b className="min-w-[1.5ch] font-serif text-lg text-madder">{label}</b>
        <input
          aria-label={`Marks for question ${label}`}
          data-mark={question.id}
          inputMode="decimal"
          autoComplete="off"
          readOnly={readOnly}
          value={shown}
          placeholder={before ? sayMarks(before.given) : ''}
          aria-invalid={isWrong || undefined}
          onFocus={(event) => {
            event.currentTarget.select()
            onHand()
          }}
          onChange={(event) => type(event.target.value)}
          onBlur={keep}
          onKeyDown={press}
          className={`h-[38px] pointer-coarse:h-11 w-[54px] rounded-tag border bg-sheet text-center font-serif text-lg font-semibold text-madder placeholder:text-ink-soft ${
            mark ? 'border-madder' : 'border-dashed border-madder'
          } ${isWrong ? 'outline outline-2 outline-madder' : ''}`}
        />
        <span className="whitespace-nowrap text-ink-soft">of {sayMarks(full)}</span>
      </span>
      {isWrong && (
        <span role="alert" className="text-small text-madder">
          {tooMuch ? `At most ${sayMarks(full)}.` : 'A number, such as 1½.'}
        </span>
      )}
      {look && !mark && !readOnly && (
        <button
          type="button"
          onClick={() => give(look.suggested)}
          title={`${look.right} of ${look.of} right by the key`}
          aria-label={`Question ${label}: take ${sayMarks(look.suggested)}, as the key says`}
          className="self-start rounded-tag border border-dashed border-rule px-2 py-0.5 pointer-coarse:min-h-11 text-small text-ink-soft hover:border-ink-soft"
        >
          key: <b>{sayMarks(look.suggested)}</b> · {look.right}/{look.of} right
        </button>
      )}
    </div>
  )
}
