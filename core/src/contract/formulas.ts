import { z } from 'zod'
import { formulaDrawing } from '../kinds/formula.ts'
import { plainText } from '../words/plainText.ts'

export const formulaAsked = z.object({
  latex: plainText().trim().min(1).max(2000, 'That formula is too long.'),
})
export const formulaDrawn = formulaDrawing
