import {
  type Criterion,
  MOST_CRITERIA,
  MOST_LEVELS,
  type Rubric,
  readMarks,
  rubric as rubricSchema,
  sayMarks,
} from '@hand-back/core'
import { Plus, X } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../ui/Button.tsx'
import { Field, INPUT } from '../../ui/Field.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { GoesOn } from '../GoesOn.tsx'
import { useDraft } from '../useDraft.ts'
import {
  addCriterion,
  addLevel,
  changeCriterion,
  missing,
  put,
  rubricDraft,
  takeCriterion,
  takeLevel,
} from './rubricEdits.ts'

interface RubricEditorProps {
  rubric: Rubric
  problem: string | undefined
  busy: boolean
  /** Keeps it; `done` when it is kept. */
  onKeep: (rubric: Rubric, done: () => void) => void
  /** Chooses another one. */
  onOthers: () => void
  /** Takes it off. */
  onNone: (() => void) | undefined
}

/** A rubric as a table: levels across, criteria down, in each cell words and marks. */
export function RubricEditor({ rubric: given, problem, busy, onKeep, onOthers, onNone }: RubricEditorProps) {
  const draft = useDraft(`rubric ${given.name}`, rubricDraft, () => given)
  const rubric: Rubric = draft.value
  const setRubric = (to: Rubric) => draft.change(() => to)
  const lacks = missing(rubric)
  const { levels, criteria } = rubric
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={(event) => {
        event.preventDefault()
        if (!lacks) onKeep(rubricSchema.parse(rubric), draft.done)
      }}
    >
      <GoesOn draft={draft} />
      <Field
        label="Name"
        maxLength={80}
        placeholder="A report, a poem, a talk …"
        value={rubric.name}
        onChange={(event) => setRubric({ ...rubric, name: event.target.value })}
      />
      <div className="overflow-x-auto">
        <table className="w-full border-collapse">
          <thead>
            <tr>
              <th className="w-44 p-1 text-left font-semibold">Criterion</th>
              {levels.map((name, at) => (
                <th key={at} className="min-w-36 p-1">
                  <span className="flex items-center gap-1">
                    <input
                      aria-label={`Name of level ${at + 1}`}
                      maxLength={40}
                      value={name}
                      onChange={(event) =>
                        setRubric({ ...rubric, levels: put(levels, at, event.target.value) })
                      }
                      className={`${INPUT} min-w-0 font-semibold`}
                    />
                    {levels.length > 2 && (
                      <IconButton
                        icon={X}
                        label={`Remove level ${at + 1}`}
                        onClick={() => setRubric(takeLevel(rubric, at))}
                      />
                    )}
                  </span>
                </th>
              ))}
              <th className="w-11 p-1">
                {levels.length < MOST_LEVELS && (
                  <IconButton icon={Plus} label="Another level" onClick={() => setRubric(addLevel(rubric))} />
                )}
              </th>
            </tr>
          </thead>
          <tbody>
            {criteria.map((criterion, index) => (
              <CriterionRow
                key={criterion.id}
                criterion={criterion}
                number={index + 1}
                levels={levels}
                onChange={(to) => setRubric(changeCriterion(rubric, criterion.id, () => to))}
                onTake={
                  criteria.length > 1 ? () => setRubric(takeCriterion(rubric, criterion.id)) : undefined
                }
              />
            ))}
          </tbody>
        </table>
      </div>
      {criteria.length < MOST_CRITERIA && (
        <Button className="self-start" onClick={() => setRubric(addCriterion(rubric))}>
          <Plus size={17} aria-hidden="true" /> Another criterion
        </Button>
      )}
      {problem && (
        <p role="alert" className="text-madder">
          {problem}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button look="main" type="submit" disabled={lacks !== undefined || busy}>
          Use this rubric
        </Button>
        <Button onClick={onOthers}>Other rubrics</Button>
        {onNone && (
          <Button look="quiet" onClick={onNone}>
            No rubric
          </Button>
        )}
        {lacks && <p className="text-ink-soft">{lacks}</p>}
      </div>
    </form>
  )
}

interface CriterionRowProps {
  criterion: Criterion
  number: number
  levels: readonly string[]
  onChange: (criterion: Criterion) => void
  onTake: (() => void) | undefined
}

function CriterionRow({ criterion, number, levels, onChange, onTake }: CriterionRowProps) {
  const { label, cells } = criterion
  const set = (at: number, to: Partial<Criterion['cells'][number]>) =>
    onChange({ ...criterion, cells: put(cells, at, { ...cells[at]!, ...to }) })
  const nameOf = (at: number) => `${label || `criterion ${number}`}, ${levels[at] || `level ${at + 1}`}`
  return (
    <tr className="align-top">
      <td className="p-1">
        <textarea
          aria-label={`Criterion ${number}`}
          rows={3}
          maxLength={60}
          value={label}
          onChange={(event) => onChange({ ...criterion, label: event.target.value.replace(/\n/g, ' ') })}
          className={`${INPUT} resize-none font-semibold`}
        />
      </td>
      {cells.map(({ words, marks }, at) => (
        <td key={at} className="p-1">
          <textarea
            aria-label={`Words: ${nameOf(at)}`}
            rows={3}
            maxLength={300}
            value={words}
            onChange={(event) => set(at, { words: event.target.value })}
            className={`${INPUT} resize-none`}
          />
          <MarksField label={`Marks: ${nameOf(at)}`} marks={marks} onMarks={(to) => set(at, { marks: to })} />
        </td>
      ))}
      <td className="p-1">
        {onTake && <IconButton icon={X} label={`Remove criterion ${number}`} onClick={onTake} />}
      </td>
    </tr>
  )
}

function MarksField({
  label,
  marks,
  onMarks,
}: {
  label: string
  marks: number
  onMarks: (marks: number) => void
}) {
  const [typed, setTyped] = useState<string>()
  const read = typed === undefined || typed.trim() === '' ? 0 : readMarks(typed)
  return (
    <span className="mt-1 flex items-center gap-2">
      <input
        aria-label={label}
        inputMode="decimal"
        maxLength={7}
        aria-invalid={read === undefined}
        value={typed ?? sayMarks(marks)}
        onChange={(event) => {
          setTyped(event.target.value)
          const now = event.target.value.trim() === '' ? 0 : readMarks(event.target.value)
          if (now !== undefined) onMarks(Math.min(now, 100_000))
        }}
        onBlur={() => setTyped(undefined)}
        className={`${INPUT} tabular !w-16 text-center font-serif text-madder`}
      />
      <span className="text-ink-soft">{marks === 100 ? 'mark' : 'marks'}</span>
    </span>
  )
}
