import { blankItem, type FormulaDrawing, keptWhereSeen, type Thing } from '@hand-back/core'

/** A formula as a thing, its middle at a place of the page. */
export function formulaThing(
  latex: string,
  drawing: FormulaDrawing,
  at: { x: number; y: number },
  colour: string,
  size: number,
): Thing {
  const [width, height] = [drawing.width * size, (drawing.ascent + drawing.descent) * size]
  const box = { x: at.x - width / 2, y: at.y - height / 2, width, height }
  const blank = blankItem('formula', box, () => crypto.randomUUID())
  return { ...blank, latex, drawing, colour, turn: 0 }
}

/** A formula written anew, its letters as large as they were, where it lay. */
export function rewrittenFormula(
  was: Extract<Thing, { kind: 'formula' }>,
  latex: string,
  drawing: FormulaDrawing,
): Thing {
  const tall = was.drawing.ascent + was.drawing.descent
  const size = tall > 0 ? was.height / tall : 18
  const now = {
    ...was,
    latex,
    drawing,
    width: drawing.width * size,
    height: (drawing.ascent + drawing.descent) * size,
  }
  return keptWhereSeen(was, now)
}
