import { type CopyWhole, type FeedbackStep, feedbackSteps, pageOf, type WorksheetPage } from '@hand-back/core'
import { useStore } from 'zustand'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { FeedbackBar } from '../../page/work/parts.ts'

interface TheirViewProps {
  copy: CopyWhole
  store: CopyStore
  pages: readonly WorksheetPage[]
  round: number
  onStep: (step: FeedbackStep | undefined, turns: boolean) => void
  onKeys: (keys: KeyGroup | undefined) => void
  onClose: () => void
}

const nobodyReplies = () => false

/** A last look before a copy goes back: its feedback as its student will step through it. Nothing is said to it here. */
export function TheirView({ copy, store, pages, round, onStep, onKeys, onClose }: TheirViewProps) {
  const { log } = useStore(store.view)
  const isEmpty = feedbackSteps(pages, (id) => pageOf(log, id), copy.questions, round).length === 0
  if (isEmpty)
    return (
      <p className="shrink-0 border-b border-rule bg-sheet px-5 py-2.5">
        {copy.name} would find nothing written on it.
      </p>
    )
  return (
    <FeedbackBar
      copy={copy}
      store={store}
      pages={pages}
      round={round}
      mayReply={nobodyReplies}
      onStep={onStep}
      onKeys={onKeys}
      onClose={onClose}
    />
  )
}
