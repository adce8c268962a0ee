import { z } from 'zod'
import type { Drawn, Measure } from '../draw/drawn.ts'
import { LINE_HEIGHT } from '../draw/text.ts'
import type { Box } from '../worksheet/box.ts'
import { type AnswerValue, textOf } from './answerValue.ts'
import { label, letterSize } from './lettering.ts'
import { lying } from './lying.ts'
import { labelHeight, lettersIn, PLACE_LABEL, placeFrame, placeLabel } from './place.ts'
import type { PrintedKind } from './printedKind.ts'

const schema = z.object({
  ...lying,
  kind: z.literal('typed'),
  label,
  takes: z.enum(['line', 'lines', 'number']),
  size: letterSize,
})
export type Typed = z.infer<typeof schema>

/** A box that is typed into. */
export const typed: PrintedKind<Typed> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'freely',
  blank: (lies) => ({ ...lies, kind: 'typed', label: '', takes: 'line', size: 14 }),
  drawn: (item, measure) => [placeFrame(item), ...placeLabel(item.label, item, measure)],
  takes: (value) => 'text' in value,
  answered: typedLetters,
  isTypedInto: true,
  grown: ({ size }, letters) => ({ size: letters(size) }),
  readAloud: (item, value) => [item.label, textOf(value)],
}

function typedLetters(item: Typed, value: AnswerValue | undefined, measure: Measure): Drawn[] {
  return lettersIn(typedArea(item, measure), item.size, value, measure)
}

/** The part of a typed box that words go into: beside the label where that leaves one line, else below it. */
export function typedArea(item: Typed, measure: Measure): Box {
  const line = item.size * LINE_HEIGHT
  const above = labelHeight(item.label, item.width, measure)
  const beside = item.label === '' ? 0 : measure(item.label, PLACE_LABEL) + 5
  const room = item.height - above >= line || beside > item.width * 0.6
  const area = room
    ? { x: item.x + 5, y: item.y + above, width: item.width - 10, height: item.height - above }
    : { x: item.x + 5 + beside, y: item.y, width: item.width - 10 - beside, height: item.height }
  if (item.takes === 'lines') return area
  // One line stands in the middle of what is left.
  const spare = Math.max(0, area.height - line) / 2
  return { ...area, y: area.y + spare, height: Math.min(area.height, line) }
}
