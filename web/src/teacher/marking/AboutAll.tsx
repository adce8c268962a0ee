import { type Rubric, sayMarks } from '@hand-back/core'
import { Check, ChevronRight } from 'lucide-react'
import { type KeyboardEvent, useState } from 'react'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { TextButton } from '../../ui/TextButton.tsx'
import { changeRubric } from '../rubric/changeRubric.ts'
import { RubricDialog } from '../rubric/RubricDialog.tsx'
import { OverallWords } from './OverallWords.tsx'
import { Replies } from './Replies.tsx'
import type { MarkedCriterion, Marks } from './useMarks.ts'
import type { Overall } from './useOverall.ts'

interface AboutAllProps {
  handout: string
  rubric: Rubric | null
  marks: Marks
  overall: Overall
  /** What the student is called. */
  first: string
  soundUrl: (recording: string) => string
  readOnly: boolean
  open: boolean
  setOpen: (open: boolean) => void
  onNextAfter: (criterion: string) => void
}

/** What is said about the whole of a copy: the rubric, one press a criterion, and words. */
export function AboutAll(props: AboutAllProps) {
  const { rubric, marks, overall, readOnly, open, setOpen } = props
  if (readOnly && !rubric && overall.words === '') return null
  const left = marks.criteria.filter(({ mark }) => !mark).length
  return (
    <section
      aria-label="The whole work"
      className="flex max-h-[60%] min-h-12 flex-col gap-3 overflow-y-auto border-t border-rule px-3.5 py-1.5"
    >
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="flex min-h-9 items-center gap-1.5 text-left font-semibold pointer-coarse:min-h-11"
      >
        <ChevronRight
          size={16}
          aria-hidden="true"
          className={`shrink-0 transition-transform ${open ? 'rotate-90' : ''}`}
        />
        <span className="flex-1 truncate">{rubric?.name ?? 'The whole work'}</span>
        {rubric && left > 0 && <span className="tabular font-normal text-ink-soft">{left} left</span>}
        {left === 0 && (rubric || overall.words !== '') && (
          <Check size={16} className="text-madder" aria-label="said" />
        )}
      </button>
      {open && <Inside {...props} />}
    </section>
  )
}

/** The criteria and the field for words, and the way to the rubric itself. */
function Inside({ rubric, marks, overall, first, soundUrl, readOnly, onNextAfter, handout }: AboutAllProps) {
  const [changing, setChanging] = useState(false)
  return (
    <div className="flex flex-col gap-3 pb-2">
      {rubric &&
        marks.criteria.map((of) => (
          <Levels
            key={of.criterion.id}
            of={of}
            rubric={rubric}
            first={first}
            soundUrl={soundUrl}
            readOnly={readOnly}
            onReach={(at) => marks.reach(of.criterion, at)}
            onNext={() => onNextAfter(of.criterion.id)}
          />
        ))}
      <OverallWords key={overall.id} overall={overall} readOnly={readOnly} />
      {!readOnly && (
        <TextButton className="self-start" onClick={() => setChanging(true)}>
          {rubric ? 'Change the rubric' : 'Use a rubric'}
        </TextButton>
      )}
      {changing && (
        <RubricDialog
          rubric={rubric}
          onChoose={(to) => changeRubric(handout, to)}
          onClose={() => setChanging(false)}
        />
      )}
    </div>
  )
}

interface LevelsProps {
  of: MarkedCriterion
  rubric: Rubric
  first: string
  soundUrl: (recording: string) => string
  readOnly: boolean
  onReach: (at: number | undefined) => void
  onNext: () => void
}

/** One criterion: a press, or its number, says which level was reached; Enter goes on. */
function Levels({ of, rubric, first, soundUrl, readOnly, onReach, onNext }: LevelsProps) {
  const { criterion, mark, before, replies } = of
  const shown = mark ?? before
  const press = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const { key } = event
    const at = Number(key) - 1
    if (key === 'Enter') onNext()
    else if (!readOnly && Number.isInteger(at) && at >= 0 && at < criterion.cells.length) onReach(at)
    else if (!readOnly && (key === 'Delete' || key === 'Backspace')) onReach(undefined)
    else return
    event.preventDefault()
    event.stopPropagation()
  }
  return (
    <div onKeyDownCapture={press}>
      <p className="leading-tight font-semibold">{criterion.label}</p>
      <OneOf
        label={criterion.label}
        value={mark?.level && String(mark.level.at)}
        onChoose={(at) => !readOnly && onReach(Number(at))}
        onClear={() => !readOnly && onReach(undefined)}
        className="mt-1 flex flex-wrap gap-1"
      >
        {criterion.cells.map((cell, at) => (
          <Option
            key={at}
            value={String(at)}
            disabled={readOnly}
            {...(at === (mark?.level?.at ?? 0) ? { 'data-mark': criterion.id } : {})}
            aria-label={[rubric.levels[at], cell.words].filter(Boolean).join(': ')}
            title={[rubric.levels[at], cell.words].filter(Boolean).join(': ')}
            className="tabular min-h-9 min-w-9 flex-1 rounded-tag border border-rule bg-sheet px-1.5 font-serif font-semibold hover:border-ink-soft data-[state=on]:border-madder data-[state=on]:bg-madder data-[state=on]:text-sheet pointer-coarse:min-h-11 pointer-coarse:min-w-11"
          >
            {hasMarks(rubric) ? sayMarks(cell.marks) : at + 1}
          </Option>
        ))}
      </OneOf>
      {shown?.level && (
        <p className={`mt-1 leading-snug ${mark ? 'text-madder' : 'text-ink-soft'}`}>
          {!mark && 'Before: '}
          {shown.level.name}
        </p>
      )}
      <Replies replies={replies} first={first} soundUrl={soundUrl} />
    </div>
  )
}

/** A rubric can be without any marks: then its levels are counted. */
const hasMarks = ({ criteria }: Rubric): boolean =>
  criteria.some(({ cells }) => cells.some(({ marks }) => marks > 0))
