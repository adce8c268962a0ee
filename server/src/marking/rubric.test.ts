import { randomUUID } from 'node:crypto'
import {
  type CopySum,
  type CopyWhole,
  type HandoutWhole,
  type KeptEvent,
  levelMark,
  type MarkingWhole,
  overallId,
  type PageEvent,
  type Rubric,
  type RubricKept,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { fatesOf } from '../test/fatesOf.ts'
import { giveOut, giving, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const rubric: Rubric = {
  name: 'A report on the tide',
  levels: ['not yet', 'nearly', 'there'],
  criteria: ['Reads the table', 'Says why'].map((label) => ({
    id: randomUUID(),
    label,
    cells: [
      { words: 'guesses', marks: 0 },
      { words: 'now and then', marks: 50 },
      { words: 'every time', marks: 150 },
    ],
  })),
}
const WORDS = 'Careful from the first page to the last.'

/** A hand-out with a rubric, and a copy of it that is handed in. */
async function withRubric() {
  const { teacher, class: whole, students, worksheet } = await startLesson(school, 1)
  const [handout] = await giveOut(teacher, { ...giving(worksheet.id, whole.id), rubric })
  const copy = (await teacher.get<HandoutWhole>(`/handouts/${handout}`)).copies[0]!.id
  const student = students[0]!.visitor
  await student.post(`/copies/${copy}/open`)
  await student.post(`/copies/${copy}/hand-in`)
  const page = worksheet.sheet.pages[0]!.id
  const add = (items: object[]): PageEvent =>
    ({ id: randomUUID(), page, layer: 'feedback', madeAt: 5, act: 'add', items }) as PageEvent
  const level = (criterion: number, at: number) => levelMark(copy, 1, rubric, rubric.criteria[criterion]!, at)
  const sum = async (): Promise<CopySum | undefined> =>
    (await teacher.get<MarkingWhole>(`/handouts/${handout}/marking`)).sums[0]
  return { teacher, student, handout, copy, add, level, sum }
}

async function pdfText(visitor: Visitor, copy: string): Promise<string> {
  const answer = await visitor.send('GET', `/copies/${copy}/pdf`)
  return textOfPdf(new Uint8Array(await answer.arrayBuffer()))
}

test('levels and words about the whole: in the sum, and the student’s with everything else, not one bit before', async () => {
  const { teacher, student, handout, copy, add, level, sum } = await withRubric()
  expect(await sum()).toMatchObject({ given: 0, full: 300, left: 2 })
  const words = { id: overallId(copy, 1), kind: 'overall', words: WORDS }
  expect(await fatesOf(teacher.keep(copy, [add([level(0, 2), level(1, 1), words])]))).toEqual(['kept'])
  expect(await sum()).toMatchObject({ given: 200, full: 300, left: 0 })

  // What is looked for is known from the beginning; what was reached is not.
  expect((await student.get<CopyWhole>(`/copies/${copy}`)).rubric).toEqual(rubric)
  const sent = async () =>
    JSON.stringify([await student.get(`/copies/${copy}/log`), await student.get('/tray')])
  expect(await sent()).not.toMatch(/"mark"|"overall"|Careful/)
  const before = await pdfText(student, copy)
  expect(before).toContain('every time')
  expect(before).not.toMatch(/Careful|2 of 3/)

  await teacher.post(`/handouts/${handout}/hand-back`, { copies: [copy] })
  const log = await student.get<KeptEvent[]>(`/copies/${copy}/log`)
  expect(JSON.stringify(log)).toContain(WORDS)
  const after = await pdfText(student, copy)
  expect(after).toContain('2 of 3')
  expect(after).toContain(WORDS)
})

test('nobody but the teacher gives a level or says words about the whole', async () => {
  const { teacher, student, copy, add, level, sum } = await withRubric()
  await student.post(`/copies/${copy}/take-back`)
  const words = { id: overallId(copy, 1), kind: 'overall', words: WORDS }
  const mine = ['feedback', 'work', 'help'].flatMap((layer) =>
    [level(0, 2), words].map((item) => ({ ...add([item]), layer }) as PageEvent),
  )
  expect(await fatesOf(student.keep(copy, mine))).toEqual(mine.map(() => 'wrong'))
  const onWork = { ...add([words]), layer: 'work' } as PageEvent
  expect(await fatesOf(teacher.keep(copy, [onWork]))).toEqual(['wrong'])
  expect(await sum()).toMatchObject({ given: 0, left: 2 })
})

test('rubrics are kept, kept otherwise and removed, each teacher’s own; hand-outs stay as they are', async () => {
  const { teacher, handout, student } = await withRubric()
  const stranger = await school.teacher()
  const id = randomUUID()
  await teacher.put(`/rubrics/${id}`, rubric)
  await teacher.put(`/rubrics/${id}`, { ...rubric, name: 'Another name' })
  expect(await teacher.get<RubricKept[]>('/rubrics')).toEqual([
    { id, rubric: { ...rubric, name: 'Another name' } },
  ])
  expect((await teacher.get<HandoutWhole>(`/handouts/${handout}`)).rubric?.name).toBe(rubric.name)
  expect(await stranger.get('/rubrics')).toEqual([])
  expect(await stranger.status('PUT', `/rubrics/${id}`, rubric)).toBe(404)
  expect(await stranger.status('DELETE', `/rubrics/${id}`)).toBe(404)
  expect(await student.status('GET', '/rubrics')).toBe(404)
  expect(await teacher.status('PUT', `/rubrics/${randomUUID()}`, { ...rubric, levels: ['one', 'two'] })).toBe(
    422,
  )
  await teacher.send('DELETE', `/rubrics/${id}`)
  expect(await teacher.get('/rubrics')).toEqual([])

  await teacher.put(`/handouts/${handout}/rubric`, { rubric: null })
  expect((await teacher.get<HandoutWhole>(`/handouts/${handout}`)).rubric).toBeNull()
})

test('a criterion for which levels were given stays in the rubric until they are taken back', async () => {
  const { teacher, handout, copy, add, level } = await withRubric()
  const given = add([level(0, 2)])
  await teacher.keep(copy, [given])
  const set = (to: Rubric | null) => teacher.send('PUT', `/handouts/${handout}/rubric`, { rubric: to })
  const refused = await set(null)
  expect(refused.status).toBe(409)
  expect(JSON.stringify(await refused.json())).toContain('“Reads the table”')
  // Other words for it, and without what nobody was given: that goes.
  const [reads] = rubric.criteria
  expect((await set({ ...rubric, criteria: [{ ...reads!, label: 'Reads it' }] })).status).toBeLessThan(300)
  const take = { ...add([]), act: 'take', items: [level(0, 2).id] } as PageEvent
  await teacher.keep(copy, [take])
  expect((await set(null)).status).toBeLessThan(300)
})
