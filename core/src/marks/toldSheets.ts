import type { Measure } from '../draw/drawn.ts'
import { textHeight } from '../draw/text.ts'
import { INK } from '../kinds/lettering.ts'
import { blankItem, type PrintedItem } from '../kinds/printed.ts'
import type { Box } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'

const RULE = '#cfc8bb'
/** Sizes in points: an A4 sheet, its margin, the letters, the rim of a cell. */
export const [SHORT, LONG] = [595.28, 841.89]
const MARGIN = 48
const LETTERS = 9
const RIM = 5

/** Words in a row of a sheet, from x on, so wide. */
export interface Cell {
  readonly text: string
  readonly x: number
  readonly width: number
  readonly size?: number
  readonly bold?: boolean
  readonly colour?: string
  readonly fill?: string
}

/** Sheets of A4 that rows are laid on, one below the other; a row that has no room begins the next sheet. */
export class ToldSheets {
  readonly pages: WorksheetPage[] = []
  /** Laid again at the head of each new sheet. */
  heads: readonly Cell[] = []
  readonly #size: { width: number; height: number }
  readonly #measure: Measure
  #printed: PrintedItem[] = []
  #y = 0
  readonly #first: number

  /** `across`: they lie on their long side. `first`: the number of the first, where others stand before them. */
  constructor(across: boolean, measure: Measure, first = 0) {
    this.#size = across ? { width: LONG, height: SHORT } : { width: SHORT, height: LONG }
    this.#measure = measure
    this.#first = first
  }

  all() {
    return { x: MARGIN, width: this.#size.width - 2 * MARGIN }
  }

  row(cells: readonly Cell[], ruled: boolean): void {
    const rim = ruled ? RIM : 0
    const height =
      Math.max(...cells.map(({ text, width, ...cell }) => this.#heightOf(text, width - 2 * rim, cell))) +
      2 * RIM
    if (this.pages.length === 0 || this.#y + height > this.#size.height - MARGIN) this.#newSheet(cells)
    for (const cell of cells) {
      const box = { x: cell.x, y: this.#y, width: cell.width, height }
      if (ruled) this.#add({ ...box, kind: 'shape', colour: RULE, line: 0.75, fill: cell.fill ?? null })
      if (cell.text !== '')
        this.#add({
          x: box.x + rim,
          y: box.y + RIM,
          width: box.width - 2 * rim,
          height: height - 2 * RIM,
          kind: 'text',
          face: 'reading',
          text: cell.text,
          size: cell.size ?? LETTERS,
          bold: cell.bold ?? false,
          colour: cell.colour ?? INK,
        })
    }
    this.#y += height
  }

  /** A little room before what comes next. */
  space(): void {
    this.#y += 2 * LETTERS
  }

  #heightOf(text: string, width: number, { size = LETTERS, bold = false }: Partial<Cell>): number {
    return textHeight(text, width, { face: 'reading', size, bold, colour: INK }, this.#measure)
  }

  #newSheet(cells: readonly Cell[]): void {
    this.#printed = []
    this.#y = MARGIN
    this.pages.push({
      id: idOf(this.#first + this.pages.length, 0),
      ...this.#size,
      paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
      printed: this.#printed,
    })
    if (this.heads.length > 0 && cells !== this.heads) this.row(this.heads, true)
  }

  #add(of: Box & Partial<PrintedItem> & { kind: 'text' | 'shape' }): void {
    const id = idOf(this.#first + this.pages.length, this.#printed.length + 1)
    this.#printed.push({ ...blankItem(of.kind, of, () => id), ...of } as PrintedItem)
  }
}

/** Ids of what is nowhere kept: sheets, and what is printed on them. */
const idOf = (sheet: number, item: number): string =>
  `00000000-0000-4000-8${String(sheet).padStart(3, '0')}-${String(item).padStart(12, '0')}`
