import type { Item } from '../kinds/items.ts'
import { inSight, type Page } from './apply.ts'
import type { KeptEvent } from './events.ts'
import { pagesAt } from './past.ts'

/**
 * Where in a log in order (`inOrder`) the students' work of each round was done: after `count` of its events. A round
 * in which nothing was done is left out.
 */
export function roundEnds(events: readonly KeptEvent[]): { round: number; count: number }[] {
  const ends = new Map<number, number>()
  for (const [index, { layer, round }] of events.entries()) if (layer === 'work') ends.set(round, index + 1)
  return [...ends].map(([round, count]) => ({ round, count })).sort((a, b) => a.round - b.round)
}

/** The students' work on each page as it was handed in in a round, whatever was done later; `events` in order. */
export function asHandedIn(events: readonly KeptEvent[], round: number): Map<string, Page> {
  const then = events.filter((event) => event.layer === 'work' && event.round <= round)
  return pagesAt(then, then.length)
}

/** What is other on a page than it was. */
export interface Difference {
  /** What was put there since, or changed: as it is now. */
  readonly fresh: readonly Item[]
  /** What was taken away since, as it was. */
  readonly gone: readonly Item[]
}

/** What students changed on a page, between two states of it. What was moved or answered otherwise is fresh. */
export function differenceOf(before: Page, now: Page): Difference {
  const was = workOn(before)
  const is = workOn(now)
  return {
    fresh: [...is.values()].filter((item) => !isSame(was.get(item.id), item)),
    gone: [...was.values()].filter(({ id }) => !is.has(id)),
  }
}

/** What students made, but for what they said to feedback. */
function workOn(page: Page): Map<string, Item> {
  const work = inSight(page).filter(({ layer, item }) => layer === 'work' && item.kind !== 'reply')
  return new Map(work.map(({ item }) => [item.id, item]))
}

const isSame = (a: Item | undefined, b: Item): boolean =>
  a !== undefined && JSON.stringify(a) === JSON.stringify(b)
