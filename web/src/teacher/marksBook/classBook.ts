import {
  type BookCell,
  type BookColumn,
  type MarksBook,
  medianOf,
  type Reached,
  shareOf,
  type Total,
  totalOf,
} from '@hand-back/core'

export type BookStudent = MarksBook['students'][number]

/** A student's line in the marks book of a class. */
export interface BookRow extends BookStudent {
  readonly cells: ReadonlyMap<string, BookCell>
  readonly total: Total
}

/** What a cell has marks for; nothing while it has none. */
export const reachedIn = (cell: BookCell | undefined): Reached | undefined =>
  cell && cell.given !== null ? { given: cell.given, full: cell.full } : undefined

/** The share that a cell reached, from 0 to 1. */
export function shareIn(cell: BookCell | undefined): number | undefined {
  const reached = reachedIn(cell)
  return reached && shareOf(reached)
}

/** Whether some of its questions have marks, and some have none. */
export const isBegun = (cell: BookCell | undefined): boolean =>
  cell !== undefined && cell.given !== null && cell.left > 0

/** The marks of a cell for a table that says full marks in its head: none while some of its questions have none. */
export const wholeIn = (cell: BookCell | undefined): number | null =>
  cell && cell.left === 0 ? cell.given : null

/** The lines of some columns of a marks book. While names are hidden with one, nobody's total has it in. */
export function bookRows(
  { students, cells }: Pick<MarksBook, 'students' | 'cells'>,
  columns: readonly BookColumn[],
  missingIsNothing: boolean,
): BookRow[] {
  const of = new Map<string, Map<string, BookCell>>()
  for (const cell of cells) of.set(cell.student, (of.get(cell.student) ?? new Map()).set(cell.column, cell))
  const counting = columns.filter(({ namesHidden }) => !namesHidden)
  return students.map((student) => {
    const own = of.get(student.id) ?? new Map<string, BookCell>()
    const weighed = counting.map(({ id, weight }) => ({ marks: reachedIn(own.get(id)), weight }))
    return { ...student, cells: own, total: totalOf(weighed, missingIsNothing) }
  })
}

/** The units of the columns, as they come. */
export const unitsOf = (columns: readonly BookColumn[]): string[] => [
  ...new Set(columns.map(({ unit }) => unit).filter((unit) => unit !== '')),
]

/** One thing that a student was given marks for, beside how the class did. Shares from 0 to 1. */
export interface Standing {
  readonly column: BookColumn
  readonly cell: BookCell
  readonly share: number
  /** The median of the class. */
  readonly median: number
}

/** How one student did over time, the oldest first: what has marks, beside the median of the class. */
export function standingsOf(
  { columns, cells }: Pick<MarksBook, 'columns' | 'cells'>,
  student: string,
): Standing[] {
  return columns.flatMap((column) => {
    const all = cells.filter((cell) => cell.column === column.id)
    const cell = all.find((each) => each.student === student)
    const share = shareIn(cell)
    const median = medianOf(all.flatMap((each) => shareIn(each) ?? []))
    return cell && share !== undefined && median !== undefined ? [{ column, cell, share, median }] : []
  })
}
