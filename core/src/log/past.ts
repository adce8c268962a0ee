import { applyAll, emptyPage, type Page } from './apply.ts'
import type { KeptEvent, PageEvent } from './events.ts'

/** The events of a copy in the order in which they came to be: by when they were kept, each layer by its own order. */
export function inOrder(events: readonly KeptEvent[]): KeptEvent[] {
  return [...events].sort((a, b) => a.keptAt - b.keptAt || a.seq - b.seq)
}

/** The pages as they were after the first `count` events of a log in order. */
export function pagesAt(events: readonly KeptEvent[], count: number): Map<string, Page> {
  return new Map([...byPage(events.slice(0, count))].map(([id, list]) => [id, applyAll(emptyPage, list)]))
}

/** Events by their pages, each in the order in which they were given. */
export function byPage<Event extends PageEvent>(events: readonly Event[]): Map<string, Event[]> {
  const pages = new Map<string, Event[]>()
  for (const event of events) {
    const list = pages.get(event.page)
    if (list) list.push(event)
    else pages.set(event.page, [event])
  }
  return pages
}
