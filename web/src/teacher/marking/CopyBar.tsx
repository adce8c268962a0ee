import type { CopyRow, CopySum, HandoutWhole } from '@hand-back/core'
import { ArrowLeft } from 'lucide-react'
import { useState } from 'react'
import { allArrived } from '../../page/device/allArrived.ts'
import type { Outbox } from '../../page/device/outbox.ts'
import { Button } from '../../ui/Button.tsx'
import { StateTag } from '../../ui/Corner.tsx'
import { IconButton } from '../../ui/IconButton.tsx'
import { useAct } from '../../ui/useAct.ts'
import { sayWhen } from '../../ui/when.ts'
import { HandBackDialog } from '../handout/HandBackDialog.tsx'
import { bringBack, goWithMarks, handBack, keepBack } from '../handout/handBack.ts'
import { TakeCopiesAway } from '../handout/TakeCopiesAway.tsx'
import { TakeAway } from '../TakeAway.tsx'
import { HandBackEarly } from './HandBackEarly.tsx'
import { useSwipe } from './useSwipe.ts'

interface CopyBarProps {
  handout: HandoutWhole
  row: CopyRow
  sums: readonly CopySum[]
  outbox: Outbox
  /** Opens the copy before, where there is one; … */
  onBefore: (() => void) | undefined
  /** … and the next. */
  onNext: (() => void) | undefined
}

/** What whoever has a copy is called in a sentence. */
export function firstOf({ namesHidden }: HandoutWhole, { name, shared }: CopyRow): string {
  if (namesHidden) return 'The student'
  return shared ? name : name.split(' ')[0]!
}

/** Over the page while marking: whose copy, where it stands, and what to do with it. A finger swipes it on to the next copy. */
export function CopyBar({ handout, row, sums, outbox, onBefore, onNext }: CopyBarProps) {
  const { state, round, name } = row
  const first = firstOf(handout, row)
  // Ink that came after the step would belong to the next round.
  const back = useAct(async () => {
    if (await allArrived(outbox, row.id))
      await handBack(handout.id, [row.id], { marks: goWithMarks(handout) })
  })
  const [asks, setAsks] = useState(false)
  const [taking, setTaking] = useState(false)
  const swipe = useSwipe(onBefore, onNext)
  return (
    <div
      {...swipe}
      className="flex shrink-0 touch-pan-y flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule bg-card px-4 py-1.5"
    >
      <IconButton
        icon={ArrowLeft}
        label="The copy before"
        title="The copy before (B)"
        onClick={onBefore}
        disabled={!onBefore}
        className="-mr-1 -ml-2"
      />
      <h2 className="text-lg leading-tight whitespace-nowrap">{name}</h2>
      <StateTag state={state} />
      {round > 1 && <span className="text-ink-soft">round {round}</span>}
      {row.handedInAt !== null && (
        <span className="text-ink-soft max-tablet:hidden">handed in {sayWhen(row.handedInAt)}</span>
      )}
      <span className="min-w-0 flex-1 truncate text-ink-soft" title={told(row, first)}>
        {told(row, first)}
      </span>
      {/* Where there is little room, a PDF is made the other way too. */}
      <span className="max-tablet:hidden">
        <TakeAway copy={row.id} sayAs={(name) => `Copy as ${name}`} />
      </span>
      <Button look="quiet" className="!px-1.5" onClick={() => setTaking(true)}>
        With a cover …
      </Button>
      {taking && (
        <TakeCopiesAway handout={handout} questions={[]} copy={row} onClose={() => setTaking(false)} />
      )}
      {(state === 'working' || state === 'another go') && (
        <HandBackEarly first={first} busy={back.busy} onHandBack={() => void back.run()} />
      )}
      {row.stateBefore !== null && (
        <Button onClick={() => void bringBack(handout.id, [row.id])}>Bring it back</Button>
      )}
      {(state === 'handed in' || state === 'handed back') && (
        <Button onClick={() => setAsks(true)}>Another go …</Button>
      )}
      {asks && (
        <HandBackDialog
          handout={handout}
          sums={sums}
          only={row}
          again
          ready={() => allArrived(outbox, row.id)}
          onClose={() => setAsks(false)}
        />
      )}
      {row.handsBackAt !== null && (
        <Button onClick={() => void keepBack(handout.id, [row.id])}>Not by itself</Button>
      )}
      {state === 'handed in' && (
        <Button look="back" onClick={() => void back.run()} disabled={back.busy}>
          Hand back
        </Button>
      )}
    </div>
  )
}

function told({ state, stateBefore, handsBackAt }: CopyRow, first: string): string {
  if (handsBackAt !== null)
    return `It goes back by itself ${sayWhen(handsBackAt)}. Until then ${first} sees nothing.`
  if (stateBefore !== null) return `${first} has not read it yet: you can still bring it back.`
  if (state === 'handed back') return `${first} sees what you write here at once.`
  if (state === 'waiting') return `${first} has not opened it. You can write once it is opened.`
  return `${first} sees nothing of your ink until you hand it back.`
}
