import { applyAll, emptyPage, type KeptEvent, type Page } from '@hand-back/core'

/** The pages of a copy after these events, in no order. */
export function pagesAfter(events: readonly KeptEvent[]): Page[] {
  const byPage = new Map<string, KeptEvent[]>()
  for (const event of events) byPage.set(event.page, [...(byPage.get(event.page) ?? []), event])
  return [...byPage.values()].map((some) => applyAll(emptyPage, some))
}
