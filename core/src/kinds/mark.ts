import { z } from 'zod'
import type { Drawn } from '../draw/drawn.ts'
import { sayMarks } from '../marks/sayMarks.ts'
import { plainText } from '../words/plainText.ts'
import type { ItemKind } from './itemKind.ts'
import { madeId, place } from './lying.ts'
import { reachedLevel } from './reachedLevel.ts'

/** Marks are counted in hundredths, so that halves and tenths add up exactly. */
export const hundredths = z.number().int().min(0).max(100_000)

/**
 * The marks given for a question in one round: `given` of `full`, in hundredths of a mark, at x, y on the page,
 * level with the question. It says for itself what the question was called and worth, whatever becomes of that. For a
 * criterion of a rubric it has the level that was reached, and stands at no place of the page.
 */
const schema = z
  .strictObject({
    id: madeId,
    kind: z.literal('mark'),
    question: madeId,
    label: plainText().max(60),
    given: hundredths,
    full: hundredths,
    level: reachedLevel.optional(),
    x: place,
    y: place,
  })
  .refine(({ given, full }) => given <= full, 'More than full marks cannot be given.')
export type Mark = z.infer<typeof schema>

export const mark: ItemKind<Mark> = {
  schema,
  isShared: true,
  onlyOn: 'feedback',
  level: 'thing',
  drawn: (item) => (item.level ? [] : markSign(item)),
  changed: (item, { given = item.given, level = item.level }) => ({
    ...item,
    given: Math.min(given, item.full),
    ...(item.level && level ? { level } : {}),
  }),
  asChange: ({ given, level }) => ({ given, ...(level ? { level } : {}) }),
}

const MADDER = '#a83a2e'
/** The height of its letters, in points. */
const SIZE = 13

/** Written in the margin of the page, as on paper. */
function markSign({ x, y, given, full }: Mark): Drawn[] {
  const letters = { face: 'book', bold: true, colour: MADDER } as const
  return [
    { kind: 'text', text: `${sayMarks(given)} of ${sayMarks(full)}`, x, y: y + SIZE, size: SIZE, ...letters },
  ]
}
