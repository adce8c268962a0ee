import { z } from 'zod'
import { label } from './lettering.ts'
import { lying } from './lying.ts'
import { dashedFrame, placeLabel } from './place.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({ ...lying, kind: z.literal('drop'), label })
export type Drop = z.infer<typeof schema>

/** A place that cards are dropped into. */
export const drop: PrintedKind<Drop> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'drop', label: '' }),
  drawn: (item, measure) => [dashedFrame(item), ...placeLabel(item.label, item, measure)],
  words: (item) => item.label && `Drop place: ${item.label}`,
  readAloud: (item) => [item.label && `Drop place: ${item.label}`],
}
