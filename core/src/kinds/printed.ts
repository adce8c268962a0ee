import { z } from 'zod'
import type { Drawn, Measure } from '../draw/drawn.ts'
import type { Similarity } from '../ink/similarity.ts'
import * as similarity from '../ink/similarity.ts'
import type { Box } from '../worksheet/box.ts'
import type { NameOf } from '../worksheet/recipe.ts'
import type { AnswerValue } from './answerValue.ts'
import { card } from './card.ts'
import { choice } from './choice.ts'
import { direction } from './direction.ts'
import { drop } from './drop.ts'
import { film } from './film.ts'
import { formula } from './formula.ts'
import { ink } from './ink.ts'
import { printedLetters } from './lettering.ts'
import { link } from './link.ts'
import { photo } from './photo.ts'
import { picture } from './picture.ts'
import { piece } from './piece.ts'
import { plot } from './plot.ts'
import type { PrintedKind as KindOf } from './printedKind.ts'
import { printedVoice } from './printedVoice.ts'
import { shape } from './shape.ts'
import { speak } from './speak.ts'
import { table } from './table.ts'
import { text } from './text.ts'
import { keptWhereSeen, laidElsewhere, type Turned, turning } from './turned.ts'
import { typed } from './typed.ts'

/** Every kind of thing that teachers print on a page: told, asked, moved, drawn. */
export const PRINTED_KINDS = {
  text,
  formula,
  picture,
  film,
  voice: printedVoice,
  piece,
  shape,
  table,
  plot,
  direction,
  ink,
  link,
  typed,
  choice,
  drop,
  speak,
  photo,
  card,
}
export type PrintedKind = keyof typeof PRINTED_KINDS

/** Anything that the teacher puts on a page: printed items, answer places, cards and stacks. Points of the page. */
export type PrintedItem = z.infer<(typeof PRINTED_KINDS)[PrintedKind]['schema']>
export const printedItem = z.discriminatedUnion(
  'kind',
  Object.values(PRINTED_KINDS).map(({ schema }) => schema) as never,
) as unknown as z.ZodType<PrintedItem>

/** The printed items of one kind. */
export type Printed<Kind extends PrintedKind> = Extract<PrintedItem, { kind: Kind }>

/** What the house knows of an item's kind. */
export const kindOfPrinted = (item: PrintedItem): KindOf<PrintedItem> =>
  PRINTED_KINDS[item.kind] as unknown as KindOf<PrintedItem>

/** The most items of one page. */
export const MOST_PRINTED = 2000

/** What a printed item looks like. Law: it depends on nothing but the item, what was answered there, and the fonts. */
export function drawnPrinted(item: PrintedItem, measure: Measure, value?: AnswerValue): Drawn[] {
  const drawn = kindOfPrinted(item).drawn(item, measure, value)
  return (item as Turned).turn ? [{ kind: 'laid', by: turning(item), drawn }] : drawn
}

/** A new thing of a kind in a box, as it begins. */
export function blankItem<Kind extends PrintedKind>(
  kind: Kind,
  box: Box,
  newId: () => string,
): Printed<Kind> {
  const { blank } = PRINTED_KINDS[kind] as unknown as KindOf<Printed<Kind>>
  return blank({ id: newId(), ...box }, newId)
}

/** Whether an item takes an answer. */
export const isAnswerPlace = (item: PrintedItem): boolean => kindOfPrinted(item).isAnswerPlace === true

/** Whether such a value can be an answer to an item of this kind. */
export const takesValue = (kind: string, value: AnswerValue): boolean =>
  kind in PRINTED_KINDS && (PRINTED_KINDS[kind as PrintedKind].takes?.(value) ?? false)

/** What a printed item says; nothing for one that is a control of its own. */
export const wordsOf = (item: PrintedItem): string => kindOfPrinted(item).words?.(item) ?? ''

/** Whether nothing stands in an item that people write into. */
export const saysNothing = (item: PrintedItem): boolean => kindOfPrinted(item).isEmpty?.(item) ?? false

/** What is read aloud of a printed item, with what was answered there. */
export const spokenOf = (item: PrintedItem, value: AnswerValue | undefined): string[] =>
  kindOfPrinted(item).readAloud?.(item, value) ?? [wordsOf(item), 'label' in item ? item.label : '']

/** The files that items show: pictures, stills and parts of other papers. */
export function filesOf(items: Iterable<PrintedItem>): string[] {
  return [...items].flatMap((item) => kindOfPrinted(item).files?.(item) ?? [])
}

/** The films and voices that items play. */
export function filmsOf(items: Iterable<PrintedItem>): string[] {
  return [...items].flatMap((item) => kindOfPrinted(item).films?.(item) ?? [])
}

/** An item as those get it who receive the page. */
export const sentItem = (item: PrintedItem, nameOf: NameOf): PrintedItem =>
  (kindOfPrinted(item).sent?.(item, nameOf) ?? item) as PrintedItem

/**
 * An item as high as what it says needs; its upper left corner, as it is seen, stays where it is. Things
 * without words stay as they are.
 */
export const fitHeight = <Item extends PrintedItem>(item: Item, measure: Measure): Item =>
  keptWhereSeen(item, (kindOfPrinted(item).fitted?.(item, measure) ?? item) as Item)

/** An item moved by points. */
export function moveItem<Item extends PrintedItem>(item: Item, dx: number, dy: number): Item {
  return { ...item, x: item.x + dx, y: item.y + dy }
}

/** An item laid elsewhere, larger or smaller with its letters and lines; turned, where it can be. */
export function layItem<Item extends PrintedItem>(item: Item, by: Similarity): Item {
  if (by.a === 1 && by.b === 0) return moveItem(item, by.e, by.f)
  const factor = similarity.scaleOf(by)
  const { turn, ...box } = laidElsewhere(item, by) ?? { ...item, turn: (item as Turned).turn }
  const grown = kindOfPrinted(item).grown?.(item, printedLetters(factor), factor)
  const turns = canTurn(item) && (turn || (item as Turned).turn)
  return { ...item, ...(factor === 1 ? {} : grown), ...box, ...(turns ? { turn } : {}) }
}

/** Whether an item can be turned. */
export const canTurn = (item: PrintedItem): boolean => kindOfPrinted(item).turns === true

/** An item larger or smaller about 0,0. */
export const scaleItem = <Item extends PrintedItem>(item: Item, factor: number): Item =>
  layItem(item, similarity.about({ x: 0, y: 0 }, factor, 0))
