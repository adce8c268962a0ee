import { z } from 'zod'
import type { Drawn } from '../draw/drawn.ts'
import { plainText } from '../words/plainText.ts'
import type { Box } from '../worksheet/box.ts'
import { INK } from './lettering.ts'
import { colour, laidBox, lyingTurned, notLaid } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { thingKind } from './thingKind.ts'

/** A formula: how it was written, and its outline (one path in units of 1/1000 em, y down from its baseline) with its size in em. */
export const formulaDrawing = z.object({
  path: z
    .string()
    .max(200_000)
    .regex(/^[MLQCZ0-9 .,-]*$/),
  width: z.number().min(0).max(1000),
  ascent: z.number().min(-100).max(1000),
  descent: z.number().min(-100).max(1000),
})
export type FormulaDrawing = z.infer<typeof formulaDrawing>
export const latex = plainText().max(2000, 'That formula is too long.')

const schema = z.object({
  ...lyingTurned,
  kind: z.literal('formula'),
  latex,
  drawing: formulaDrawing,
  colour,
})
export type Formula = z.infer<typeof schema>

/** A formula, as large as its box is high. */
export const formula: PrintedKind<Formula> = {
  schema,
  turns: true,
  reshapes: 'in shape',
  blank: (lies) => ({
    ...lies,
    kind: 'formula',
    latex: '',
    drawing: { path: '', width: 0, ascent: 0, descent: 0 },
    colour: INK,
  }),
  drawn: (item) => drawnFormula(item.drawing, item, item.colour),
  words: (item) => item.latex,
  isEmpty: (item) => item.latex.trim() === '',
}

/** A formula that somebody put on a copy. */
export const laidFormula = thingKind(formula, schema.omit(notLaid).extend(laidBox))

/** A formula as large as its box is high. */
export function drawnFormula(drawing: FormulaDrawing, box: Box, fill: string): Drawn[] {
  const tall = drawing.ascent + drawing.descent
  if (tall <= 0 || drawing.width <= 0) return []
  const size = Math.min(box.height / tall, box.width / drawing.width)
  const at = { x: box.x, y: box.y + drawing.ascent * size, scale: size / 1000 }
  return [{ kind: 'path', d: drawing.path, fill, at }]
}
