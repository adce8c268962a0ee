import {
  type Bounds,
  boundsOfBox,
  boundsOfItem,
  boxOfBounds,
  type CopyWhole,
  freeSpot,
  type Placed,
  type Point,
  type Printed,
  seenBox,
  type WorksheetPage,
} from '@hand-back/core'
import type { Surface } from '../surface/Surface.ts'
import { filmSize } from '../voice/layFilm.ts'

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

/** A note spoken into a place lies at its left, under the label; one that is read from a text, in its lower right corner. */
export function noteIn(place: Printed<'speak' | 'typed'>): { x: number; y: number } {
  if (place.kind === 'typed')
    return {
      x: Math.max(place.x, place.x + place.width - 116),
      y: Math.max(place.y, place.y + place.height - 38),
    }
  return { x: place.x + 6, y: place.y + Math.min(14, place.height / 3) }
}

/** A film lies where nothing is yet, in sight. */
export function filmSpot(
  surface: Surface | undefined,
  page: WorksheetPage,
  placed: readonly Placed[],
): Point {
  const taken = [...placed.map(({ item }) => boxOfBounds(boundsOfItem(item))), ...page.printed.map(seenBox)]
  const part = surface?.seenPart() ?? { x: 0, y: 0, width: page.width, height: page.height }
  return freeSpot(filmSize(), part, taken)
}

/** A note is so large, with some air, in CSS pixels. */
const NOTE = { width: 150, height: 60 }

/** Beside what somebody made last, where that is in sight; else near the top left of it. Each new note a little lower. */
export function placeFor(
  surface: Surface | undefined,
  notes: number,
  page: WorksheetPage,
  last: Bounds | undefined,
): { x: number; y: number } {
  const view = surface?.view ?? { scale: 1, x: 0, y: 0 }
  const onto = (at: { x: number; y: number }) => ({
    x: Math.max(0, Math.min(at.x, page.width - NOTE.width / view.scale)),
    y: Math.max(0, Math.min(at.y, page.height - NOTE.height / view.scale)),
  })
  const seen = surface && boundsOfBox(surface.seenPart())
  if (last && seen && last.x1 > seen.x0 && last.x0 < seen.x1 && last.y1 > seen.y0 && last.y0 < seen.y1)
    return onto({ x: last.x1 + 10, y: (last.y0 + last.y1) / 2 - 12 + (notes % 8) * 34 })
  const x = Math.max(0, -view.x / view.scale) + 24
  const y = Math.max(0, -view.y / view.scale) + 24 + (notes % 8) * 44
  return onto({ x, y })
}
