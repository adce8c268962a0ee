import { overlap } from '../ink/points.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { PrintedItem } from '../worksheet/printed.ts'
import { answersIn, cardsInPlace, cardsOn, optionsOf, textOf } from './answers.ts'
import { inSight, type Page } from './apply.ts'
import { type Item, isThing } from './items.ts'
import { boundsOfItem } from './pick.ts'

/** What nobody has touched on a page yet. */
export interface Untouched {
  readonly page: string
  /** The number of the page, from 1. */
  readonly number: number
  /** Nothing at all was done on it. */
  readonly blank: boolean
  /** Its answer places without an answer: neither given in them nor written over them. */
  readonly places: readonly { readonly id: string; readonly label: string }[]
}

/** The pages of a copy on which something is left to do, in order. */
export function untouchedIn(
  pages: readonly WorksheetPage[],
  log: ReadonlyMap<string, Page>,
  copy: string,
): Untouched[] {
  return pages.flatMap((page, index) => {
    const there = log.get(page.id)
    const items = there
      ? inSight(there)
          .filter(({ layer }) => layer === 'work')
          .map(({ item }) => item)
      : []
    const blank = items.length === 0
    const places = page.printed
      .filter((place) => isPlace(place) && !isTouched(place, page, items, copy))
      .map((place) => ({ id: place.id, label: labelOf(place) }))
    return blank || places.length > 0 ? [{ page: page.id, number: index + 1, blank, places }] : []
  })
}

const PLACES: ReadonlySet<string> = new Set(['typed', 'choice', 'drop', 'speak', 'photo'])
const isPlace = ({ kind }: PrintedItem): boolean => PLACES.has(kind)
const labelOf = (place: PrintedItem): string => ('label' in place ? place.label : '')

function isTouched(place: PrintedItem, page: WorksheetPage, items: readonly Item[], copy: string): boolean {
  const value = answersIn(items).get(place.id)?.value
  if (textOf(value).trim() !== '' || optionsOf(value).length > 0) return true
  if (place.kind === 'drop' && cardsInPlace(page, place.id, cardsOn(page, items, copy)).length > 0)
    return true
  const box = { x0: place.x, y0: place.y, x1: place.x + place.width, y1: place.y + place.height }
  return items.some((item) => {
    if (item.kind === 'photo') return item.place === place.id
    if (item.kind === 'voice') return overlap(box, { x0: item.x, y0: item.y, x1: item.x, y1: item.y })
    return (item.kind === 'stroke' || isThing(item)) && overlap(box, boundsOfItem(item))
  })
}
