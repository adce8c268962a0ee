import { perCent, type SignForm, sayMarks } from '@hand-back/core'
import type { ReactNode, RefObject } from 'react'
import { Button } from '../../ui/Button.tsx'
import { MarkField } from './MarkField.tsx'
import { Replies } from './Replies.tsx'
import type { MarkedQuestion, Marks } from './useMarks.ts'

interface MarkColumnProps {
  marks: Marks
  /** How far down the window a question begins, in CSS pixels; nothing: it is not to be seen. */
  levelOf: (of: MarkedQuestion) => number | undefined
  /** What the student is called. */
  first: string
  readOnly: boolean
  /** An arrow key gives so much more or less, in hundredths of a mark. */
  step: number
  column: RefObject<HTMLElement | null>
  /** On to the next question without marks after this one, or the next copy. */
  onNextAfter: (question: string | undefined) => void
  /** Puts a sign at a question. */
  onSign: (of: MarkedQuestion, form: SignForm) => void
  /** Chooses a remark for a question. */
  onRemarks: (of: MarkedQuestion) => void
  /** Areas of questions are being drawn on the page. */
  drawsAreas: boolean
  onDrawAreas: (draws: boolean) => void
  /** Where a sound is to be had. */
  soundUrl: (recording: string) => string
  /** A question whose field has the focus. */
  onHand: (of: MarkedQuestion) => void
  /** What is said about the whole of the copy. */
  aboutAll: ReactNode
  children: ReactNode
}

/** The least room between two fields, in CSS pixels. */
const APART = 78
/** What a student said to feedback takes as much more at most. */
const REPLIES = 76

/** The margin beside the page: the marks of its questions, level with them, and what they come to. */
export function MarkColumn(props: MarkColumnProps) {
  const { marks, levelOf, first, readOnly, column, onNextAfter, onSign, children } = props
  const { onRemarks, onHand, drawsAreas, onDrawAreas, step, aboutAll, soundUrl } = props
  const { given, full, left } = marks.sum
  const part = perCent(marks.sum)
  const looks = marks.questions.filter(({ mark, look }) => !mark && look).length
  return (
    <aside
      ref={column}
      aria-label="Marks"
      className="flex w-[212px] shrink-0 flex-col border-l border-rule bg-card max-tablet:w-[150px]"
    >
      <div className="relative min-h-0 flex-1 overflow-clip border-l-[3px] border-madder/25">
        {levels(marks.questions, levelOf).map(({ of, top }) => (
          <div key={of.question.id} className="absolute right-2 left-3 flex flex-col gap-1" style={{ top }}>
            <MarkField
              of={of}
              readOnly={readOnly}
              step={step}
              onGive={(hundredths) => marks.give(of.question, hundredths)}
              onTake={() => marks.take(of.question)}
              onNext={() => onNextAfter(of.question.id)}
              onSign={(form) => onSign(of, form)}
              onRemarks={() => onRemarks(of)}
              onHand={() => onHand(of)}
            />
            <Replies replies={of.replies} first={first} soundUrl={soundUrl} />
          </div>
        ))}
        {drawsAreas && (
          <p role="status" className="absolute inset-x-0 bottom-0 bg-card p-4 text-ink-soft">
            Draw a box around each question on the page. It is there for all copies at once.
          </p>
        )}
        {marks.questions.length === 0 && !drawsAreas && (
          <p className="p-4 text-ink-soft">No questions with marks yet.</p>
        )}
      </div>
      {aboutAll}
      <div className="flex flex-col gap-2 border-t border-rule p-3.5">
        {marks.sum.full > 0 && (
          <p>
            <b data-testid="sum" className="font-serif text-xl text-madder">
              {sayMarks(given)} of {sayMarks(full)}
            </b>{' '}
            <span className="text-ink-soft">{left === 0 && part !== undefined ? `${part} %` : ''}</span>
          </p>
        )}
        <Replies replies={marks.replies} first={first} soundUrl={soundUrl} />
        {left > 0 && (
          <button
            type="button"
            onClick={() => onNextAfter(undefined)}
            className="min-h-6 self-start font-semibold text-verdigris underline underline-offset-4 pointer-coarse:min-h-11"
          >
            {left} without marks
          </button>
        )}
        {!readOnly && (marks.questions.length === 0 || drawsAreas) && (
          <Button look={drawsAreas ? 'main' : 'plain'} onClick={() => onDrawAreas(!drawsAreas)}>
            {drawsAreas ? 'Done' : 'Draw questions'}
          </Button>
        )}
        {!readOnly && looks > 0 && <Button onClick={marks.takeLooks}>Take what the key says: {looks}</Button>}
        {children}
      </div>
    </aside>
  )
}

/** Where each field stands: level with its question, but never over the one before. */
function levels(questions: readonly MarkedQuestion[], levelOf: MarkColumnProps['levelOf']) {
  let least = Number.NEGATIVE_INFINITY
  return questions
    .flatMap((of) => {
      const level = levelOf(of)
      return level === undefined ? [] : [{ of, level }]
    })
    .sort((a, b) => a.level - b.level)
    .map(({ of, level }) => {
      const top = Math.max(least, level)
      least = top + APART + (of.replies.length > 0 ? REPLIES : 0)
      return { of, top }
    })
}
