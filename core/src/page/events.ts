import { z } from 'zod'
import { answerValue, item, madeId } from './items.ts'

/** Whose marks: `work` the students', `help` the teacher's, seen at once, `feedback` the teacher's, seen when handed back. */
export const layer = z.enum(['work', 'help', 'feedback'])
export type Layer = z.infer<typeof layer>
export const LAYERS = layer.options

const MOST_ITEMS = 500

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
})
export type ItemChange = z.infer<typeof itemChange>

/** Everything that can be done to a page, as the device tells it. */
export const pageEvent = z.discriminatedUnion('act', [
  z.strictObject({ ...common, act: z.literal('add'), items: z.array(item).min(1).max(MOST_ITEMS) }),
  z.strictObject({ ...common, act: z.literal('take'), items: z.array(madeId).min(1).max(MOST_ITEMS) }),
  z.strictObject({ ...common, act: z.literal('bring'), items: z.array(madeId).min(1).max(MOST_ITEMS) }),
  z.strictObject({ ...common, act: z.literal('change'), item: madeId, set: itemChange, was: itemChange }),
])
export type PageEvent = z.infer<typeof pageEvent>

/** What the server adds when it keeps an event: its place in the order of its layer, who, in which round, when. */
export const keeping = z.object({
  seq: z.number().int().min(1),
  author: z.string(),
  round: z.number().int().min(1),
  keptAt: z.number(),
  /** It may touch what others made: the teacher allowed it in this copy, or is the one who does it. */
  free: z.boolean().optional(),
})
export type Keeping = z.infer<typeof keeping>
export type KeptEvent = PageEvent & Keeping

/** An event with who made it and in which round: all that `apply` needs. A device signs its own until the server has. */
export type SignedEvent = PageEvent & Pick<Keeping, 'author' | 'round' | 'free'>
