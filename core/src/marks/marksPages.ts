import type { Measure } from '../draw/drawn.ts'
import { textHeight } from '../draw/text.ts'
import { INK } from '../kinds/lettering.ts'
import type { Mark } from '../kinds/mark.ts'
import { blankItem, type PrintedItem } from '../kinds/printed.ts'
import type { Box } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { type Rubric, sayRubricSum } from './rubric.ts'
import { sayMarks } from './sayMarks.ts'

const MADDER = '#a83a2e'
const REACHED = '#f7e6e2'
const RULE = '#cfc8bb'
/** Sizes in points: an A4 sheet, its margin, the letters, the rim of a cell, the column of criteria. */
const [SHORT, LONG] = [595.28, 841.89]
const MARGIN = 48
const LETTERS = 9
const RIM = 5
const LABEL = 120
/** With more levels than this a table lies across the sheet. */
const MOST_UPRIGHT = 4

/** What is said about the whole of a copy. */
export interface AboutAll {
  readonly rubric: Rubric | null
  /** The marks that were given, by question or criterion. */
  readonly marks: ReadonlyMap<string, Mark>
  /** A teacher's words about the whole work. */
  readonly words: string
}

/**
 * What is said about the whole of a copy, on sheets of its own behind its pages: the rubric as a table with the levels
 * that were reached, and words about all of it. No sheet where there is nothing to say.
 */
export function marksPages({ rubric, marks, words }: AboutAll, measure: Measure): WorksheetPage[] {
  const across = (rubric?.levels.length ?? 0) > MOST_UPRIGHT
  const sheets = new Sheets(across ? { width: LONG, height: SHORT } : { width: SHORT, height: LONG }, measure)
  if (rubric) layTable(sheets, rubric, marks)
  if (words !== '') {
    sheets.space()
    sheets.row([{ text: 'About the whole work', ...sheets.all(), size: 13, bold: true }], false)
    for (const text of words.split(/\r?\n/))
      sheets.row([{ text, ...sheets.all(), size: 11, colour: MADDER }], false)
  }
  return sheets.pages
}

function layTable(sheets: Sheets, rubric: Rubric, marks: ReadonlyMap<string, Mark>): void {
  const { levels, criteria, name } = rubric
  const { x, width } = sheets.all()
  const wide = (width - LABEL) / levels.length
  const at = (column: number) => ({ x: x + LABEL + column * wide, width: wide })
  const text = sayRubricSum(rubric, marks)
  sheets.row([{ text: name, ...sheets.all(), size: 16, bold: true }], false)
  if (text) sheets.row([{ text, ...sheets.all(), size: 13, bold: true, colour: MADDER }], false)
  sheets.heads = [
    { text: '', x, width: LABEL },
    ...levels.map((text, column) => ({ text, ...at(column), bold: true })),
  ]
  sheets.row(sheets.heads, true)
  for (const { id, label, cells } of criteria) {
    const reached = marks.get(id)?.level?.at
    sheets.row(
      [
        { text: label, x, width: LABEL, bold: true },
        ...cells.map((cell, column) => ({
          text: [cell.words, cell.marks > 0 ? sayMarks(cell.marks) : ''].filter(Boolean).join('\n'),
          ...at(column),
          ...(reached === column ? { fill: REACHED, colour: MADDER, bold: true } : {}),
        })),
      ],
      true,
    )
  }
  sheets.heads = []
}

interface Cell {
  readonly text: string
  readonly x: number
  readonly width: number
  readonly size?: number
  readonly bold?: boolean
  readonly colour?: string
  readonly fill?: string
}

/** Sheets that rows are laid on, one below the other; a row that has no room begins the next sheet. */
class Sheets {
  readonly pages: WorksheetPage[] = []
  /** Laid again at the head of each new sheet. */
  heads: readonly Cell[] = []
  readonly #size: { width: number; height: number }
  readonly #measure: Measure
  #printed: PrintedItem[] = []
  #y = 0

  constructor(size: { width: number; height: number }, measure: Measure) {
    this.#size = size
    this.#measure = measure
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
      id: idOf(this.pages.length, 0),
      ...this.#size,
      paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
      printed: this.#printed,
    })
    if (this.heads.length > 0 && cells !== this.heads) this.row(this.heads, true)
  }

  #add(of: Box & Partial<PrintedItem> & { kind: 'text' | 'shape' }): void {
    const id = idOf(this.pages.length, this.#printed.length + 1)
    this.#printed.push({ ...blankItem(of.kind, of, () => id), ...of } as PrintedItem)
  }
}

/** Ids of what is nowhere kept: sheets, and what is printed on them. */
const idOf = (sheet: number, item: number): string =>
  `00000000-0000-4000-8${String(sheet).padStart(3, '0')}-${String(item).padStart(12, '0')}`
