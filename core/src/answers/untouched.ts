import { type GoPart, isOpenAt } from '../handout/goPart.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'
import { isAnswerPlace, type PrintedItem } from '../kinds/printed.ts'
import { inSight, type Page } from '../log/apply.ts'
import { middle } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { cardsInPlace, cardsOn } from './answers.ts'

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

/** The pages of a copy on which something is left to do, in order; with `part`, only what is open in this go counts. */
export function untouchedIn(
  pages: readonly WorksheetPage[],
  log: ReadonlyMap<string, Page>,
  copy: string,
  part?: GoPart,
): Untouched[] {
  return pages.flatMap((page, index) => {
    if (part?.areasOn(page.id).length === 0) return []
    const isOpen = (place: PrintedItem) => !part || isOpenAt(part, page.id, middle(place))
    const there = log.get(page.id)
    const items = there
      ? inSight(there)
          .filter(({ layer }) => layer === 'work')
          .map(({ item }) => item)
      : []
    const blank = items.length === 0
    const places = page.printed
      .filter((place) => isAnswerPlace(place) && isOpen(place) && !isTouched(place, page, items, copy))
      .map((place) => ({ id: place.id, label: calledOn(page, place) }))
    return blank || places.length > 0 ? [{ page: page.id, number: index + 1, blank, places }] : []
  })
}

const labelOf = (place: PrintedItem): string => ('label' in place ? place.label : '')

/** What a place is called; where several of its page are called alike, which of them it is, in reading order. */
function calledOn(page: WorksheetPage, place: PrintedItem): string {
  const label = labelOf(place)
  const alike = page.printed
    .filter((other) => label !== '' && isAnswerPlace(other) && labelOf(other) === label)
    .sort((a, b) => a.y - b.y || a.x - b.x)
  return alike.length < 2 ? label : `${label} (${alike.indexOf(place) + 1} of ${alike.length})`
}

function isTouched(place: PrintedItem, page: WorksheetPage, items: readonly Item[], copy: string): boolean {
  if (place.kind === 'drop' && cardsInPlace(page, place.id, cardsOn(page, items, copy)).length > 0)
    return true
  return items.some((item) => kindOfItem(item).touches?.(item, place) ?? false)
}
