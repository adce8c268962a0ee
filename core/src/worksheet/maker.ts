import { boundsOf } from '../ink/points.ts'
import { type Stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'
import { type Box, mm, POINTS_PER_MM } from './box.ts'
import type { WorksheetPage } from './page.ts'
import type { Printed, PrintedItem } from './printed.ts'
import { type Axis, PAGE_SIZES, type Ruling } from './ruling.ts'

const INK = '#1e2b3a'
export const LINES = '#9fb4c7'
const A4 = { width: PAGE_SIZES.A4.width * POINTS_PER_MM, height: PAGE_SIZES.A4.height * POINTS_PER_MM }

/** A box given in millimetres, in points. */
export const atMm = (x: number, y: number, width: number, height: number): Box => ({
  x: mm(x),
  y: mm(y),
  width: mm(width),
  height: mm(height),
})

/** Makes pages and things with the looks that worksheets begin with. */
export class PageMaker {
  readonly #newId: () => string
  constructor(newId: () => string) {
    this.#newId = newId
  }

  page(ruling: Ruling, printed: PrintedItem[]): WorksheetPage {
    return { id: this.#newId(), ...A4, paper: { kind: 'ruled', ruling }, printed }
  }

  text(box: Box, text: string, size = 14, bold = false): Printed<'text'> {
    return {
      id: this.#newId(),
      kind: 'text',
      ...box,
      text,
      size,
      bold,
      face: bold ? 'book' : 'reading',
      colour: INK,
      align: 'left',
      list: 'none',
    }
  }

  direction(box: Box, text: string, tone: Printed<'direction'>['tone'] = 'slate'): Printed<'direction'> {
    return { id: this.#newId(), kind: 'direction', ...box, text, size: 13, tone }
  }

  typed(box: Box, label: string, takes: Printed<'typed'>['takes'] = 'line'): Printed<'typed'> {
    return { id: this.#newId(), kind: 'typed', ...box, label, takes, size: 14 }
  }

  drop(box: Box, label: string): Printed<'drop'> {
    return { id: this.#newId(), kind: 'drop', ...box, label }
  }

  card(box: Box, text: string, stack = false): Printed<'card'> {
    const face = { kind: 'text', text, size: 14 } as const
    return { id: this.#newId(), kind: 'card', ...box, face, tint: '#f7f5ef', stack }
  }

  speak(box: Box, label: string): Printed<'speak'> {
    return { id: this.#newId(), kind: 'speak', ...box, label }
  }

  plot(box: Box, across: Axis, up: Axis, formulas: readonly string[] = []): Printed<'plot'> {
    const curves = formulas.map((formula) => ({ formula, colour: '#2457a6' }))
    return { id: this.#newId(), kind: 'plot', ...box, across, up, grid: true, curves, parameters: [] }
  }

  /** The teacher's own ink: what was written in it stays as it was written. */
  ink(stroke: Stroke): Printed<'ink'> {
    return inkItem(this.#newId(), stroke)
  }
}

/** A stroke as a thing on the page, where it was drawn. */
export function inkItem(id: string, stroke: Stroke): Printed<'ink'> {
  const { x0, y0, x1, y1 } = boundsOf(strokePoints(stroke), strokeWidth(stroke) / 2)
  const inner = { x: x0, y: y0, width: x1 - x0, height: y1 - y0 }
  return { id, kind: 'ink', ...inner, stroke, inner }
}
