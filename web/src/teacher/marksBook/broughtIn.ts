import { type CopyRow, type KnownStudent, type MarksRead, sayMarks, studentOfRow } from '@hand-back/core'
import type { AskedFor } from './questionColumns.ts'
import type { CopyMarks } from './useMarksByQuestion.ts'
import type { Typed } from './useTypingMarks.ts'

interface Left {
  readonly line: number
  readonly why: string
}

/** What a list says that is taken, and what of it cannot be. */
export interface Brought<Taken> {
  readonly taken: readonly Taken[]
  readonly wrong: readonly Left[]
}

const fold = (label: string) =>
  label
    .trim()
    .toLowerCase()
    .replace(/^question\s+/, '')

/** The question that a column of a list means, by its label: “3” or “Question 3”. */
export const questionOfColumn = (title: string, asked: readonly AskedFor[]): AskedFor | undefined =>
  asked.find(({ question }) => fold(question.label) === fold(title))

/**
 * Marks of a list for the questions of a hand-out: a line is of the copy whose student it names, or of a copy that is called
 * so. What is more than full marks, of nobody, or of a question that the copy does not have, is left out and told.
 */
export function broughtForQuestions(
  { columns, rows, wrong }: MarksRead,
  asked: readonly AskedFor[],
  copies: readonly CopyRow[],
  ofCopy: ReadonlyMap<string, CopyMarks>,
): Brought<Typed> {
  const left: Left[] = [...wrong]
  const people = copies.flatMap((row) => [
    { id: row.id, name: row.name, rosterId: null, row },
    ...row.students.map(({ name }) => ({ id: row.id, name, rosterId: null, row })),
  ])
  const known = [...new Map(people.map((each) => [`${each.id} ${each.name}`, each])).values()]
  const taken = rows.flatMap((line): Typed[] => {
    const row = studentOfRow(line, known)?.row
    if (!row) {
      left.push({ line: line.line, why: `Nobody here is called ${line.name || line.id || 'nothing'}.` })
      return []
    }
    return columns.flatMap(({ title }, at) => {
      const [found, given] = [questionOfColumn(title, asked), line.given[at] ?? null]
      if (!found || given === null) return []
      const { question, full } = found
      if (given > full) {
        left.push({
          line: line.line,
          why: `${line.name}, question ${question.label}: at most ${sayMarks(full)}.`,
        })
        return []
      }
      const own = ofCopy.get(row.id)
      if (!own?.asked.includes(question.id)) {
        left.push({ line: line.line, why: `${line.name}’s copy does not have question ${question.label}.` })
        return []
      }
      if (own.marks.find((mark) => mark.question === question.id)?.given === given) return []
      return [{ row, question, given }]
    })
  })
  return { taken, wrong: left.sort((a, b) => a.line - b.line) }
}

/** Marks of one column of a list for the students of a class. `full`: more than that nobody can have. */
export function broughtForClass(
  { rows }: Pick<MarksRead, 'rows'>,
  at: number,
  full: number,
  students: readonly KnownStudent[],
): Brought<{ student: string; given: number }> {
  const left: Left[] = []
  const taken = new Map<string, number>()
  for (const line of rows) {
    const given = line.given[at] ?? null
    if (given === null) continue
    const student = studentOfRow(line, students)
    if (!student)
      left.push({
        line: line.line,
        why: `Nobody in this class is called ${line.name || line.id || 'nothing'}.`,
      })
    else if (given > full)
      left.push({
        line: line.line,
        why: `${student.name} would have ${sayMarks(given)} of ${sayMarks(full)}.`,
      })
    else if (taken.has(student.id)) left.push({ line: line.line, why: `${student.name} stands there twice.` })
    else taken.set(student.id, given)
  }
  return { taken: [...taken].map(([student, given]) => ({ student, given })), wrong: left }
}
