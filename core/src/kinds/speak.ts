import { z } from 'zod'
import type { Measure } from '../draw/drawn.ts'
import type { Box } from '../worksheet/box.ts'
import { textOf } from './answerValue.ts'
import { label } from './lettering.ts'
import { lying } from './lying.ts'
import { labelHeight, lettersIn, placeFrame, placeLabel } from './place.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({ ...lying, kind: z.literal('speak'), label })
export type Speak = z.infer<typeof schema>

/** How large the letters of an answer typed instead are, in points. */
export const TYPED_INSTEAD = 12

const calledOf = (item: Speak) => item.label || 'Speak here'

/** A place to speak; who cannot, or would rather not, types there. */
export const speak: PrintedKind<Speak> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'speak', label: '' }),
  drawn: (item, measure) => [placeFrame(item), ...placeLabel(calledOf(item), item, measure)],
  takes: (value) => 'text' in value,
  answered: (item, value, measure) => lettersIn(wordsArea(item, measure), TYPED_INSTEAD, value, measure),
  isTypedInto: true,
  readAloud: (item, value) => [item.label, textOf(value)],
}

/** A voice note that lies in the place is so large, with some air, in points. */
const NOTE = { width: 98, height: 52 }
/** What is pressed stands at the right, so broad. */
const BUTTONS = 40

/** The part of a place to speak that words go into: under a note where there is room for that, else beside it. */
export function wordsArea(item: Speak, measure: Measure): Box {
  const above = labelHeight(calledOf(item), item.width, measure)
  const under = item.height - above - NOTE.height >= 3 * TYPED_INSTEAD
  const left = under ? 5 : Math.min(NOTE.width, item.width / 2)
  const top = under ? above + NOTE.height : above
  const right = under ? 5 : Math.min(BUTTONS, item.width / 4)
  return {
    x: item.x + left,
    y: item.y + top,
    width: item.width - left - right,
    height: item.height - top - 2,
  }
}
