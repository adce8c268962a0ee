import type { Item } from '@hand-back/core'

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
