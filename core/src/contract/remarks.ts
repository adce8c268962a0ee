import { z } from 'zod'
import { attachmentsOfItem, item } from '../kinds/items.ts'
import { hundredths } from '../kinds/mark.ts'
import { plainText } from '../words/plainText.ts'

/** The most remarks that one teacher keeps, and the most that travel in one request. */
export const MOST_REMARKS = 5000
export const MOST_REMARKS_SENT = 100
/** The most bytes that one remark takes as JSON. */
const MOST_BYTES = 60_000
/** The most letters of a unit's name. */
const MOST_UNIT = 80
const KINDS = new Set(['stroke', 'text', 'direction', 'formula', 'shape', 'sign', 'voice'])

/**
 * What is put on the page again: ink, words, signs, speech, with their upper left corner at 0, 0. The `recording` of what
 * is spoken is among its teacher's own (`keepSpoken`): each copy gets a sound of its own of it.
 */
const remarkItems = z
  .array(item)
  .min(1)
  .max(300)
  .refine(
    (items) =>
      items.every(
        (each) => KINDS.has(each.kind) && (each.kind === 'voice' || attachmentsOfItem(each).length === 0),
      ),
    'A remark is made of ink, words, signs and speech.',
  )
  .refine((items) => JSON.stringify(items).length <= MOST_BYTES, 'This is too much for one remark.')

/** A piece of feedback kept under a short name. `carries`: the marks that it gives with it, in hundredths. */
export const remarkKept = z.object({
  id: z.uuid(),
  name: plainText().trim().min(1).max(60),
  unit: plainText().trim().max(MOST_UNIT),
  items: remarkItems,
  carries: hundredths,
})
export type RemarkKept = z.infer<typeof remarkKept>

/** A remark with how often it was used, in all and at each question. */
export const remark = remarkKept.extend({
  uses: z.number().int().min(0),
  usesAt: z.record(z.uuid(), z.number().int().min(0)),
})
export type Remark = z.infer<typeof remark>

/** What of a remark is another from now on; `gone`: it is kept no more, or again. */
export const remarkChange = remarkKept.omit({ id: true }).partial().extend({ gone: z.boolean().optional() })
export type RemarkChange = z.infer<typeof remarkChange>
