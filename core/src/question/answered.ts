import { answersIn, cardsInPlace, cardsOn, dropPlaceUnder } from '../answers/answers.ts'
import { boundsOfItem } from '../holding/pick.ts'
import { optionsOf, slidOf, textOf } from '../kinds/answerValue.ts'
import type { Item } from '../kinds/items.ts'
import type { PrintedItem } from '../kinds/printed.ts'
import { boxOfBounds, holds, middle } from '../worksheet/box.ts'
import { lenientKey, sameAs } from '../worksheet/key.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { sayCards, sayOptions } from '../worksheet/sayKey.ts'
import type { Question, Sheet } from '../worksheet/sheet.ts'
import { areasOn, placesOf } from './placesOf.ts'

/** What a copy has for an answer to a question. */
export interface Answered {
  /** The same text for answers that are equal by the key's rules, and in value. Empty: nothing was answered. */
  readonly same: string
  /** The answer in words, shortened. */
  readonly words: string
  /** What lies in the areas besides: ink, sounds, photos, things and cards that lie free. Those are looked at by a person. */
  readonly besides: readonly Item[]
}

/** The most letters of an answer that are said in words. */
const MOST_WORDS = 120
const BETWEEN = '\u0000'

/**
 * What a copy has for an answer to a question: of typed text, choices, cards and sliders what can be compared, and what
 * cannot. `itemsOn`: what the students put on a page.
 */
export function answered(
  question: Pick<Question, 'areas'>,
  copy: string,
  pages: readonly WorksheetPage[],
  itemsOn: (page: string) => readonly Item[],
  keys: Sheet['keys'],
): Answered {
  const said = placesOf(question, pages).flatMap(({ page, place }) => {
    const at = saidAt(place, page, itemsOn(page.id), copy, keys)
    return at ? [at] : []
  })
  const besides = besidesIn(question, copy, pages, itemsOn)
  const isEmpty = said.every(({ same }) => same === '')
  return {
    same: isEmpty ? '' : said.map(({ same }) => same).join(BETWEEN),
    words: said
      .flatMap(({ words }) => (words === '' ? [] : [words]))
      .join(' · ')
      .slice(0, MOST_WORDS),
    besides,
  }
}

/** What was answered at a place that can be compared; nothing where it is no such place. */
function saidAt(
  place: PrintedItem,
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
  keys: Sheet['keys'],
): { same: string; words: string } | undefined {
  const value = answersIn(items).get(place.id)?.value
  switch (place.kind) {
    case 'typed': {
      const key = keys[place.id]
      const text = textOf(value)
      return { same: sameAs(text, key?.kind === 'typed' ? key : lenientKey([])), words: text.trim() }
    }
    case 'choice': {
      const chosen = optionsOf(value)
      return { same: [...new Set(chosen)].sort().join(' '), words: sayOptions(chosen, place.options) }
    }
    case 'drop': {
      const cards = cardsInPlace(page, place.id, cardsOn(page, items, copy))
      return { same: [...cards].sort().join(' '), words: sayCards(cards, page.printed) }
    }
    case 'plot': {
      const slid = Object.entries(slidOf(value)).sort(([a], [b]) => a.localeCompare(b))
      const words = slid.map(([name, at]) => `${name} = ${at}`).join(', ')
      return { same: words, words }
    }
    default:
      return undefined
  }
}

/** What of a copy's work lies in the areas of a question with its middle and cannot be compared. */
function besidesIn(
  question: Pick<Question, 'areas'>,
  copy: string,
  pages: readonly WorksheetPage[],
  itemsOn: (page: string) => readonly Item[],
): Item[] {
  const areas = areasOn(question, pages)
  return pages.flatMap((page) => {
    const here = areas.flatMap((each) => (each.page === page ? [each.area] : []))
    if (here.length === 0) return []
    const items = itemsOn(page.id)
    const dropped = new Set(
      cardsOn(page, items, copy).flatMap(({ id, box }) => (dropPlaceUnder(page, box) ? [id] : [])),
    )
    const boxes = new Map(cardsOn(page, items, copy).map(({ id, box }) => [id, box]))
    return items.filter((item) => {
      if (item.kind === 'answer' || item.kind === 'reply' || dropped.has(item.id)) return false
      const at = middle(boxes.get(item.id) ?? boxOfBounds(boundsOfItem(item)))
      return here.some((area) => holds(area, at))
    })
  })
}
