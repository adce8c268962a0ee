import { answersIn, cardsOn, type LyingCard, optionsOf, slidOf, textOf } from '../page/answers.ts'
import type { Item } from '../page/items.ts'
import { type Box, middle } from '../worksheet/box.ts'
import { paperBoxOf, type WorksheetPage } from '../worksheet/page.ts'
import { seenSize } from '../worksheet/paper.ts'
import type { Printed } from '../worksheet/printed.ts'
import { circlePath, type Mark, type Measure, type PieceMark, segmentPath } from './mark.ts'
import { choiceRows, labelHeight, typedArea } from './places.ts'
import { cardMarks, plotMarks, printedMarks } from './printed.ts'
import { rulingMarks } from './rulings.ts'
import { textMarks } from './text.ts'
import { thingsMarks } from './things.ts'

const INK = '#1e2b3a'

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
  return page.printed.flatMap((item) => {
    if (item.kind === 'card' && !item.stack) return []
    if (item.kind === 'plot') return plotMarks(item, slidOf(answers.get(item.id)?.value), measure)
    return printedMarks(item, measure)
  })
}

/** What was ticked, and the photos. */
export function givenMarks(page: WorksheetPage, items: Iterable<Item>, measure: Measure): Mark[] {
  const all = [...items]
  const answers = answersIn(all)
  const marks: Mark[] = []
  for (const place of page.printed) {
    if (place.kind === 'choice')
      marks.push(...chosenMarks(place, optionsOf(answers.get(place.id)?.value), measure))
  }
  for (const item of all) if (item.kind === 'photo') marks.push(photoMark(item))
  return marks
}

/** A photo is asked for by the name of its recording. */
function photoMark({ recording, x, y, width, height }: Extract<Item, { kind: 'photo' }>): Mark {
  const crop = { x: 0, y: 0, width: 1, height: 1 }
  return { kind: 'picture', file: recording, crop, box: { x, y, width, height } }
}

/** What was typed, as letters in their boxes. */
export function typedMarks(page: WorksheetPage, items: Iterable<Item>, measure: Measure): Mark[] {
  const answers = answersIn(items)
  return page.printed.flatMap((place) => {
    if (place.kind !== 'typed') return []
    const text = textOf(answers.get(place.id)?.value)
    const style = { face: 'reading', size: place.size, bold: false, colour: INK } as const
    return text === '' ? [] : textMarks(text, typedArea(place, measure), style, measure).marks
  })
}

/** The cards where they lie. */
export function lyingMarks(cards: readonly LyingCard[], measure: Measure): Mark[] {
  return cards.flatMap(({ card, box }) => cardMarks({ ...card, ...box, stack: false }, measure))
}

/** A whole page of a copy as it is to be read: printed items with every answer. Ink and voice lie over it. */
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

function chosenMarks(place: Printed<'choice'>, chosen: readonly string[], measure: Measure): Mark[] {
  const rows = choiceRows(place, measure).filter(({ option }) => chosen.includes(option.id))
  return rows.map(({ sign }) => ({ kind: 'path', ...(place.many ? cross(sign) : dot(sign)) }))
}

function dot(sign: Box) {
  return { d: circlePath(middle(sign).x, middle(sign).y, sign.width * 0.28), fill: INK }
}

function cross({ x, y, width, height }: Box) {
  const [l, r, t, b] = [x + width * 0.22, x + width * 0.78, y + height * 0.22, y + height * 0.78]
  return { d: segmentPath(l, t, r, b) + segmentPath(r, t, l, b), stroke: INK, width: width * 0.13 }
}

/** Where a photo of a shape (width by height) lies in its place: as large as fits under the label. */
export function photoBox(place: Printed<'photo'>, shape: number, measure: Measure): Box {
  const top = labelHeight(place.label || 'A photo goes here', place.width, measure)
  const area = {
    x: place.x + 3,
    y: place.y + top + 2,
    width: place.width - 6,
    height: Math.max(1, place.height - top - 5),
  }
  const width = Math.max(1, Math.min(area.width, area.height * shape))
  const height = Math.max(1, width / shape)
  return { x: area.x + (area.width - width) / 2, y: area.y + (area.height - height) / 2, width, height }
}
