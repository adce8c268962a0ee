import type { CopyWhole, Printed, WorksheetPage } from '@hand-back/core'
import type { Surface } from '../surface/Surface.ts'

/** What is to be known of pages: which are one's own in a shared copy, which are new or have changed. */
export function notedPages(
  copy: CopyWhole,
  pages: readonly WorksheetPage[],
  person: string,
  seen: number,
): ReadonlyMap<number, string> {
  const notes = new Map<number, string>()
  for (const [index, { id }] of pages.entries()) {
    const change = copy.changes.find(({ page }) => page === id)
    if (copy.owners[id]?.includes(person)) notes.set(index, 'yours')
    else if (change && index !== seen) notes.set(index, change.what)
  }
  return notes
}

/** A note spoken into a place lies at its left, under the label. */
export function noteIn(place: Printed<'speak'>): { x: number; y: number } {
  return { x: place.x + 6, y: place.y + Math.min(14, place.height / 3) }
}

/** Near the top left of what is in sight, each new note a little lower. */
export function placeFor(
  surface: Surface | undefined,
  notes: number,
  page: WorksheetPage,
): { x: number; y: number } {
  const view = surface?.view ?? { scale: 1, x: 0, y: 0 }
  const x = Math.max(0, -view.x / view.scale) + 24
  const y = Math.max(0, -view.y / view.scale) + 24 + (notes % 8) * 44
  return { x: Math.min(x, page.width - 60), y: Math.min(y, page.height - 40) }
}
