import type { WorksheetPage } from '../worksheet/page.ts'

/** What sending a changed worksheet into copies in use does to their pages. */
export interface PageChanges {
  /** The pages that the copies will have. */
  readonly pages: readonly WorksheetPage[]
  readonly added: readonly string[]
  readonly changed: readonly string[]
  /** Pages that are gone from the worksheet and stay in the copies: there may be work on them. */
  readonly stay: readonly string[]
}

/**
 * The pages of copies in use after the worksheet as it is now is sent into them.
 *
 * Laws: no page that a copy has is ever lost; pages stand in the worksheet's order, and those that stay
 * behind the page that they stood behind; sending the same again changes nothing.
 */
export function changesBetween(inUse: readonly WorksheetPage[], now: readonly WorksheetPage[]): PageChanges {
  const before = new Map(inUse.map((page) => [page.id, page]))
  const there = new Set(now.map(({ id }) => id))
  const pages: WorksheetPage[] = [...now]
  for (const [index, page] of inUse.entries()) {
    if (there.has(page.id)) continue
    const leader = inUse[index - 1]?.id
    const at = leader === undefined ? 0 : pages.findIndex(({ id }) => id === leader) + 1
    pages.splice(at, 0, page)
  }
  const added = now.filter(({ id }) => !before.has(id)).map(({ id }) => id)
  const changed = now
    .filter((page) => before.has(page.id) && !samePage(before.get(page.id)!, page))
    .map(({ id }) => id)
  const stay = pages.filter(({ id }) => !there.has(id)).map(({ id }) => id)
  return { pages, added, changed, stay }
}

/** Whether two states of a page show the same, wherever their fields stand. */
export function samePage(a: WorksheetPage, b: WorksheetPage): boolean {
  return canonical(a) === canonical(b)
}

function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, each) =>
    each && typeof each === 'object' && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  )
}
