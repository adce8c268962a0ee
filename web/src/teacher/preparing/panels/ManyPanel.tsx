import {
  moveItem,
  type PrintedItem,
  type Style,
  sameSize,
  seenBox,
  sharedStyle,
  styled,
} from '@hand-back/core'
import { type Arranging, LineUp } from '../../../page/holding/LineUp.tsx'
import { Button } from '../../../ui/Button.tsx'
import { usePreparing } from '../context.ts'
import { PlaceRows } from './PlaceRows.tsx'
import { RepeatRows } from './RepeatRows.tsx'
import { ColourRow, NumberRow, PanelTitle } from './rows.tsx'

/** Several things: lined up, spaced, made the same size, given the same look, repeated. */
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
  const { colour, letters, line } = sharedStyle(free)
  const look = (style: Style, field: string) =>
    store.changeItems(ids, (item) => styled(item, style), `${[...ids].join()} ${field}`)
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
      {colour.any && (
        <ColourRow
          label="Colour"
          value={colour.same ?? ''}
          onChange={(to) => look({ colour: to }, 'colour')}
        />
      )}
      {letters.any && (
        <NumberRow
          label="Letter size, pt"
          value={letters.same}
          least={4}
          most={300}
          onChange={(to) => look({ letters: to }, 'letters')}
        />
      )}
      {line.any && (
        <NumberRow
          label="Line, pt"
          value={line.same}
          least={0.25}
          most={60}
          onChange={(to) => look({ line: to }, 'line')}
        />
      )}
      <RepeatRows items={picked} />
      <PlaceRows items={picked} />
    </div>
  )
}
