import { CALLS, type CopyRow, type HandoutWhole } from '@hand-back/core'
import type { ReactNode } from 'react'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { allArrived } from '../../page/device/allArrived.ts'
import type { Outbox } from '../../page/device/outbox.ts'
import { Button } from '../../ui/Button.tsx'
import { StateTag } from '../../ui/Corner.tsx'
import { sayProblem } from '../../ui/notices.ts'
import { useAct } from '../../ui/useAct.ts'
import { sayWhen } from '../../ui/when.ts'
import { bringBack, handBack } from '../handout/handBack.ts'
import { TakeAway } from '../TakeAway.tsx'
import { HandBackEarly } from './HandBackEarly.tsx'

interface MarginProps {
  handout: HandoutWhole
  row: CopyRow
  outbox: Outbox
  children: ReactNode
}

/** Beside the page while marking: whose copy, where it stands, and what to do with it. */
export function Margin({ handout, row, outbox, children }: MarginProps) {
  const { state, round, name } = row
  const first = row.shared ? name : name.split(' ')[0]!
  // Ink that came after the step would belong to the next round.
  const back = useAct(async () => {
    if (await allArrived(outbox, row.id)) await handBack(handout.id, [row.id])
  })
  const again = useAct(async () => {
    if (!(await allArrived(outbox, row.id))) return
    try {
      await ask(CALLS.anotherGo, { copy: row.id })
      await refresh(CALLS.handout, { handout: handout.id })
    } catch (error) {
      sayProblem(error)
    }
  })
  const written = handout.copies.filter((copy) => copy.state === 'handed in' && copy.markingBegan)
  return (
    <aside className="flex w-[248px] shrink-0 flex-col gap-4 overflow-y-auto border-l border-rule bg-card p-5 max-tablet:w-[176px] max-tablet:p-3.5">
      <div>
        <h2 className="text-lg leading-tight">{name}</h2>
        <p className="mt-1 flex flex-wrap items-center gap-x-3">
          <StateTag state={state} />
          {round > 1 && <span className="text-ink-soft">round {round}</span>}
        </p>
        {row.handedInAt !== null && <p className="text-ink-soft">handed in {sayWhen(row.handedInAt)}</p>}
      </div>
      <p className="border-l-[3px] border-madder pl-3 text-ink-soft">{told(row, first)}</p>
      <div className="flex flex-col gap-2">
        {state === 'handed in' && (
          <Button look="back" onClick={() => void back.run()} disabled={back.busy}>
            Hand back
          </Button>
        )}
        {(state === 'working' || state === 'another go') && (
          <HandBackEarly first={first} busy={back.busy} onHandBack={() => void back.run()} />
        )}
        {row.stateBefore !== null && (
          <Button onClick={() => void bringBack(handout.id, [row.id])}>Bring it back</Button>
        )}
        {(state === 'handed in' || state === 'handed back') && (
          <Button onClick={() => void again.run()} disabled={again.busy}>
            Ask for another go
          </Button>
        )}
        <TakeAway copy={row.id} sayAs={(name) => `Copy as ${name}`} />
      </div>
      <span className="flex-1" />
      {written.length > 1 && (
        <Button
          onClick={() =>
            void handBack(
              handout.id,
              written.map(({ id }) => id),
            )
          }
          className="w-full"
        >
          Hand back the {written.length} you wrote on
        </Button>
      )}
      {children}
    </aside>
  )
}

function told({ state, stateBefore }: CopyRow, first: string): string {
  if (stateBefore !== null) return `${first} has not read it yet: you can still bring it back.`
  if (state === 'handed back') return `${first} sees what you write here at once.`
  if (state === 'waiting') return `${first} has not opened it. You can write once it is opened.`
  return `${first} sees nothing of your ink until you hand it back.`
}
