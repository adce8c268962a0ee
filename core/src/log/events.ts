import { z } from 'zod'
import * as similarity from '../ink/similarity.ts'
import { colour, madeId } from '../ink/stroke.ts'
import { answerValue } from '../kinds/answerValue.ts'
import { item, thing } from '../kinds/items.ts'
import { hundredths } from '../kinds/mark.ts'
import { overallWords } from '../kinds/overall.ts'
import { reachedLevel } from '../kinds/reachedLevel.ts'
import { replyValue } from '../kinds/replyValue.ts'
import { ruling } from '../worksheet/ruling.ts'

/**
 * Whose hand: `work` the students', `help` the teacher's, seen at once, `feedback` the teacher's, seen when handed back;
 * `pins` what all of them say to each other at places, seen at once.
 */
export const layer = z.enum(['work', 'help', 'feedback', 'pins'])
export type Layer = z.infer<typeof layer>
export const LAYERS = layer.options

/** The most things that one act can be about: all the ink of a very full page. */
export const MOST_ITEMS = 5000

const common = {
  /** Made by the device, the same at every sending. */
  id: madeId,
  page: madeId,
  layer,
  /** By the device's clock, in milliseconds since 1970: told, never trusted for order. */
  madeAt: z.number().int().min(0).max(8.64e15),
  /** The event that this one undoes, where it was made by undo or redo. */
  undoes: madeId.optional(),
}

/** What of an item can change after it was put down. */
export const itemChange = z.strictObject({
  x: z.number().min(-10_000).max(100_000).optional(),
  y: z.number().min(-10_000).max(100_000).optional(),
  value: answerValue.optional(),
  given: hundredths.optional(),
  level: reachedLevel.optional(),
  reply: replyValue.optional(),
  words: overallWords.optional(),
  /** A thing as it is from now on: other words, another width, another colour. */
  thing: thing.optional(),
})
export type ItemChange = z.infer<typeof itemChange>

/** The longest side that a page of a copy can get, in points: what a PDF page can have. */
export const LONGEST_PAGE = 14_400
const side = z.number().min(36).max(LONGEST_PAGE)

/**
 * What of a page itself can change on a copy. A printed page can only grow. A page that a student laid
 * in has a ruling; it stands after a printed page (null: before all), in the order of `order`; `gone`
 * is whether it is taken out.
 */
export const pageSet = z.strictObject({
  width: side.optional(),
  height: side.optional(),
  ruling: ruling.optional(),
  after: madeId.nullable().optional(),
  order: z.number().min(-1e9).max(1e9).optional(),
  gone: z.boolean().optional(),
})
export type PageSet = z.infer<typeof pageSet>

const ids = z.array(madeId).max(MOST_ITEMS)
const someIds = ids.min(1)
const colours = z.array(colour).min(1).max(MOST_ITEMS)

/** Everything that can be done to a page, as the device tells it. */
export const pageEvent = z.discriminatedUnion('act', [
  z.strictObject({ ...common, act: z.literal('add'), items: z.array(item).min(1).max(MOST_ITEMS) }),
  z.strictObject({ ...common, act: z.literal('take'), items: someIds }),
  z.strictObject({ ...common, act: z.literal('bring'), items: someIds }),
  z.strictObject({ ...common, act: z.literal('change'), item: madeId, set: itemChange, was: itemChange }),
  /** Things laid elsewhere, all in the same way. */
  z.strictObject({ ...common, act: z.literal('move'), items: someIds, by: similarity.schema }),
  /** Some taken, some brought back, some new, in one: rubbing out a part leaves pieces. */
  z.strictObject({
    ...common,
    act: z.literal('swap'),
    take: ids,
    bring: ids,
    items: z.array(item).max(MOST_ITEMS),
  }),
  /** Each of the items gets the colour at the same place of the list. */
  z.strictObject({ ...common, act: z.literal('recolour'), items: someIds, to: colours, was: colours }),
  /** The page itself changes; logs have called it so from the beginning. */
  z.strictObject({ ...common, act: z.literal('sheet'), set: pageSet, was: pageSet }),
])
export type PageEvent = z.infer<typeof pageEvent>

/** What can be done to a page, without what every event has. */
export type PageAct = PageEvent extends infer Event
  ? Event extends PageEvent
    ? Omit<Event, 'id' | 'page' | 'layer' | 'madeAt' | 'undoes'>
    : never
  : never

/** What the server adds when it keeps an event: its place in the order of its layer, who, in which round, when. */
export const keeping = z.object({
  seq: z.number().int().min(1),
  author: z.string(),
  round: z.number().int().min(1),
  keptAt: z.number(),
  /** It may touch what others made: the teacher allowed it in this copy, or is the one who does it. */
  free: z.boolean().optional(),
  /** What it says of marks is not told to whom it was sent (marks/withoutMarks.ts). Never kept. */
  withheld: z.boolean().optional(),
})
export type Keeping = z.infer<typeof keeping>
export type KeptEvent = PageEvent & Keeping

/** An event with who made it and in which round: all that `apply` needs. A device signs its own until the server has. */
export type SignedEvent = PageEvent & Pick<Keeping, 'author' | 'round' | 'free'>
