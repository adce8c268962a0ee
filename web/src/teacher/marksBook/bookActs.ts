import { type BookColumn, CALLS, type ElsewhereKept, type MarksBook } from '@hand-back/core'
import { ask } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { sayDone, sayProblem } from '../../ui/notices.ts'

/** Does something to the marks book of a class, and says why when it cannot be done. */
async function trying(classId: string, work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work()
    return true
  } catch (error) {
    sayProblem(error)
    return false
  } finally {
    await refresh(CALLS.marksBook, { class: classId })
  }
}

type Head = Omit<ElsewhereKept, 'marks'>
const headOf = ({ title, unit, at, full, weight }: BookColumn): Head => ({ title, unit, at, full, weight })

/** Keeps marks from elsewhere, or changes what of them is given. */
export const keepElsewhere = (
  classId: string,
  id: string,
  head: Head,
  marks: ElsewhereKept['marks'] = [],
): Promise<boolean> =>
  trying(classId, () => ask(CALLS.keepElsewhere, { class: classId, elsewhere: id }, { ...head, marks }))

/** Gives one student other marks in a column from elsewhere; null: none. */
export const giveElsewhere = (classId: string, column: BookColumn, student: string, given: number | null) =>
  keepElsewhere(classId, column.id, headOf(column), [{ student, given }])

/** Removes marks from elsewhere; they can be had back. */
export async function removeElsewhere(
  classId: string,
  column: BookColumn,
  { cells }: Pick<MarksBook, 'cells'>,
) {
  const marks = cells.filter((cell) => cell.column === column.id)
  if (!(await trying(classId, () => ask(CALLS.dropElsewhere, { class: classId, elsewhere: column.id }))))
    return
  sayDone(
    `${column.title} is removed.`,
    () =>
      void keepElsewhere(
        classId,
        column.id,
        headOf(column),
        marks.map(({ student, given }) => ({ student, given })),
      ),
  )
}

/** How much a column weighs from now on, in hundredths; 0: it does not count. */
export const weigh = (classId: string, column: BookColumn, weight: number): Promise<boolean> =>
  column.from === 'elsewhere'
    ? keepElsewhere(classId, column.id, { ...headOf(column), weight })
    : trying(classId, () =>
        ask(
          CALLS.changeHandout,
          { handout: column.id },
          weight === 0 ? { counts: false } : { counts: true, weight },
        ),
      )
