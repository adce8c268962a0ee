import { around, gridSteps, mm, type PrintedItem, seenBox } from '@hand-back/core'
import { useState } from 'react'
import { Button } from '../../../ui/Button.tsx'
import { putCopies } from '../clipboard.ts'
import { usePreparing } from '../context.ts'
import { NumberRow } from './rows.tsx'

/** The same again in a row or grid: one beside every graph. */
export function RepeatRows({ items }: { items: readonly PrintedItem[] }) {
  const { store } = usePreparing()
  const [across, setAcross] = useState(1)
  const [down, setDown] = useState(4)
  const [gapAcross, setGapAcross] = useState(5)
  const [gapDown, setGapDown] = useState(5)
  const repeat = () => {
    const steps = gridSteps(around(items.map(seenBox)), across, down, { x: mm(gapAcross), y: mm(gapDown) })
    // What is right is another thing in every one of them.
    const ids = items.map(({ id }) => id)
    putCopies(store, items, {}, steps)
    // The first stays with its copies: what comes next is lining them all up.
    store.pick([...ids, ...store.view.getState().picked])
  }
  return (
    <details className="rounded-tag border border-rule px-2 py-1">
      <summary className="min-h-[30px] cursor-pointer py-1 font-semibold">Repeat in rows</summary>
      <div className="flex flex-col gap-1.5 py-1">
        <NumberRow
          label="Across"
          value={across}
          least={1}
          most={40}
          onChange={(n) => setAcross(Math.round(n))}
        />
        <NumberRow label="Down" value={down} least={1} most={40} onChange={(n) => setDown(Math.round(n))} />
        <NumberRow label="Gap across, mm" value={gapAcross} least={-100} most={500} onChange={setGapAcross} />
        <NumberRow label="Gap down, mm" value={gapDown} least={-100} most={500} onChange={setGapDown} />
        <Button onClick={repeat} disabled={across * down < 2}>
          Repeat
        </Button>
      </div>
    </details>
  )
}
