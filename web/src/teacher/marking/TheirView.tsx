import {
  type CopyWhole,
  type FeedbackStep,
  feedbackSteps,
  itemWithoutMarks,
  marksIn,
  pageOf,
  type WorksheetPage,
} from '@hand-back/core'
import { useStore } from 'zustand'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { FeedbackBar } from '../../page/work/parts.ts'
import { ShowRow } from './ShowRow.tsx'

interface TheirViewProps {
  copy: CopyWhole
  store: CopyStore
  pages: readonly WorksheetPage[]
  round: number
  /** With the marks, or as it is while they stay with the teacher. */
  marks: boolean
  onMarks: (marks: boolean) => void
  onStep: (step: FeedbackStep | undefined, turns: boolean) => void
  onKeys: (keys: KeyGroup | undefined) => void
  /** Where a sound is to be had. */
  soundUrl: (recording: string) => string
  onClose: () => void
}

const nobodyReplies = () => false

/** A last look before a copy goes back: its feedback as its student will step through it. Nothing is said to it here. */
export function TheirView({
  copy,
  store,
  pages,
  round,
  marks,
  onMarks,
  onStep,
  onKeys,
  soundUrl,
  onClose,
}: TheirViewProps) {
  const { log } = useStore(store.view)
  const asSeen = marks ? undefined : itemWithoutMarks
  const steps = feedbackSteps(pages, (id) => pageOf(log, id), copy.questions, round, asSeen)
  const hasMarks = marksIn(
    pages.map(({ id }) => pageOf(log, id)),
    (placed) => placed.round === round,
  ).size
  return (
    <>
      {hasMarks > 0 && (
        <ShowRow label="With the marks" shown={marks} onShow={onMarks}>
          {null}
        </ShowRow>
      )}
      {steps.length === 0 ? (
        <p className="shrink-0 border-b border-rule bg-sheet px-5 py-2.5">
          {copy.name} would find nothing written on it.
        </p>
      ) : (
        <FeedbackBar
          key={String(marks)}
          asSeen={asSeen}
          copy={copy}
          store={store}
          pages={pages}
          round={round}
          mayReply={nobodyReplies}
          onStep={onStep}
          onKeys={onKeys}
          soundUrl={soundUrl}
          onClose={onClose}
        />
      )}
    </>
  )
}
