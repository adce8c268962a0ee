import { randomUUID } from 'node:crypto'
import type { HandoutWhole, MarksBook, MarksByQuestion, SaidOfClass } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { adding } from '../test/ink.ts'
import { markedLesson } from '../test/markedLesson.ts'
import { openSchool, type School } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const words = (text: string) => ({
  ...adding('00000000-0000-4000-8000-000000000001'),
  layer: 'feedback' as const,
  items: [
    {
      id: randomUUID(),
      kind: 'text' as const,
      text,
      x: 20,
      y: 20,
      width: 200,
      height: 30,
      size: 14,
      bold: false,
      align: 'left' as const,
      list: 'none' as const,
      turn: 0,
      face: 'reading' as const,
      colour: '#a83a2e',
    },
  ],
})

async function lessonWithClass() {
  const lesson = await markedLesson(school)
  const { teacher, handout } = lesson
  const whole = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  const book = () => teacher.get<MarksBook>(`/classes/${whole.classId}/marks`)
  const byQuestion = () => teacher.get<MarksByQuestion>(`/handouts/${handout}/marks`)
  return { ...lesson, whole, class: whole.classId, book, byQuestion }
}

const head = {
  title: 'Spoken test',
  unit: 'Tides and harbours',
  at: 1_700_000_000_000,
  full: 2000,
  weight: 200,
}

test('a class has what it was given for hand-outs: what is marked counts, what is not is told', async () => {
  const { teacher, copy, handout, giveMark, book, byQuestion, questions } = await lessonWithClass()
  await teacher.keep(copy, [giveMark(0, 1.5)])
  const { columns, cells, students } = await book()
  const column = columns.find(({ id }) => id === handout)!
  expect(column).toMatchObject({ from: 'handout', full: 600, weight: 100, namesHidden: false })
  expect(students.length).toBeGreaterThanOrEqual(2)
  const of = cells.filter((cell) => cell.column === handout)
  expect(of).toHaveLength(2)
  expect(of.find((cell) => cell.copy === copy)).toMatchObject({
    given: 150,
    full: 200,
    left: 1,
    state: 'handed in',
  })
  expect(of.find((cell) => cell.copy !== copy)).toMatchObject({ given: null, left: 2, state: 'waiting' })
  const own = (await byQuestion()).copies.find((each) => each.copy === copy)!
  expect(own.asked).toEqual(questions.map(({ id }) => id))
  expect(own.marks).toEqual([
    { question: questions[0]!.id, given: 150, full: 200, round: 1, page: own.pages[0] },
  ])
})

test('a hand-out that does not count weighs nothing; its weight is changed without telling students', async () => {
  const { teacher, handout, book } = await lessonWithClass()
  const weight = async () => (await book()).columns.find(({ id }) => id === handout)?.weight
  await teacher.patch(`/handouts/${handout}`, { weight: 250 })
  expect(await weight()).toBe(250)
  await teacher.patch(`/handouts/${handout}`, { counts: false })
  expect(await weight()).toBe(0)
  expect(await teacher.status('PATCH', `/handouts/${handout}`, { weight: -1 })).toBe(422)
})

test('while names are hidden no marks are told by name', async () => {
  const { teacher, copy, handout, giveMark, book } = await lessonWithClass()
  await teacher.keep(copy, [giveMark(0, 2)])
  await teacher.patch(`/handouts/${handout}`, { namesHidden: true })
  const { columns, cells } = await book()
  expect(columns.find(({ id }) => id === handout)?.namesHidden).toBe(true)
  expect(cells.filter(({ column }) => column === handout)).toEqual([])
})

test('marks from elsewhere are kept, changed and removed', async () => {
  const { teacher, class: id, book } = await lessonWithClass()
  const [one, two] = (await book()).students
  const at = `/classes/${id}/elsewhere/${randomUUID()}`
  const marks = [
    { student: one!.id, given: 1250 },
    { student: two!.id, given: 2000 },
  ]
  await teacher.put(at, { ...head, marks })
  const [column] = (await book()).columns.filter(({ from }) => from === 'elsewhere')
  expect(column).toMatchObject({ ...head, namesHidden: false })
  // What is not named stays; null takes away.
  await teacher.put(at, { ...head, title: 'Oral', marks: [{ student: two!.id, given: null }] })
  const { columns, cells } = await book()
  expect(columns.find(({ from }) => from === 'elsewhere')?.title).toBe('Oral')
  expect(cells.filter(({ column: of }) => of === column!.id)).toEqual([
    { column: column!.id, student: one!.id, given: 1250, full: 2000, left: 0, copy: null, state: null },
  ])
  await teacher.delete(at)
  expect((await book()).columns.filter(({ from }) => from === 'elsewhere')).toEqual([])
})

test('marks from elsewhere that cannot be are refused whole', async () => {
  const { teacher, class: id, book } = await lessonWithClass()
  const [one] = (await book()).students
  const at = `/classes/${id}/elsewhere/${randomUUID()}`
  const wrong = async (sent: object) => {
    const status = await teacher.status('PUT', at, { ...head, marks: [], ...sent })
    expect((await book()).columns.filter(({ from }) => from === 'elsewhere')).toEqual([])
    return status
  }
  expect(await wrong({ marks: [{ student: one!.id, given: 2001 }] })).toBe(422)
  expect(await wrong({ marks: [{ student: randomUUID(), given: 1 }] })).toBe(422)
  expect(await wrong({ full: 0 })).toBe(422)
  expect(await wrong({ title: ' ' })).toBe(422)
  await teacher.put(at, { ...head, marks: [{ student: one!.id, given: 2000 }] })
  expect(await teacher.status('PUT', at, { ...head, full: 1000, marks: [] })).toBe(422)
  const other = await lessonWithClass()
  expect(await other.teacher.status('PUT', at.replace(id, other.class), { ...head, marks: [] })).toBe(404)
})

test('what was said on several copies, and named heaps, are told with the copies they are on', async () => {
  const { teacher, copy, copies, handout, questions, byQuestion } = await lessonWithClass()
  const other = copies.find((each) => each !== copy)!
  await teacher.post(`/copies/${other}/take-in`)
  const page = (await byQuestion()).pages[0]!.id
  for (const each of [copy, other]) await teacher.keep(each, [{ ...words('Mind the units'), page }])
  await teacher.keep(copy, [{ ...words('Only here'), page }])
  const heap = randomUUID()
  const heaps = `/handouts/${handout}/questions/${questions[1]!.id}/heaps`
  await teacher.post(heaps, { act: 'make', heap, name: 'No unit', copies: [copy] })
  await teacher.post(heaps, { act: 'make', heap: randomUUID(), name: '', copies: [other] })
  const said = await teacher.get<SaidOfClass>(`/handouts/${handout}/said`)
  expect(said.heaps).toEqual([{ question: questions[1]!.id, name: 'No unit', copies: [copy] }])
  expect(said.remarks.map(({ name, copies: on }) => [name, [...on].sort()])).toEqual([
    ['Mind the units', [copy, other].sort()],
  ])
})
