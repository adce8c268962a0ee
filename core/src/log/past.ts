import { applyAll, emptyPage, type Page } from './apply.ts'
import type { KeptEvent } from './events.ts'

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
