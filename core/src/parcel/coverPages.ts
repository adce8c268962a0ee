import type { Measure } from '../draw/drawn.ts'
import type { Mark } from '../kinds/mark.ts'
import { fullOf, perCent, sumOf } from '../marks/marks.ts'
import { type AboutAll, layAboutAll, liesAcross } from '../marks/marksPages.ts'
import { criteriaOf } from '../marks/rubric.ts'
import { sayMarks } from '../marks/sayMarks.ts'
import { ToldSheets } from '../marks/toldSheets.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import type { Question } from '../worksheet/sheet.ts'
import type { SaidRemark } from './remarksOn.ts'

const MADDER = '#a83a2e'
const SOFT = '#55606b'
/** How wide the columns of questions and of places are, in points. */
const [QUESTION, PLACE] = [210, 110]

/** What a cover tells of a copy. */
export interface CoverOf extends AboutAll {
  readonly title: string
  readonly name: string
  readonly className: string
  /** When it was handed out and how it stands, in words. */
  readonly standing: string
  /** The questions that it has. */
  readonly questions: readonly Question[]
  readonly remarks: readonly SaidRemark[]
  /** Marks are told. */
  readonly withMarks: boolean
}

/**
 * The sheets before a copy that is taken away: whose it is, what its marks come to, question by question, the rubric with
 * what was reached, words about the whole work, and every remark written out with the place where it stands.
 */
export function coverPages(of: CoverOf, measure: Measure): WorksheetPage[] {
  const sheets = new ToldSheets(liesAcross(of), measure, 500)
  const line = (text: string, size: number, colour?: string, bold = false) =>
    sheets.row([{ text, ...sheets.all(), size, bold, ...(colour ? { colour } : {}) }], false)
  line(of.name, 22, undefined, true)
  line(of.title, 15, undefined, true)
  line([of.className, of.standing].filter(Boolean).join(' · '), 10, SOFT)
  if (of.withMarks) layMarks(sheets, of)
  sheets.space()
  layAboutAll(sheets, of.withMarks ? of : { ...of, rubric: null })
  if (of.remarks.length > 0) layRemarks(sheets, of.remarks)
  return sheets.pages
}

function layMarks(sheets: ToldSheets, { questions, rubric, marks }: CoverOf): void {
  const asked = [...questions, ...criteriaOf(rubric)]
  const sum = sumOf(asked, marks)
  if (sum.full === 0) return
  const share = perCent(sum)
  const left = sum.left === 0 ? '' : `, ${sum.left} without marks`
  sheets.space()
  sheets.row(
    [
      {
        text: `${sayMarks(sum.given)} of ${sayMarks(sum.full)} marks${share === undefined ? '' : ` · ${share} %`}${left}`,
        ...sheets.all(),
        size: 16,
        bold: true,
        colour: MADDER,
      },
    ],
    false,
  )
  const { x } = sheets.all()
  for (const question of questions)
    sheets.row(
      [
        { text: `Question ${question.label}`, x, width: QUESTION, size: 11 },
        {
          text: sayGiven(question, marks.get(question.id)),
          x: x + QUESTION,
          width: PLACE,
          size: 11,
          colour: MADDER,
        },
      ],
      true,
    )
}

const sayGiven = (question: Question, mark: Mark | undefined) =>
  mark ? `${sayMarks(mark.given)} of ${sayMarks(mark.full)}` : `– of ${sayMarks(fullOf(question))}`

function layRemarks(sheets: ToldSheets, remarks: readonly SaidRemark[]): void {
  const { x, width } = sheets.all()
  sheets.space()
  sheets.row([{ text: 'Remarks', x, width, size: 13, bold: true }], false)
  for (const { page, question, words } of remarks)
    sheets.row(
      [
        {
          text: question === undefined ? `page ${page}` : `question ${question}, page ${page}`,
          x,
          width: PLACE,
          size: 10,
          colour: SOFT,
        },
        { text: words, x: x + PLACE, width: width - PLACE, size: 11, colour: MADDER },
      ],
      true,
    )
}
