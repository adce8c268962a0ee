import { type Stroke, shinesThrough } from '../ink/stroke.ts'
import { cardMarks } from '../kinds/card.ts'
import type { Level } from '../kinds/itemKind.ts'
import { type Item, itemMarks, kindOfItem } from '../kinds/items.ts'
import { kindOfPrinted, printedMarks } from '../kinds/printed.ts'
import { answersIn, cardsOn, type LyingCard } from '../page/answers.ts'
import { paperBoxOf, type WorksheetPage } from '../worksheet/page.ts'
import { seenSize } from '../worksheet/paper.ts'
import type { Mark, Measure, PieceMark } from './mark.ts'
import { rulingMarks } from './rulings.ts'

/** What lies below everything: the lines of a ruled paper. PDFs and pictures are drawn by whoever has their files. */
export function paperMarks(page: WorksheetPage, measure: Measure): Mark[] {
  return page.paper.kind === 'ruled' ? rulingMarks(page.paper.ruling, page, measure) : []
}

/** The PDF page or picture that a page is made of, as a piece filling its place; nothing for ruled papers. */
export function paperPiece(page: WorksheetPage): PieceMark | undefined {
  if (page.paper.kind === 'ruled') return undefined
  const box = paperBoxOf(page)
  // A PDF has a size of its own, whatever that at which it lies here; a picture has just its shape.
  const whole = page.paper.kind === 'pdf' ? seenSize(page.paper) : { width: box.width, height: box.height }
  return { kind: 'piece', paper: page.paper, whole, part: { x: 0, y: 0, ...whole }, box }
}

/** What is printed on a page, without the cards that can be moved; plots as a student slid them. */
export function stillMarks(page: WorksheetPage, items: Iterable<Item>, measure: Measure): Mark[] {
  const answers = answersIn(items)
  return page.printed.flatMap((item) =>
    kindOfPrinted(item).isLoose?.(item) ? [] : printedMarks(item, measure, answers.get(item.id)?.value),
  )
}

/** What was ticked, and the photos. */
export const givenMarks = (page: WorksheetPage, items: readonly Item[], measure: Measure): Mark[] => [
  ...answeredMarks(page, items, measure, false),
  ...marksAt('given', items, measure),
]

/** What was typed, as letters in their boxes. */
const typedMarks = (page: WorksheetPage, items: readonly Item[], measure: Measure): Mark[] =>
  answeredMarks(page, items, measure, true)

function answeredMarks(page: WorksheetPage, items: Iterable<Item>, measure: Measure, typed: boolean): Mark[] {
  const answers = answersIn(items)
  return page.printed.flatMap((place) => {
    const kind = kindOfPrinted(place)
    if ((kind.isTypedInto ?? false) !== typed) return []
    return kind.answered?.(place, answers.get(place.id)?.value, measure) ?? []
  })
}

/** Everything that was laid on a page freely, from below. */
export const thingsMarks = (items: readonly Item[], measure: Measure): Mark[] =>
  marksAt('thing', items, measure)

/** Ink from below: what shines through lies under all other. */
export function inkMarks(items: readonly Item[], measure: Measure): Mark[] {
  const ink = items.filter((item): item is Stroke => item.kind === 'stroke')
  return marksAt(
    'ink',
    [...ink.filter(shinesThrough), ...ink.filter((each) => !shinesThrough(each))],
    measure,
  )
}

const marksAt = (level: Level, items: readonly Item[], measure: Measure): Mark[] =>
  items.filter((item) => kindOfItem(item).level === level).flatMap((item) => itemMarks(item, measure))

/** The cards where they lie. */
const lyingMarks = (cards: readonly LyingCard[], measure: Measure): Mark[] =>
  cards.flatMap(({ card, box }) => cardMarks({ ...card, ...box, stack: false }, measure))

/** A page of a copy as it is to be read, under the ink: printed items with every answer, things and cards. */
export function pageMarks(
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
  measure: Measure,
): Mark[] {
  return [
    ...paperMarks(page, measure),
    ...stillMarks(page, items, measure),
    ...givenMarks(page, items, measure),
    ...typedMarks(page, items, measure),
    ...thingsMarks(items, measure),
    ...lyingMarks(cardsOn(page, items, copy), measure),
  ]
}

/**
 * Everything there is to see of a page of a copy over its PDF or picture (`paperPiece`), from below. Whatever
 * shows a page (small pictures, the PDF) draws these marks in their order.
 */
export const scene = (
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
  measure: Measure,
): Mark[] => [
  ...pageMarks(page, items, copy, measure),
  ...inkMarks(items, measure),
  ...marksAt('sign', items, measure),
]
