import { answerId } from '../answers/answers.ts'
import type { Item } from '../kinds/items.ts'
import type { Page } from '../log/apply.ts'
import { placedOn } from '../log/apply.ts'
import type { OnPage } from '../marks/giving.ts'
import { laidRemark, placeForRemark } from '../marks/remarks.ts'
import type { Box } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { HeapRemark } from './heaps.ts'

/** The id that an item of a heap's remark has on a copy in a round: always the same, so that nobody is told twice. */
const idOn = (copy: string, heap: string, round: number, item: string): string =>
  answerId(answerId(answerId(copy, heap), item), `00000000-0000-4000-8000-${String(round).padStart(12, '0')}`)

/**
 * What lays a heap's remark on a copy that comes into it: on the page of the question's first area, where it lies free.
 * Nothing where all of it lies there. What was taken away when the copy left the heap is brought back.
 */
export function givingRemark(
  remark: HeapRemark,
  of: { readonly copy: string; readonly heap: string; readonly round: number },
  on: { readonly page: WorksheetPage; readonly area: Box; readonly now: Page },
  work: readonly Item[],
  feedback: readonly Item[],
): OnPage[] {
  const ids = remark.items.map(({ id }) => idOn(of.copy, of.heap, of.round, id))
  const there = ids.map((id) => placedOn(on.now, 'feedback', id))
  const gone = ids.filter((_id, at) => there[at]?.taken)
  if (gone.length > 0) return [{ page: on.page.id, act: { act: 'bring', items: gone } }]
  if (there.every((placed) => placed !== undefined)) return []
  const at = placeForRemark(remark, on.area, work, feedback)
  let next = 0
  const items = laidRemark(remark, at, on.page, () => ids[next++]!)
  return [{ page: on.page.id, act: { act: 'add', items } }]
}

/** What takes a heap's remark from a copy that leaves it; nothing where it does not lie there. */
export function takingRemark(
  remark: HeapRemark,
  of: { readonly copy: string; readonly heap: string; readonly round: number },
  page: string,
  now: Page,
): OnPage[] {
  const items = remark.items
    .map(({ id }) => idOn(of.copy, of.heap, of.round, id))
    .filter((id) => placedOn(now, 'feedback', id)?.taken === false)
  return items.length > 0 ? [{ page, act: { act: 'take', items } }] : []
}
