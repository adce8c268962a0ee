import { answersIn, cardsOn, type LyingCard } from '../answers/answers.ts'
import { type Stroke, shinesThrough } from '../ink/stroke.ts'
import { drawnCard } from '../kinds/card.ts'
import type { Level } from '../kinds/itemKind.ts'
import { drawnItem, type Item, kindOfItem } from '../kinds/items.ts'
import { drawnPrinted, kindOfPrinted } from '../kinds/printed.ts'
import { paperBoxOf, type WorksheetPage } from '../worksheet/page.ts'
import { seenSize } from '../worksheet/paper.ts'
import type { Drawn, DrawnPiece, Measure } from './drawn.ts'
import { drawnRuling } from './rulings.ts'

/** What lies below everything: the lines of a ruled paper. PDFs and pictures are drawn by whoever has their files. */
export function drawnPaper(page: WorksheetPage, measure: Measure): Drawn[] {
  return page.paper.kind === 'ruled' ? drawnRuling(page.paper.ruling, page, measure) : []
}

/** The PDF page or picture that a page is made of, as a piece filling its place; nothing for ruled papers. */
export function paperPiece(page: WorksheetPage): DrawnPiece | undefined {
  if (page.paper.kind === 'ruled') return undefined
  const box = paperBoxOf(page)
  // A PDF has a size of its own, whatever that at which it lies here; a picture has just its shape.
  const whole = page.paper.kind === 'pdf' ? seenSize(page.paper) : { width: box.width, height: box.height }
  return { kind: 'piece', paper: page.paper, whole, part: { x: 0, y: 0, ...whole }, box }
}

/** What is printed on a page, without the cards that can be moved; plots as a student slid them. */
export function drawnStill(page: WorksheetPage, items: Iterable<Item>, measure: Measure): Drawn[] {
  const answers = answersIn(items)
  return page.printed.flatMap((item) =>
    kindOfPrinted(item).isLoose?.(item) ? [] : drawnPrinted(item, measure, answers.get(item.id)?.value),
  )
}

/** Sheets of paper, what was ticked, and the photos. */
export const drawnGiven = (page: WorksheetPage, items: readonly Item[], measure: Measure): Drawn[] => [
  ...drawnAt('scan', items, measure),
  ...drawnAnswers(page, items, measure, false),
  ...drawnAt('given', items, measure),
]

/** What was typed, as letters in their boxes. */
export const drawnTyped = (page: WorksheetPage, items: readonly Item[], measure: Measure): Drawn[] =>
  drawnAnswers(page, items, measure, true)

function drawnAnswers(page: WorksheetPage, items: Iterable<Item>, measure: Measure, typed: boolean): Drawn[] {
  const answers = answersIn(items)
  return page.printed.flatMap((place) => {
    const kind = kindOfPrinted(place)
    if ((kind.isTypedInto ?? false) !== typed) return []
    return kind.answered?.(place, answers.get(place.id)?.value, measure) ?? []
  })
}

/** Everything that was laid on a page freely, from below. */
export const drawnThings = (items: readonly Item[], measure: Measure): Drawn[] =>
  drawnAt('thing', items, measure)

/** Ink from below: what shines through lies under all other. */
export function drawnInk(items: readonly Item[], measure: Measure): Drawn[] {
  const ink = items.filter((item): item is Stroke => item.kind === 'stroke')
  return drawnAt(
    'ink',
    [...ink.filter(shinesThrough), ...ink.filter((each) => !shinesThrough(each))],
    measure,
  )
}

const drawnAt = (level: Level, items: readonly Item[], measure: Measure): Drawn[] =>
  items.filter((item) => kindOfItem(item).level === level).flatMap((item) => drawnItem(item, measure))

/** The cards where they lie. */
const drawnCards = (cards: readonly LyingCard[], measure: Measure): Drawn[] =>
  cards.flatMap(({ card, box }) => drawnCard({ ...card, ...box, stack: false }, measure))

/** In the place of a copy's id where nobody works on a page: on the shelf, and as it was handed out. */
export const NOBODYS = '00000000-0000-4000-8000-000000000000'

/** A page of a copy as it is to be read, between paper and ink: printed items with every answer, things and cards. */
export function drawnPage(
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
  measure: Measure,
): Drawn[] {
  return [
    ...drawnStill(page, items, measure),
    ...drawnGiven(page, items, measure),
    ...drawnTyped(page, items, measure),
    ...drawnThings(items, measure),
    ...drawnCards(cardsOn(page, items, copy), measure),
  ]
}

/**
 * Everything there is to see of a page of a copy over its PDF or picture (`paperPiece`), from below. Whatever
 * shows a page (small pictures, the PDF) paints these in their order.
 */
export const scene = (
  page: WorksheetPage,
  items: readonly Item[],
  copy: string,
  measure: Measure,
): Drawn[] => [
  ...drawnPaper(page, measure),
  ...drawnPage(page, items, copy, measure),
  ...drawnInk(items, measure),
  ...drawnAt('sign', items, measure),
]
