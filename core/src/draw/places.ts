import type { Box } from '../worksheet/box.ts'
import type { Printed } from '../worksheet/printed.ts'
import type { Lettering, Measure } from './mark.ts'
import { LINE_HEIGHT, textHeight } from './text.ts'

// Where in an answer place the answer goes: the same on the screen, in print, and for a finger.

/** The small letters that say what a place wants. */
export const PLACE_LABEL: Lettering = { face: 'plain', size: 8, bold: false }

/** How high the label over an answer is, in points; none without a label. */
export function labelHeight(label: string, width: number, measure: Measure): number {
  return label === '' ? 0 : textHeight(label, width - 10, { ...PLACE_LABEL, colour: '' }, measure) + 2
}

/** The part of a typed box that words go into: beside the label where that leaves one line, else below it. */
export function typedArea(item: Printed<'typed'>, measure: Measure): Box {
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

/** One option of a choice: where one may press, its sign, and its words. */
export interface ChoiceRow {
  readonly option: { readonly id: string; readonly text: string }
  readonly box: Box
  readonly sign: Box
  readonly words: Box
}

/** The options of a choice, one under another or side by side, below its label. */
export function choiceRows(item: Printed<'choice'>, measure: Measure): ChoiceRow[] {
  const style = { face: 'reading', size: item.size, bold: false, colour: '' } as const
  const top = item.label === '' ? 0 : textHeight(item.label, item.width, style, measure) + item.size * 0.3
  const count = item.options.length
  const side = item.size * 1.05
  const width = item.across ? item.width / count : item.width
  let y = item.y + top
  return item.options.map((option, index) => {
    const x = item.x + (item.across ? index * width : 0)
    const words = { x: x + side * 1.5, y, width: Math.max(side, width - side * 1.5), height: 0 }
    const height = Math.max(side, textHeight(option.text, words.width, style, measure)) + item.size * 0.25
    const box = { x, y, width, height }
    if (!item.across) y += height
    return {
      option,
      box,
      sign: { x, y: box.y + item.size * 0.16, width: side, height: side },
      words: { ...words, height },
    }
  })
}

/** The height that a choice needs, in points. */
export function choiceHeight(item: Printed<'choice'>, measure: Measure): number {
  const rows = choiceRows(item, measure)
  return Math.max(...rows.map(({ box }) => box.y + box.height)) - item.y
}
