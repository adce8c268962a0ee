import {
  align,
  around,
  type Box,
  distribute,
  gridSteps,
  mm,
  type PrintedItem,
  type Side,
  sameSize,
} from '@hand-back/core'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
} from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../../ui/Button.tsx'
import { putCopies } from '../clipboard.ts'
import { usePreparing } from '../context.ts'
import { PlaceRows, Small } from './PlaceRows.tsx'
import { NumberRow, PanelTitle } from './rows.tsx'

const SIDES: readonly (readonly [Side, string, typeof AlignStartVertical])[] = [
  ['left', 'Line up at the left', AlignStartVertical],
  ['centre', 'Line up in the middle, one under another', AlignCenterVertical],
  ['right', 'Line up at the right', AlignEndVertical],
  ['top', 'Line up at the top', AlignStartHorizontal],
  ['middle', 'Line up in the middle, side by side', AlignCenterHorizontal],
  ['bottom', 'Line up at the bottom', AlignEndHorizontal],
]

/** Several things: lined up, spaced, made the same size, repeated. */
export function ManyPanel({ picked }: { picked: readonly PrintedItem[] }) {
  const { store } = usePreparing()
  const free = picked.filter(({ locked }) => !locked)
  const arrange = (to: (items: readonly PrintedItem[]) => readonly (Box & { id: string })[]) => {
    const boxes = new Map(to(free).map((box) => [box.id, box]))
    store.changeItems(new Set(boxes.keys()), (item) => {
      const { x, y, width, height } = boxes.get(item.id)!
      return { ...item, x, y, width, height }
    })
  }
  return (
    <div className="flex flex-col gap-3">
      <PanelTitle>{picked.length} things</PanelTitle>
      <div className="grid grid-cols-6 gap-1">
        {SIDES.map(([side, label, Icon]) => (
          <Small key={side} label={label} onClick={() => arrange((items) => align(items, side))}>
            <Icon size={18} aria-hidden="true" />
          </Small>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-1">
        <Button disabled={free.length < 3} onClick={() => arrange((items) => distribute(items, 'across'))}>
          Space across
        </Button>
        <Button disabled={free.length < 3} onClick={() => arrange((items) => distribute(items, 'down'))}>
          Space down
        </Button>
        <Button onClick={() => arrange((items) => sameSize(items, 'width'))}>Same width</Button>
        <Button onClick={() => arrange((items) => sameSize(items, 'height'))}>Same height</Button>
      </div>
      <Repeat items={picked} />
      <PlaceRows items={picked} />
    </div>
  )
}

/** The same again in a row or grid: one beside every graph. */
export function Repeat({ items }: { items: readonly PrintedItem[] }) {
  const { store } = usePreparing()
  const [across, setAcross] = useState(1)
  const [down, setDown] = useState(4)
  const [gapAcross, setGapAcross] = useState(5)
  const [gapDown, setGapDown] = useState(5)
  const repeat = () => {
    const steps = gridSteps(around(items), across, down, { x: mm(gapAcross), y: mm(gapDown) })
    const { keys } = store.view.getState().sheet
    const ids = items.map(({ id }) => id)
    putCopies(store, items, keys, steps)
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
