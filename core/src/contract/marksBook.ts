import { z } from 'zod'
import { hundredths } from '../kinds/mark.ts'
import { plainText } from '../words/plainText.ts'
import { copyState } from './copies.ts'

const moment = z.number().int().min(0).max(8.64e15)
const whole = z.number().int().min(0)
const reached = z.object({ given: whole, full: whole })

/** How much marks weigh among others, in hundredths: 100 counts once, 0 not at all. */
export const weight = z.number().int().min(0).max(10_000, 'At most 100 times.')

/** What a copy was given for one question, and on which page and in which round. All in hundredths. */
export const questionMark = reached.extend({
  question: z.uuid(),
  round: z.number().int().min(1),
  page: z.uuid(),
})
export type QuestionMark = z.infer<typeof questionMark>

/** The marks of every copy of a hand-out by question. */
export const marksByQuestion = z.object({
  /** The pages of the worksheet and how wide they are, in points: marks stand at their edge. */
  pages: z.array(z.object({ id: z.uuid(), width: z.number().positive() })),
  copies: z.array(
    z.object({
      copy: z.uuid(),
      /** The questions that it has, and the criteria of the rubric. */
      asked: z.array(z.uuid()),
      /** The pages that it has. */
      pages: z.array(z.uuid()),
      /** Of the latest round in which each was given. */
      marks: z.array(questionMark),
    }),
  ),
})
export type MarksByQuestion = z.infer<typeof marksByQuestion>

/** What was said in feedback, and on which copies: by a remark that is kept, or in words that stand on several. */
export const remarkGiven = z.object({ name: z.string(), words: z.string(), copies: z.array(z.uuid()) })
export type RemarkGiven = z.infer<typeof remarkGiven>

/** What teachers wrote and sorted on the copies of a hand-out, for seeing what its class needs next. */
export const saidOfClass = z.object({
  remarks: z.array(remarkGiven),
  /** The heaps with a name that answers lie in. */
  heaps: z.array(z.object({ question: z.uuid(), name: z.string(), copies: z.array(z.uuid()) })),
})
export type SaidOfClass = z.infer<typeof saidOfClass>

/** The most marks from elsewhere that one class has: columns of its marks book. */
export const MOST_ELSEWHERE = 200

const elsewhereHead = {
  title: plainText().trim().min(1, 'Say what it was.').max(120, 'A title has at most 120 letters.'),
  unit: plainText().trim().max(80, 'The name of a unit has at most 80 letters.'),
  /** The day. */
  at: moment,
  full: hundredths.min(1, 'There must be marks to give.'),
  weight,
}
const studentMark = z.object({ student: z.uuid(), given: hundredths.nullable() })

/** Marks for something that was not handed out here. `marks`: those that are others now; null takes one away. */
export const elsewhereKept = z
  .object({ ...elsewhereHead, marks: z.array(studentMark).max(1000) })
  .refine(
    ({ full, marks }) => marks.every(({ given }) => given === null || given <= full),
    'Nobody can have more than full marks.',
  )
export type ElsewhereKept = z.infer<typeof elsewhereKept>

/** A column of a class's marks book. */
export const bookColumn = z.object({
  id: z.uuid(),
  from: z.enum(['handout', 'elsewhere']),
  title: z.string(),
  unit: z.string(),
  at: z.number(),
  /** The most that anybody can have, in hundredths. */
  full: whole,
  weight,
  /** Names are hidden with it: whose marks are whose is not told. */
  namesHidden: z.boolean(),
})
export type BookColumn = z.infer<typeof bookColumn>

/** How one student stands in one column. `full`: of what has marks. Both in hundredths. */
export const bookCell = z.object({
  column: z.uuid(),
  student: z.uuid(),
  /** null: no marks yet. */
  given: whole.nullable(),
  full: whole,
  /** So many questions have no marks yet. */
  left: z.number().int().min(0),
  /** The copy that they stand on, and how it stands; null: they came from elsewhere. */
  copy: z.uuid().nullable(),
  state: copyState.nullable(),
})
export type BookCell = z.infer<typeof bookCell>

/** The marks of a class: its students, what was marked, and what everybody has. */
export const marksBook = z.object({
  className: z.string(),
  students: z.array(z.object({ id: z.uuid(), name: z.string(), rosterId: z.string().nullable() })),
  columns: z.array(bookColumn),
  cells: z.array(bookCell),
})
export type MarksBook = z.infer<typeof marksBook>
