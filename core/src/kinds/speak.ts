import { z } from 'zod'
import { label } from './lettering.ts'
import { lying } from './lying.ts'
import { placeFrame, placeLabel } from './place.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({ ...lying, kind: z.literal('speak'), label })
export type Speak = z.infer<typeof schema>

/** A place to speak. */
export const speak: PrintedKind<Speak> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'speak', label: '' }),
  drawn: (item, measure) => [placeFrame(item), ...placeLabel(item.label || 'Speak here', item, measure)],
}
