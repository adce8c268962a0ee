import { LONGEST_PAGE, type Page, placeAfter, type Ruling, type WorksheetPage } from '@hand-back/core'
import type { CopyStore } from '../copy/copyStore.ts'

/** By which part of its first side a page grows at one press. */
const GROWS = 0.35

const sheetOf = (store: CopyStore, page: string) => store.view.getState().log.pages.get(page)?.sheet

/** More room at the foot of a page, or at its right side. Whether there was any to be had. */
export function makeRoom(store: CopyStore, page: WorksheetPage, where: 'foot' | 'side'): boolean {
  const now = where === 'foot' ? page.height : page.width
  const next = Math.min(LONGEST_PAGE, Math.round(now + GROWS * Math.min(page.width, page.height) * 1.4))
  if (next <= now) return false
  const side = where === 'foot' ? 'height' : 'width'
  store.act(page.id, { act: 'sheet', set: { [side]: next }, was: { [side]: now } })
  return true
}

/** Lays a new page in, right after another, as large as that one was handed out. Returns its id. */
export function layIn(
  store: CopyStore,
  printed: readonly WorksheetPage[],
  pages: readonly WorksheetPage[],
  behind: WorksheetPage,
  ruling: Ruling,
): string {
  const id = crypto.randomUUID()
  const { width, height } = printed.find((page) => page.id === behind.id) ?? printed[0]!
  const place = placeAfter(pages, store.view.getState().log.pages, behind.id)
  const set = { ...place, width, height, ruling, gone: false }
  store.act(id, { act: 'sheet', set, was: { ...set, gone: true } })
  return id
}

/** Takes a page out that somebody laid in; undo lays it back. */
export function takeOut(store: CopyStore, page: string): void {
  store.act(page, { act: 'sheet', set: { gone: true }, was: { gone: false } })
}

/** Moves a page that somebody laid in past its neighbour. */
export function shiftPage(store: CopyStore, pages: readonly WorksheetPage[], page: string, by: -1 | 1): void {
  const log = store.view.getState().log.pages
  const others = pages.filter(({ id }) => id !== page)
  const at = pages.findIndex(({ id }) => id === page) + by
  if (at < 0 || at > others.length) return
  const to = placeAfter(others, log, others[at - 1]?.id)
  const { after = null, order = 0 } = sheetOf(store, page) ?? {}
  store.act(page, { act: 'sheet', set: to, was: { after, order } })
}

/** Whether this person laid a page in. */
export function isOwn(pages: ReadonlyMap<string, Page>, page: string, person: string): boolean {
  const sheet = pages.get(page)?.sheet
  return sheet?.ruling !== undefined && sheet.author === person
}
