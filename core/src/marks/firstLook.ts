import { answersIn, cardsInPlace, cardsOn } from '../answers/answers.ts'
import { optionsOf, textOf } from '../kinds/answerValue.ts'
import type { Item } from '../kinds/items.ts'
import type { PrintedItem } from '../kinds/printed.ts'
import { placesOf } from '../question/placesOf.ts'
import { type AnswerKey, isRight } from '../worksheet/key.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Question, Sheet } from '../worksheet/sheet.ts'
import { fullOf } from './marks.ts'

/** What the key says of a question: so many of its answer places with a key are right. */
export interface FirstLook {
  readonly right: number
  readonly of: number
  /** The marks that follow, in hundredths: all, none, or a share of them in halves, never more than the share. */
  readonly suggested: number
}

const HALF = 50

/**
 * What the key says of a question in a copy; nothing where no answer place in its areas has a key. It is a
 * suggestion: it counts when a teacher takes it. `itemsOn`: what the students put on a page.
 */
export function firstLook(
  question: Question,
  copy: string,
  pages: readonly WorksheetPage[],
  itemsOn: (page: string) => readonly Item[],
  keys: Sheet['keys'],
): FirstLook | undefined {
  let [right, of] = [0, 0]
  for (const { page, place } of placesOf(question, pages)) {
    const key = keys[place.id]
    if (!key) continue
    of++
    if (isRightAt(place, key, page, itemsOn(page.id), copy)) right++
  }
  if (of === 0) return undefined
  const full = fullOf(question)
  const suggested = right === of ? full : Math.floor((full * right) / of / HALF) * HALF
  return { right, of, suggested }
}

/** Whether what was answered at a place is what its key says. */
function isRightAt(
  place: PrintedItem,
  key: AnswerKey,
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
): boolean {
  const value = answersIn(items).get(place.id)?.value
  switch (key.kind) {
    case 'typed':
      return isRight(textOf(value), key)
    case 'choice':
      return sameIds(optionsOf(value), key.options)
    case 'cards':
      return sameIds(cardsInPlace(page, place.id, cardsOn(page, items, copy)), key.cards)
  }
}

/** The same ids, in any order; of none, nothing can be right. */
function sameIds(given: readonly string[], right: readonly string[]): boolean {
  const wanted = new Set(right)
  return wanted.size > 0 && given.length === wanted.size && given.every((id) => wanted.has(id))
}
