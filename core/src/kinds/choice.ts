import { z } from 'zod'
import { boxPath, circlePath, type Drawn, type Measure, segmentPath } from '../draw/drawn.ts'
import { drawnText, textHeight } from '../draw/text.ts'
import { plainText } from '../words/plainText.ts'
import { type Box, middle } from '../worksheet/box.ts'
import { type AnswerValue, optionsOf } from './answerValue.ts'
import { INK, label, letterSize, PLACE } from './lettering.ts'
import { lying, madeId } from './lying.ts'
import { LEAST, type PrintedKind } from './printedKind.ts'

const schema = z.object({
  ...lying,
  kind: z.literal('choice'),
  label,
  options: z
    .array(z.object({ id: madeId, text: plainText().max(300) }))
    .min(1)
    .max(30),
  many: z.boolean(),
  across: z.boolean(),
  size: letterSize,
})
export type Choice = z.infer<typeof schema>

/** Options to choose one or several of. */
export const choice: PrintedKind<Choice> = {
  schema,
  isAnswerPlace: true,
  reshapes: 'as words',
  blank: (lies, newId) => ({
    ...lies,
    kind: 'choice',
    label: '',
    options: ['Yes', 'No'].map((text) => ({ id: newId(), text })),
    many: false,
    across: false,
    size: 13,
  }),
  drawn: (item, measure) => {
    const style = { face: 'reading', size: item.size, bold: false, colour: INK } as const
    const drawn: Drawn[] = []
    if (item.label) drawn.push(...drawnText(item.label, item, style, measure).drawn)
    for (const { option, box, sign, words } of choiceRows(item, measure)) {
      const d = item.many ? boxPath(sign, 1.5) : circlePath(middle(sign).x, middle(sign).y, sign.width / 2)
      drawn.push({ kind: 'path', d, stroke: PLACE, width: 1.1, fill: '#ffffff' })
      drawn.push(...drawnText(option.text, { ...words, height: box.height }, style, measure).drawn)
    }
    return drawn
  },
  takes: (value) => 'options' in value,
  answered: chosenSigns,
  fitted: (item, measure) => {
    const width = Math.max(item.width, LEAST)
    const rows = choiceRows({ ...item, width }, measure)
    return { ...item, width, height: Math.max(...rows.map(({ box }) => box.y + box.height)) - item.y }
  },
  grown: ({ size }, letters) => ({ size: letters(size) }),
  readAloud: (item) => [item.label, item.options.map(({ text }) => text).join(', ')],
}

/** What was chosen, as signs in its circles or boxes. */
function chosenSigns(item: Choice, value: AnswerValue | undefined, measure: Measure): Drawn[] {
  const chosen = optionsOf(value)
  const rows = choiceRows(item, measure).filter(({ option }) => chosen.includes(option.id))
  return rows.map(({ sign }) => ({ kind: 'path', ...(item.many ? cross(sign) : dot(sign)) }))
}

function dot(sign: Box) {
  return { d: circlePath(middle(sign).x, middle(sign).y, sign.width * 0.28), fill: INK }
}

function cross({ x, y, width, height }: Box) {
  const [l, r, t, b] = [x + width * 0.22, x + width * 0.78, y + height * 0.22, y + height * 0.78]
  return { d: segmentPath(l, t, r, b) + segmentPath(r, t, l, b), stroke: INK, width: width * 0.13 }
}

/** One option of a choice: where one may press, its sign, and its words. */
export interface ChoiceRow {
  readonly option: { readonly id: string; readonly text: string }
  readonly box: Box
  readonly sign: Box
  readonly words: Box
}

/** The options of a choice, one under another or side by side, below its label. */
export function choiceRows(item: Choice, measure: Measure): ChoiceRow[] {
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
