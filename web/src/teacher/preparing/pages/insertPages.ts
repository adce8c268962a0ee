import { duplicatePage, type Sheet, type WorksheetPage } from '@hand-back/core'
import type { SheetStore } from '../sheetStore.ts'

/** Puts pages after the one that is shown, and turns to the first of them. */
export function insertPages(store: SheetStore, pages: readonly WorksheetPage[]): void {
  const { at } = store.view.getState()
  store.change((sheet) => {
    const after = sheet.pages.findIndex(({ id }) => id === at) + 1
    return { ...sheet, pages: [...sheet.pages.slice(0, after), ...pages, ...sheet.pages.slice(after)] }
  })
  if (pages[0]) store.turnTo(pages[0].id)
}

/** Pages of another worksheet, with ids of their own and no sets: those belong to the other. */
export function pagesFrom(other: Sheet, ids: ReadonlySet<string>): WorksheetPage[] {
  return other.pages
    .filter(({ id }) => ids.has(id))
    .map((page) => {
      const { sets: _pageSets, ...copied } = duplicatePage(page, () => crypto.randomUUID()).page
      return {
        ...copied,
        printed: copied.printed.map(
          ({ sets: _itemSets, ...item }) => item as (typeof copied.printed)[number],
        ),
      }
    })
}
