import type { Stroke } from '../ink/stroke.ts'
import type { Tone } from '../kinds/direction.ts'
import { inkItem } from '../kinds/ink.ts'
import { blankItem, type Printed, type PrintedItem, type PrintedKind } from '../kinds/printed.ts'
import { type Box, mm, POINTS_PER_MM } from './box.ts'
import type { WorksheetPage } from './page.ts'
import { type Axis, PAGE_SIZES, type Ruling } from './ruling.ts'

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
    return { ...this.#blank('text', box), text, size, bold, face: bold ? 'book' : 'reading' }
  }

  direction(box: Box, text: string, tone: Tone = 'slate'): Printed<'direction'> {
    return { ...this.#blank('direction', box), text, tone }
  }

  typed(box: Box, label: string, takes: Printed<'typed'>['takes'] = 'line'): Printed<'typed'> {
    return { ...this.#blank('typed', box), label, takes }
  }

  drop(box: Box, label: string): Printed<'drop'> {
    return { ...this.#blank('drop', box), label }
  }

  card(box: Box, text: string, stack = false): Printed<'card'> {
    return { ...this.#blank('card', box), face: { kind: 'text', text, size: 14 }, stack }
  }

  speak(box: Box, label: string): Printed<'speak'> {
    return { ...this.#blank('speak', box), label }
  }

  plot(box: Box, across: Axis, up: Axis, formulas: readonly string[] = []): Printed<'plot'> {
    const curves = formulas.map((formula) => ({ formula, colour: '#2457a6' }))
    return { ...this.#blank('plot', box), across, up, curves }
  }

  /** The teacher's own ink: what was written in it stays as it was written. */
  ink(stroke: Stroke): Printed<'ink'> {
    return inkItem(this.#newId(), stroke)
  }

  #blank<Kind extends PrintedKind>(kind: Kind, box: Box): Printed<Kind> {
    return blankItem(kind, box, this.#newId)
  }
}
