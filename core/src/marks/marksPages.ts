import type { Measure } from '../draw/drawn.ts'
import type { Mark } from '../kinds/mark.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { type Rubric, sayRubricSum } from './rubric.ts'
import { sayMarks } from './sayMarks.ts'
import { ToldSheets } from './toldSheets.ts'

const MADDER = '#a83a2e'
const REACHED = '#f7e6e2'
/** How wide the column of criteria is, in points. */
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
export function marksPages(about: AboutAll, measure: Measure): WorksheetPage[] {
  const sheets = new ToldSheets(liesAcross(about), measure)
  layAboutAll(sheets, about)
  return sheets.pages
}

/** Whether sheets lie on their long side, for the levels of a rubric to stand side by side. */
export const liesAcross = ({ rubric }: Pick<AboutAll, 'rubric'>): boolean =>
  (rubric?.levels.length ?? 0) > MOST_UPRIGHT

/** Lays what is said about the whole of a copy on sheets. */
export function layAboutAll(sheets: ToldSheets, { rubric, marks, words }: AboutAll): void {
  if (rubric) layTable(sheets, rubric, marks)
  if (words === '') return
  sheets.space()
  sheets.row([{ text: 'About the whole work', ...sheets.all(), size: 13, bold: true }], false)
  for (const text of words.split(/\r?\n/))
    sheets.row([{ text, ...sheets.all(), size: 11, colour: MADDER }], false)
}

function layTable(sheets: ToldSheets, rubric: Rubric, marks: ReadonlyMap<string, Mark>): void {
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
