import {
  boundsOfItem,
  boxOfBounds,
  grownFor,
  middle,
  type Placed,
  type Shift,
  type Stroke,
  shiftOf,
  similarity,
  strokePoints,
  type Table,
  type Thing,
} from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'

type LaidTable = Extract<Thing, { kind: 'table' }>

/** A table's columns and rows change with what lies in them: it takes its new form, and what lies behind goes along. One act: undone, all is as before. */
export function changeTable(
  store: CopyStore,
  page: string,
  placed: readonly Placed[],
  before: LaidTable,
  after: LaidTable,
  shifts: readonly Shift[],
): void {
  const ways = new Map<string, string[]>()
  for (const { item } of placed) {
    if (item.id === before.id) continue
    const { dx, dy } = shiftOf(before as Table, shifts, middle(boxOfBounds(boundsOfItem(item))))
    if (dx === 0 && dy === 0) continue
    const way = `${dx} ${dy}`
    ways.set(way, [...(ways.get(way) ?? []), item.id])
  }
  store.together(() => {
    store.act(page, { act: 'change', item: before.id, set: { thing: after }, was: { thing: before } })
    for (const [way, items] of ways) {
      const [dx = 0, dy = 0] = way.split(' ').map(Number)
      store.act(page, { act: 'move', items, by: similarity.translation(dx, dy) })
    }
  })
}

/** Makes room for a stroke that was just drawn in a level table, where it reaches over the line of its cell. */
export function growForInk(store: CopyStore, page: string, placed: readonly Placed[], stroke: Stroke): void {
  const [began] = strokePoints(stroke)
  if (!began) return
  for (const { item } of placed) {
    if (item.kind !== 'table' || item.turn !== 0) continue
    const grown = grownFor(item, began, boundsOfItem(stroke))
    if (!grown) continue
    // The stroke itself stays where it was written: it begins before the line that moves.
    const others = placed.filter((each) => each.item.id !== stroke.id)
    changeTable(store, page, others, item, grown.table, grown.shifts)
    return
  }
}
