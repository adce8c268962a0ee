import { boxPath, type Drawn, type Lettering, type Measure } from '../draw/drawn.ts'
import { drawnText, textHeight } from '../draw/text.ts'
import type { Box } from '../worksheet/box.ts'
import { type AnswerValue, textOf } from './answerValue.ts'
import { INK, PLACE } from './lettering.ts'

// What answer places have in common: a rim, and small letters that say what is asked for.

/** The small letters that say what a place wants. */
export const PLACE_LABEL: Lettering = { face: 'plain', size: 8, bold: false }

const GROUND = '#f5f9f8'

export const placeFrame = (box: Box): Drawn => ({
  kind: 'path',
  d: boxPath(box, 3),
  stroke: PLACE,
  width: 0.9,
  fill: GROUND,
})

/** The rim of a place that things are dropped into. */
export const dashedFrame = (box: Box): Drawn => ({
  kind: 'path',
  d: boxPath(box, 4),
  stroke: PLACE,
  width: 1.1,
  dash: [5, 3.5],
  fill: GROUND,
})

export function placeLabel(text: string, box: Box, measure: Measure): Drawn[] {
  if (text === '') return []
  const inner = { x: box.x + 5, y: box.y + 2.5, width: box.width - 10, height: PLACE_LABEL.size }
  return drawnText(text, inner, { ...PLACE_LABEL, colour: PLACE }, measure).drawn
}

/** How high the label over an answer is, in points; none without a label. */
export function labelHeight(label: string, width: number, measure: Measure): number {
  return label === '' ? 0 : textHeight(label, width - 10, { ...PLACE_LABEL, colour: '' }, measure) + 2
}

/** What was typed, as letters in an area. `size` in points. */
export function lettersIn(
  area: Box,
  size: number,
  value: AnswerValue | undefined,
  measure: Measure,
): Drawn[] {
  const text = textOf(value)
  const style = { face: 'reading', size, bold: false, colour: INK } as const
  return text === '' ? [] : drawnText(text, area, style, measure).drawn
}
