import { moveItem, type PrintedItem, sameSize, seenBox } from '@hand-back/core'
import { type Arranging, LineUp } from '../../../page/holding/LineUp.tsx'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { PlaceRows } from './PlaceRows.tsx'
import { RepeatRows } from './RepeatRows.tsx'
import { PanelTitle } from './rows.tsx'

/** Several things: lined up, spaced, made the same size, repeated. */
export function ManyPanel({ picked }: { picked: readonly PrintedItem[] }) {
  const { store } = usePreparing()
  const free = picked.filter(({ locked }) => !locked)
  const ids = new Set(free.map(({ id }) => id))
  const arrange = (to: Arranging) => {
    const seen = free.map((item) => ({ id: item.id, ...seenBox(item) }))
    const places = new Map(to(seen).map((box) => [box.id, box]))
    store.changeItems(ids, (item) => {
      const [was, now] = [seenBox(item), places.get(item.id)!]
      return moveItem(item, now.x - was.x, now.y - was.y)
    })
  }
  const alike = (which: 'width' | 'height') => {
    const [first] = sameSize(free, which)
    if (first) store.changeItems(ids, (item) => ({ ...item, [which]: first[which] }))
  }
  return (
    <div className="flex flex-col gap-3">
      <PanelTitle>{picked.length} things</PanelTitle>
      <LineUp count={free.length} onArrange={arrange} onClose={() => store.pick([])} />
      <div className="grid grid-cols-2 gap-1">
        <Button onClick={() => alike('width')}>Same width</Button>
        <Button onClick={() => alike('height')}>Same height</Button>
      </div>
      <RepeatRows items={picked} />
      <PlaceRows items={picked} />
    </div>
  )
}
