import { randomUUID } from 'node:crypto'
import {
  type CopySum,
  type HandoutWhole,
  type MarkingWhole,
  markFor,
  type PageEvent,
  type Question,
  type WorksheetWhole,
} from '@hand-back/core'
import { giveOut, giving, type School, startLesson } from './school.ts'

/** A hand-out of a worksheet with two questions, of 2 and of 4 marks, and a copy of it that is handed in. */
export async function markedLesson(school: School) {
  const { teacher, class: whole, students, worksheet } = await startLesson(school, 2)
  const [page] = worksheet.sheet.pages
  const questions: Question[] = [2, 4].map((fullMarks, index) => ({
    id: randomUUID(),
    label: String(index + 1),
    fullMarks,
    areas: [{ page: page!.id, x: 60, y: 100 + index * 200, width: 300, height: 100 }],
  }))
  await teacher.put(`/worksheets/${worksheet.id}/sheet`, {
    revision: (await teacher.get<WorksheetWhole>(`/worksheets/${worksheet.id}`)).revision,
    order: worksheet.sheet.pages.map(({ id }) => id),
    pages: [],
    questions,
  })
  const [id] = await giveOut(teacher, giving(worksheet.id, whole.id))
  const handout = await teacher.get<HandoutWhole>(`/handouts/${id}`)
  const { visitor: student, person } = students[0]!
  const copy = handout.copies.find((row) => row.students[0]!.id === person.id)!.id
  await student.post(`/copies/${copy}/open`)
  await student.post(`/copies/${copy}/hand-in`)
  const pages = (await student.get<{ pages: never[] }>(`/copies/${copy}`)).pages
  const giveMark = (index: number, marks: number, round = 1): PageEvent => {
    const made = markFor(copy, round, questions[index]!, pages, marks * 100)!
    const common = { id: randomUUID(), page: made.page, layer: 'feedback', madeAt: 5 } as const
    return { ...common, act: 'add', items: [made.mark] }
  }
  const sum = async (): Promise<CopySum | undefined> =>
    (await teacher.get<MarkingWhole>(`/handouts/${id}/marking`)).sums.find((each) => each.copy === copy)
  const copies = handout.copies.map((row) => row.id)
  return {
    teacher,
    student,
    other: students[1]!.visitor,
    handout: id!,
    copy,
    copies,
    questions,
    giveMark,
    sum,
  }
}
