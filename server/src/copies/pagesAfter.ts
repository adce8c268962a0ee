import { applyAll, emptyPage, type KeptEvent, type Page } from '@hand-back/core'

/** The pages of a copy after these events, by their ids. */
export function pagesById(events: readonly KeptEvent[]): Map<string, Page> {
  const byPage = new Map<string, KeptEvent[]>()
  for (const event of events) {
    const some = byPage.get(event.page)
    if (some) some.push(event)
    else byPage.set(event.page, [event])
  }
  return new Map([...byPage].map(([id, some]) => [id, applyAll(emptyPage, some)]))
}

/** The same, in no order. */
export const pagesAfter = (events: readonly KeptEvent[]): Page[] => [...pagesById(events).values()]
