import { z } from 'zod'
import { answerValue, optionsOf, textOf } from './answerValue.ts'
import type { ItemKind } from './itemKind.ts'
import { madeId } from './lying.ts'

/** The answer at a printed answer place. Its id comes from copy and place (page/answers.ts), so there is one. */
const schema = z.strictObject({ id: madeId, kind: z.literal('answer'), place: madeId, value: answerValue })
export type Answer = z.infer<typeof schema>

export const answer: ItemKind<Answer> = {
  schema,
  isShared: true,
  changed: (item, { value = item.value }) => ({ ...item, value }),
  asChange: ({ value }) => ({ value }),
  names: ({ place, value }) => ({ printed: place, value }),
  touches: ({ place, value }, { id }) =>
    place === id && (textOf(value).trim() !== '' || optionsOf(value).length > 0),
}
