import {
  type HandoutWhole,
  type Person,
  type Question,
  type Remark,
  type RemarkKept,
  sayMarks,
} from '@hand-back/core'
import { Keyboard, Minus, MonitorUp, PencilLine, Plus, Redo2, Undo2 } from 'lucide-react'
import { useStore } from 'zustand'
import { KeptSign } from '../../page/device/KeptSign.tsx'
import { outboxOf } from '../../page/device/personOutbox.ts'
import { Button, LinkButton } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { HideNames } from '../marking/HideNames.tsx'
import { RemarkChooser } from '../marking/RemarkChooser.tsx'
import type { AnswerStore } from './answerStore.ts'
import { STRIP_ORDERS, STRIP_SIZES, type StripOrder, type StripSize } from './bundles.ts'
import { showAnswers } from './showAnswers.ts'
import type { Strip } from './strips.ts'

interface AnswersHeadProps {
  handout: HandoutWhole
  question: Question
  questions: readonly Question[]
  store: AnswerStore
  person: Person
  order: StripOrder
  size: StripSize
  /** So much of the page is seen around the area, in points. */
  more: number
  byMouse: boolean
  /** So many answers there are, and so many have no marks. */
  of: number
  left: number
  chosen: readonly Strip[]
  remarks: readonly Remark[]
  remarking: boolean
  onRemarking: (opens: boolean) => void
  onRemark: (remark: RemarkKept, isNew: boolean) => void
  /** The remarks are closed: back to the strip. */
  onClosed: () => void
  onQuestion: (question: string) => void
  onOrder: (order: StripOrder) => void
  onSize: (size: StripSize) => void
  onMore: (more: number) => void
  onByMouse: (byMouse: boolean) => void
  onKeys: () => void
}

/** An area is seen larger in steps of so much, up to so much, in points. */
const STEP = 28
const MOST = 280

/** Which question it is, what is left of it, how the answers stand, and the next. */
export function AnswersHead(props: AnswersHeadProps) {
  const { handout, question, questions, store, person, order, more, byMouse, of, left, chosen } = props
  const { canUndo, canRedo } = useStore(store.view)
  const at = questions.findIndex(({ id }) => id === question.id)
  const next = questions[at + 1]
  return (
    <header className="shrink-0 border-b border-rule bg-card">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 px-5 py-1.5 max-tablet:px-3">
        <LinkButton to={`/handout/${handout.id}`}>
          <span className="max-w-[220px] truncate max-tablet:max-w-[110px]">{handout.title}</span>
        </LinkButton>
        <h1 className="whitespace-nowrap text-xl">Question {question.label}</h1>
        <span className="whitespace-nowrap text-ink-soft">{sayMarks(question.fullMarks * 100)} marks</span>
        <span role="status" className="whitespace-nowrap font-semibold text-madder">
          {of > 0 && (left === 0 ? 'all have marks' : `${left} of ${of} without marks`)}
        </span>
        <span className="flex-1" />
        <KeptSign outbox={outboxOf(person.id)} />
        <select
          aria-label="Another question"
          value={question.id}
          onChange={({ target }) => props.onQuestion(target.value)}
          className="min-h-[38px] max-w-[120px] rounded-tag border border-rule bg-sheet px-2 pointer-coarse:min-h-11"
        >
          {questions.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
        {next ? (
          <LinkButton to={`/handout/${handout.id}/question/${next.id}`} look="main">
            Question {next.label} →
          </LinkButton>
        ) : (
          <LinkButton to={`/handout/${handout.id}/pile/first`} look="main">
            The pile →
          </LinkButton>
        )}
      </div>
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1 border-rule border-t px-5 py-1 max-tablet:px-3">
        <IconButton icon={Undo2} label="Undo (Ctrl+Z)" disabled={!canUndo} onClick={() => store.undo()} />
        <IconButton icon={Redo2} label="Redo (Ctrl+Y)" disabled={!canRedo} onClick={() => store.redo()} />
        <Button
          look="quiet"
          aria-pressed={byMouse}
          title="The mouse writes on the answers; a pen always does"
          className="aria-pressed:border-ink aria-pressed:bg-sheet"
          onClick={() => props.onByMouse(!byMouse)}
        >
          <PencilLine size={17} aria-hidden="true" /> Write
        </Button>
        <span className="w-[150px]">
          <RemarkChooser
            remarks={props.remarks}
            question={question}
            open={props.remarking}
            onOpen={props.onRemarking}
            onClosed={(event) => {
              event.preventDefault()
              props.onClosed()
            }}
            onUse={props.onRemark}
          />
        </span>
        <span className="flex-1" />
        <Choice
          label="In which order answers stand"
          value={order}
          of={STRIP_ORDERS}
          onChange={props.onOrder}
        />
        <Choice label="How large answers stand" value={props.size} of={STRIP_SIZES} onChange={props.onSize} />
        <span className="flex items-center rounded-tag border border-rule bg-sheet">
          <IconButton
            icon={Minus}
            label="See less around the answers"
            disabled={more === 0}
            onClick={() => props.onMore(Math.max(0, more - STEP))}
          />
          <span className="text-ink-soft">area</span>
          <IconButton
            icon={Plus}
            label="See more around the answers"
            disabled={more >= MOST}
            onClick={() => props.onMore(Math.min(MOST, more + STEP))}
          />
        </span>
        <Button
          disabled={chosen.length === 0}
          title="Choose answers first: they are shown at the front without names"
          onClick={() => void showAnswers(handout.id, chosen)}
        >
          <MonitorUp size={17} aria-hidden="true" />
          {chosen.length === 0 ? 'Show the class' : `Show the class: ${chosen.length}`}
        </Button>
        <HideNames handout={handout} />
        <IconButton icon={Keyboard} label="Keys (?)" size={18} onClick={props.onKeys} />
      </div>
    </header>
  )
}

interface ChoiceProps<Value extends string> {
  label: string
  value: Value
  of: Readonly<Record<Value, string>>
  onChange: (value: Value) => void
}

function Choice<Value extends string>({ label, value, of, onChange }: ChoiceProps<Value>) {
  return (
    <select
      aria-label={label}
      value={value}
      onChange={({ target }) => onChange(target.value as Value)}
      className="min-h-[38px] rounded-tag border border-rule bg-sheet px-2 text-ink pointer-coarse:min-h-11"
    >
      {Object.entries<string>(of).map(([each, words]) => (
        <option key={each} value={each}>
          {words}
        </option>
      ))}
    </select>
  )
}
