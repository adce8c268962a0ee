import { align, type Box, distribute, type PrintedItem, type Side, sameSize } from '@hand-back/core'
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignStartHorizontal,
  AlignStartVertical,
} from 'lucide-react'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { PlaceRows, Small } from './PlaceRows.tsx'
import { RepeatRows } from './RepeatRows.tsx'
import { PanelTitle } from './rows.tsx'

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
      <RepeatRows items={picked} />
      <PlaceRows items={picked} />
    </div>
  )
}
