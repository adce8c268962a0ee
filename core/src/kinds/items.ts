import { z } from 'zod'
import type { Drawn, Measure } from '../draw/drawn.ts'
import { answer } from './answer.ts'
import { laidCard } from './card.ts'
import { laidDirection } from './direction.ts'
import { laidFilm } from './film.ts'
import { laidFormula } from './formula.ts'
import type { ItemKind as KindOf } from './itemKind.ts'
import { mark } from './mark.ts'
import { overall } from './overall.ts'
import { laidPhoto } from './photo.ts'
import { laidPicture } from './picture.ts'
import { pin, pinAgreed, pinAnswer, pinDone } from './pin.ts'
import { fitHeight, type PrintedItem, takesValue } from './printed.ts'
import { reply } from './reply.ts'
import { scan } from './scan.ts'
import { laidShape } from './shape.ts'
import { sign } from './sign.ts'
import { strokeKind } from './strokeKind.ts'
import { laidTable } from './table.ts'
import { laidText } from './text.ts'
import { voice } from './voice.ts'

/** Every kind of thing that people lay on a page freely, besides ink. */
export const THING_KINDS = {
  text: laidText,
  direction: laidDirection,
  formula: laidFormula,
  shape: laidShape,
  table: laidTable,
  picture: laidPicture,
  film: laidFilm,
}
/** Every kind of thing that people put on a page of a copy. */
export const ITEM_KINDS = {
  stroke: strokeKind,
  voice,
  answer,
  card: laidCard,
  photo: laidPhoto,
  scan,
  mark,
  sign,
  reply,
  overall,
  pin,
  pinAnswer,
  pinAgreed,
  pinDone,
  ...THING_KINDS,
}

const anyOf = <Item>(kinds: object): z.ZodType<Item> =>
  z.discriminatedUnion(
    'kind',
    Object.values(kinds).map(({ schema }) => schema) as never,
  ) as unknown as z.ZodType<Item>

type ThingKinds = (typeof THING_KINDS)[keyof typeof THING_KINDS]
export type Thing = z.infer<ThingKinds['schema']>
/**
 * Things that people put on a page besides ink: the shapes that printed items have, and how far they are
 * turned. The `file` of a picture or film is the name of its attachment.
 */
export const thing = anyOf<Thing>(THING_KINDS)

type ItemKinds = (typeof ITEM_KINDS)[keyof typeof ITEM_KINDS]
export type Item = z.infer<ItemKinds['schema']>
/** Anything that people put on a page of a copy. */
export const item = anyOf<Item>(ITEM_KINDS)

/** What the house knows of an item's kind. */
export const kindOfItem = (item: Item): KindOf<Item> => ITEM_KINDS[item.kind] as unknown as KindOf<Item>

/** Whether an item is a thing: laid down freely, with a box and a turn. */
export const isThing = (item: Item): item is Thing => item.kind in THING_KINDS

/** The pictures that an item shows, by the names of their attachments. */
export const picturesOfItem = (item: Item): string[] => kindOfItem(item).pictures?.(item) ?? []

/** The attachments (sounds, films, photos, pictures) that an item plays, shows or keeps, by name. */
export const attachmentsOfItem = (item: Item): string[] => [
  ...picturesOfItem(item),
  ...(kindOfItem(item).sounds?.(item) ?? []),
  ...(kindOfItem(item).keeps?.(item) ?? []),
]

/**
 * Whether an item belongs where it lies: what it answers, or is a card of, is printed on the page.
 * `printed`: the kinds of the page's items, by their ids.
 */
export function belongsThere(item: Item, printed: ReadonlyMap<string, string>): boolean {
  const names = kindOfItem(item).names?.(item)
  if (!names) return true
  const kind = printed.get(names.printed)
  if (names.value === undefined) return kind === names.kind
  return kind !== undefined && takesValue(kind, names.value)
}

/** Whether an item belongs to something printed: it answers it, or is a card of it. */
export const isAnswer = (item: Item): boolean => kindOfItem(item).names !== undefined

/** Whether an item may lie on a layer: answers only on the students', marks only in feedback, nothing but what is said among the pins. */
export function mayLieOn(item: Item, layer: 'work' | 'help' | 'feedback' | 'pins'): boolean {
  const { onlyOn } = kindOfItem(item)
  if (onlyOn !== undefined || layer === 'pins') return onlyOn === layer
  return !isAnswer(item) || layer === 'work'
}

/** A thing as high as its words need (`fitHeight`). */
export const fitThing = <T extends Thing>(thing: T, measure: Measure): T =>
  fitHeight(thing as unknown as PrintedItem, measure) as unknown as T

/** What an item looks like. */
export const drawnItem = (item: Item, measure: Measure): Drawn[] =>
  kindOfItem(item).drawn?.(item, measure) ?? []
