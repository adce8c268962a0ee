import { randomUUID } from 'node:crypto'
import {
  type CopyWhole,
  type HandoutWhole,
  type PageEvent,
  type Question,
  similarity,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { fatesOf } from '../test/fatesOf.ts'
import { lineStroke } from '../test/ink.ts'
import { giveOut, giving, openSchool, type School, startLesson } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

/** A copy with two questions on its first page, handed in with a stroke in each. */
async function handedIn() {
  const { teacher, class: whole, students, worksheet } = await startLesson(school, 1)
  const page = worksheet.sheet.pages[0]!.id
  const questions: Question[] = [100, 300].map((y, index) => ({
    id: randomUUID(),
    label: String(index + 1),
    fullMarks: 2,
    areas: [{ page, x: 60, y, width: 300, height: 100 }],
  }))
  const { revision } = await teacher.get<WorksheetWhole>(`/worksheets/${worksheet.id}`)
  const order = worksheet.sheet.pages.map(({ id }) => id)
  await teacher.put(`/worksheets/${worksheet.id}/sheet`, { revision, order, pages: [], questions })
  const [handout] = await giveOut(teacher, giving(worksheet.id, whole.id))
  const copy = (await teacher.get<HandoutWhole>(`/handouts/${handout}`)).copies[0]!.id
  const student = students[0]!.visitor
  const event = (act: object): PageEvent =>
    ({ id: randomUUID(), page, layer: 'work', madeAt: 5, ...act }) as PageEvent
  const strokes = [150, 350].map((y) => lineStroke([100, y], [200, y]))
  await student.post(`/copies/${copy}/open`)
  await student.keep(copy, [event({ act: 'add', items: strokes })])
  await student.post(`/copies/${copy}/hand-in`)
  const [first, second] = questions as [Question, Question]
  const again = (questions?: string[]) =>
    teacher.post(`/handouts/${handout}/hand-back`, {
      copies: [copy],
      again: { dueAt: null, ...(questions ? { questions } : {}) },
    })
  const fates = async (...acts: object[]) => fatesOf(student.keep(copy, acts.map(event)))
  const goFor = async () => (await student.get<CopyWhole>(`/copies/${copy}`)).goFor
  return { student, copy, strokes, first, second, again, fates, goFor, event }
}

test('in a go for one question its area takes work, and nothing else of the copy does', async () => {
  const { strokes, second, again, fates, goFor, student, copy } = await handedIn()
  const [old, again2] = strokes.map(({ id }) => id) as [string, string]
  await again([second.id])
  expect(await goFor()).toEqual([second.id])
  const inside = lineStroke([100, 320], [300, 600])
  expect(
    await fates(
      { act: 'add', items: [inside] },
      { act: 'add', items: [lineStroke([100, 150], [200, 350])] },
      { act: 'take', items: [old] },
      { act: 'take', items: [again2] },
      { act: 'move', items: [inside.id], by: similarity.translation(0, -200) },
      { act: 'sheet', set: { height: 2000 }, was: { height: 842 } },
    ),
  ).toEqual(['kept', 'closed', 'closed', 'kept', 'closed', 'closed'])
  // What was laid down in an earlier request is known, too.
  expect(await fates({ act: 'take', items: [inside.id] })).toEqual(['kept'])

  // Handed in and taken back it is the same go; the next one is at everything again.
  await student.post(`/copies/${copy}/hand-in`)
  await student.post(`/copies/${copy}/take-back`)
  expect(await fates({ act: 'take', items: [old] })).toEqual(['closed'])
  await student.post(`/copies/${copy}/hand-in`)
  await again()
  expect(await goFor()).toBeNull()
  expect(await fates({ act: 'take', items: [old] })).toEqual(['kept'])
})

test('a go for questions that a copy does not have is a go at everything', async () => {
  const { strokes, again, fates } = await handedIn()
  await again([randomUUID()])
  expect(await fates({ act: 'take', items: [strokes[0]!.id] })).toEqual(['kept'])
})
