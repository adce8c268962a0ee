import { type BookColumn, sayMarks } from '@hand-back/core'
import { Pencil } from 'lucide-react'
import { Link } from 'react-router'
import { useTypedMarks } from '../marking/useTypedMarks.ts'
import { weigh } from './bookActs.ts'

interface BookHeadProps {
  classId: string
  column: BookColumn
  onChange: () => void
}

/** The most that a column weighs, in hundredths. */
const MOST_WEIGHT = 10_000

/** What stands under the title of a column: where it leads, of how many marks it is, and how often it counts. */
export function BookHead({ classId, column, onChange }: BookHeadProps) {
  const { id, from, title, full, weight, namesHidden } = column
  return (
    <span className="mb-1 flex flex-col items-start font-normal">
      <span className="text-ink-soft">of {sayMarks(full)}</span>
      {from === 'handout' ? (
        <Link
          to={`/handout/${id}?show=marks`}
          aria-label={`${title} by question`}
          className="py-1 text-small font-semibold text-verdigris underline underline-offset-4"
        >
          by question
        </Link>
      ) : (
        <button
          type="button"
          onClick={onChange}
          aria-label={`Change ${title}`}
          className="inline-flex items-center gap-1 py-1 text-small font-semibold text-verdigris underline underline-offset-4"
        >
          <Pencil size={13} aria-hidden="true" /> elsewhere
        </button>
      )}
      {namesHidden && <span className="text-small text-ochre">names hidden</span>}
      <Weight key={weight} name={title} weight={weight} onWeigh={(to) => void weigh(classId, column, to)} />
    </span>
  )
}

function Weight({ name, weight, onWeigh }: { name: string; weight: number; onWeigh: (to: number) => void }) {
  const { shown, isWrong, type, keep, leave } = useTypedMarks(weight, MOST_WEIGHT, onWeigh, () => onWeigh(0))
  return (
    <label className={`flex items-center gap-1 text-small ${weight === 0 ? 'text-ochre' : 'text-ink-soft'}`}>
      counts
      <input
        aria-label={`${name} counts so many times`}
        inputMode="decimal"
        autoComplete="off"
        value={shown}
        aria-invalid={isWrong || undefined}
        onFocus={({ currentTarget }) => currentTarget.select()}
        onChange={({ target }) => type(target.value)}
        onBlur={keep}
        onKeyDown={({ key, currentTarget }) => {
          if (key === 'Enter') currentTarget.blur()
          if (key === 'Escape') leave(currentTarget)
        }}
        className={`h-[26px] w-[38px] rounded-tag border bg-sheet text-center tabular text-ink pointer-coarse:h-11 ${isWrong ? 'border-madder' : 'border-rule hover:border-ink-soft'}`}
      />
      ×
    </label>
  )
}
