import {
  type CopyWhole,
  type FeedbackStep,
  feedbackSteps,
  type Item,
  pageOf,
  repliesIn,
  sayMarks,
  type WorksheetPage,
} from '@hand-back/core'
import { Check, MoveLeft, MoveRight, X } from 'lucide-react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useStore } from 'zustand'
import { Button } from '../../ui/Button.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import type { CopyStore } from '../copy/copyStore.ts'
import type { KeyGroup } from '../keys/keyActs.ts'
import { ListenButton } from '../voice/ListenButton.tsx'
import { giveReply } from './giveReply.ts'
import { ReplyField } from './ReplyField.tsx'
import { SpokenReply } from './SpokenReply.tsx'

interface FeedbackBarProps {
  copy: CopyWhole
  store: CopyStore
  pages: readonly WorksheetPage[]
  /** The round whose feedback one goes through. */
  round: number
  /** What of each item is seen, where not all of it is. */
  asSeen?: ((item: Item) => readonly Item[]) | undefined
  /** Whether this person may say something on a page: it is not given to others. */
  mayReply: (page: string) => boolean
  /** Frames a piece of feedback; nothing: none any more. `turns`: turns to it too. */
  onStep: (step: FeedbackStep | undefined, turns: boolean) => void
  /** What keys do while one goes through feedback. */
  onKeys: (keys: KeyGroup | undefined) => void
  /** Where a sound is to be had. */
  soundUrl: (recording: string) => string
  /** Answers a piece of feedback aloud; left out: nobody can speak here. */
  onSpeak?: ((step: FeedbackStep) => void) | undefined
  onClose: () => void
}

/** A finger goes so far across before it means the next piece, in CSS pixels. */
const SWIPE = 60

/** Going through what the teacher wrote, piece by piece: where, what it gave, and one's own answer to it. */
export function FeedbackBar(props: FeedbackBarProps) {
  const { copy, store, pages, round, asSeen, mayReply, onStep, onKeys, soundUrl, onSpeak, onClose } = props
  const { log } = useStore(store.view)
  const steps = useMemo(
    () => feedbackSteps(pages, (id) => pageOf(log, id), copy.questions, round, asSeen),
    [pages, log, copy.questions, round, asSeen],
  )
  const replies = useMemo(() => repliesIn(pages.map(({ id }) => pageOf(log, id))), [pages, log])
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      steps.findIndex(({ id }) => !replies.has(id)),
    ),
  )
  const index = Math.min(at, steps.length - 1)
  const step = steps[index]
  const shown = step?.id
  /** Whoever opens a copy again is where they were: what they saw before does not take them away. */
  const opened = useRef(false)
  // What is shown has been seen: its teacher is told.
  // biome-ignore lint/correctness/useExhaustiveDependencies: when another piece is shown
  useEffect(() => {
    const isNew = step !== undefined && mayReply(step.page) && !replies.has(step.id)
    onStep(step, isNew || opened.current)
    opened.current = true
    if (isNew) giveReply(store, copy.id, step, undefined, {})
  }, [shown])
  useEffect(() => () => onStep(undefined, false), [onStep])
  const count = steps.length
  const go = useCallback(
    (by: number) => setAt((before) => Math.min(count - 1, Math.max(0, Math.min(before, count - 1) + by))),
    [count],
  )
  useEffect(() => {
    onKeys({
      title: 'What came back',
      acts: [
        { keys: ['n', '.'], told: 'N', words: 'next piece of feedback', run: () => go(1) },
        { keys: ['b', ','], told: 'B', words: 'the one before', run: () => go(-1) },
      ],
    })
    return () => onKeys(undefined)
  }, [onKeys, go])
  const swipe = useRef<number>(undefined)
  if (!step) return null
  const reply = replies.get(step.id)
  return (
    <section
      aria-label="What came back"
      onPointerDown={(event) => {
        swipe.current = event.clientX
      }}
      onPointerUp={(event) => {
        const gone = event.clientX - (swipe.current ?? event.clientX)
        if (Math.abs(gone) > SWIPE) go(gone < 0 ? 1 : -1)
      }}
      className="flex shrink-0 touch-pan-y items-start gap-3 border-b border-rule bg-sheet px-5 py-1.5 max-phone:px-3"
    >
      <div className="flex min-w-0 flex-1 flex-wrap items-center gap-x-3 gap-y-1.5">
        <span className="flex items-center gap-2">
          <Button large onClick={() => go(-1)} disabled={index === 0} aria-label="The piece before">
            <MoveLeft size={20} aria-hidden="true" />
          </Button>
          <b aria-live="polite" className="tabular min-w-[4.5ch] text-center whitespace-nowrap">
            {index + 1} of {count}
          </b>
          <Button large onClick={() => go(1)} disabled={index === count - 1} aria-label="The next piece">
            <MoveRight size={20} aria-hidden="true" />
          </Button>
        </span>
        <p className="min-w-[9rem] flex-1">
          <StepWords step={step} questions={copy.questions} />
        </p>
        {step.voices.map((note) => (
          <ListenButton
            key={note.id}
            large
            voice={note}
            source={soundUrl(note.recording)}
            className="!text-madder"
          />
        ))}
        {mayReply(step.page) && (
          <>
            <ReplyField
              key={step.id}
              reply={reply?.reply}
              onReply={(value) => giveReply(store, copy.id, step, reply, value)}
            />
            <SpokenReply
              voice={reply?.reply.voice}
              soundUrl={soundUrl}
              onSpeak={onSpeak && (() => onSpeak(step))}
              onTake={() => giveReply(store, copy.id, step, reply, { voice: undefined })}
            />
            <Button
              large
              aria-pressed={reply?.reply.done === true}
              onClick={() => giveReply(store, copy.id, step, reply, { done: !reply?.reply.done })}
              className={reply?.reply.done ? '!border-ink !bg-ink !text-sheet' : ''}
            >
              <Check size={18} aria-hidden="true" />
              Done
            </Button>
          </>
        )}
      </div>
      <IconButton icon={X} label="Close this row" onClick={onClose} />
    </section>
  )
}

function StepWords({ step, questions }: { step: FeedbackStep; questions: CopyWhole['questions'] }) {
  const { mark, words, question } = step
  const label = mark?.label ?? questions.find(({ id }) => id === question)?.label
  return (
    <>
      {label && <b>{mark?.level ? label : `Question ${label}`}</b>}
      {mark && mark.full > 0 && (
        <b className="font-serif text-madder">
          {label && ' · '}
          {sayMarks(mark.given)} of {sayMarks(mark.full)}
        </b>
      )}
      {words && (
        <span className="whitespace-pre-line text-madder">
          {label ? ' · ' : ''}
          {words}
        </span>
      )}
      {!label && !words && (step.voices.length > 0 ? 'Spoken for you.' : 'Look at what is framed.')}
    </>
  )
}
