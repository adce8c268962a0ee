import { applyAll, emptyPage, type Page } from './apply.ts'
import type { KeptEvent, PageEvent } from './events.ts'

/** The events of a copy in the order in which they came to be: by when they were kept, each layer by its own order. */
export function inOrder(events: readonly KeptEvent[]): KeptEvent[] {
  return [...events].sort((a, b) => a.keptAt - b.keptAt || a.seq - b.seq)
}

/** The pages as they were after the first `count` events of a log in order. */
export function pagesAt(events: readonly KeptEvent[], count: number): Map<string, Page> {
  const byPage = new Map<string, KeptEvent[]>()
  for (const event of events.slice(0, count)) {
    const list = byPage.get(event.page)
    if (list) list.push(event)
    else byPage.set(event.page, [event])
  }
  return new Map([...byPage].map(([id, list]) => [id, applyAll(emptyPage, list)]))
}

/**
 * What brings a page of somebody's back to how it was, as far as it is theirs: what they took away since
 * comes back, and what they put there since is taken away. Nothing when that would change nothing.
 */
export function bringBackTo(
  then: Page,
  now: Page,
  person: string,
): Pick<Extract<PageEvent, { act: 'swap' }>, 'take' | 'bring' | 'items'> | undefined {
  const seenThen = (id: string) => then.placed.get(id)?.taken === false
  const take: string[] = []
  const bring: string[] = []
  for (const [id, { author, layer, taken }] of now.placed) {
    if (author !== person || layer !== 'work' || taken !== seenThen(id)) continue
    if (taken) bring.push(id)
    else take.push(id)
  }
  return take.length + bring.length === 0 ? undefined : { take, bring, items: [] }
}
