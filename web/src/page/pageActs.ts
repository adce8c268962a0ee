import type { Item, PageEvent } from '@hand-back/core'

/** What can be done to a page, without what every event has. */
export type PageAct = PageEvent extends infer Event
  ? Event extends PageEvent
    ? Omit<Event, 'id' | 'page' | 'layer' | 'madeAt' | 'undoes'>
    : never
  : never

/** The most letters of ink in one event: what is pasted may be more than one message can hold. */
const MOST_LETTERS = 600_000

/** Items in as many portions as messages can hold. */
export function portions(items: readonly Item[]): Item[][] {
  const all: Item[][] = [[]]
  let letters = 0
  for (const item of items) {
    letters += item.kind === 'stroke' ? item.points.length + 300 : 1000
    if (letters > MOST_LETTERS && all.at(-1)!.length > 0) {
      all.push([])
      letters = 0
    }
    all.at(-1)!.push(item)
  }
  return all
}
