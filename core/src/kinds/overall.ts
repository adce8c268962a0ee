import { z } from 'zod'
import { plainText } from '../words/plainText.ts'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'

export const overallWords = plainText().max(4000)

/** A teacher's words about the whole work in one round: they lie at no place of a page. */
const schema = z.strictObject({ id: madeId, kind: z.literal('overall'), words: overallWords })
export type Overall = z.infer<typeof schema>

export const overall: ItemKind<Overall> = {
  schema,
  isShared: true,
  onlyOn: 'feedback',
  changed: (item, { words = item.words }) => ({ ...item, words }),
  asChange: ({ words }) => ({ words }),
}
