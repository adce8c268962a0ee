import { randomUUID } from 'node:crypto'
import { type AnswersTold, askAnswers, type Heaps, type PageEvent } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { adding, lineStroke } from '../test/ink.ts'
import { markedLesson } from '../test/markedLesson.ts'
import { openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

test('the answers to a question are the log of its pages, of the copies asked for and of no others', async () => {
  const { teacher, student, handout, copy, copies, questions, giveMark } = await markedLesson(school)
  await student.post(`/copies/${copy}/take-back`)
  const page = questions[0]!.areas[0]!.page
  const written = adding(page, 'work', lineStroke([80, 120], [200, 140]))
  await student.keep(copy, [written])
  await student.post(`/copies/${copy}/hand-in`)
  await teacher.keep(copy, [giveMark(0, 2)])
  const path = `/handouts/${handout}/questions/${questions[0]!.id}/answers`
  const told = await teacher.get<AnswersTold>(path + askAnswers(copies))
  expect(told.question).toEqual(questions[0])
  expect(told.sets).toHaveLength(1)
  expect(told.sets[0]!.pages.map(({ id }) => id)).toEqual([page])
  expect(told.copies.map((each) => each.copy).sort()).toEqual([...copies].sort())
  const events = told.copies.find((each) => each.copy === copy)!.events as PageEvent[]
  expect(events.map(({ layer, act }) => `${layer} ${act}`)).toEqual(['work add', 'feedback add'])
  expect(events[0]).toMatchObject({ id: written.id, page, seq: 1 })
  // Another copy of the same school, though this teacher has it too, is not of this hand-out.
  const elsewhere = await markedLesson(school)
  const strange = await teacher.get<AnswersTold>(path + askAnswers([elsewhere.copy, copy]))
  expect(strange.copies.map((each) => each.copy)).toEqual([copy])
})

test('nobody else is told of answers or heaps, and what is asked badly is refused', async () => {
  const { teacher, student, handout, copies, questions } = await markedLesson(school)
  const stranger = await school.teacher()
  const of = (question: string, what: string) => `/handouts/${handout}/questions/${question}/${what}`
  const asked = of(questions[0]!.id, 'answers') + askAnswers(copies)
  for (const visitor of [student, stranger]) {
    expect(await visitor.status('GET', asked)).toBe(404)
    expect(await visitor.status('GET', of(questions[0]!.id, 'heaps'))).toBe(404)
    expect(await visitor.status('POST', of(questions[0]!.id, 'heaps'), { act: 'drop' })).toBe(404)
  }
  expect(await teacher.status('GET', of(randomUUID(), 'answers') + askAnswers(copies))).toBe(404)
  expect(await teacher.status('GET', of(randomUUID(), 'heaps'))).toBe(404)
  expect(await teacher.status('GET', of(questions[0]!.id, 'answers'))).toBe(422)
  expect(await teacher.status('GET', `${of(questions[0]!.id, 'answers')}?copies=all`)).toBe(422)
  const many = askAnswers(Array.from({ length: 101 }, () => randomUUID()))
  expect(await teacher.status('GET', of(questions[0]!.id, 'answers') + many)).toBe(422)
  const twisted = { act: 'give', heap: randomUUID(), given: 1e9 }
  expect(await teacher.status('POST', of(questions[0]!.id, 'heaps'), twisted)).toBe(422)
})

test('heaps of two teachers at once come together, and each hears of the other', async () => {
  const { teacher, handout, copies, questions } = await markedLesson(school)
  const heard: unknown[] = []
  const device = await teacher.device()
  device.on('heaps', (news) => heard.push(news))
  await teacher.watch(handout)
  const path = `/handouts/${handout}/questions/${questions[1]!.id}/heaps`
  expect(await teacher.get<Heaps>(path)).toEqual({ heaps: [], lies: {} })
  const ids = Array.from({ length: 8 }, () => randomUUID())
  await Promise.all(
    ids.map((heap, at) =>
      teacher.post<Heaps>(path, { act: 'make', heap, name: `heap ${at}`, copies: [copies[at % 2]] }),
    ),
  )
  const after = await teacher.get<Heaps>(path)
  expect(after.heaps.map(({ id }) => id).sort()).toEqual([...ids].sort())
  expect(Object.keys(after.lies).sort()).toEqual([...copies].sort())
  await until(async () => heard.length === ids.length)
  expect(heard[0]).toEqual({ handout, question: questions[1]!.id })
  // The other question has heaps of its own.
  expect(await teacher.get<Heaps>(path.replace(questions[1]!.id, questions[0]!.id))).toEqual({
    heaps: [],
    lies: {},
  })
})

test('a hand-out of others has no questions for this teacher', async () => {
  const { teacher } = await startLesson(school, 1)
  const { handout, questions, copies } = await markedLesson(school)
  const path = `/handouts/${handout}/questions/${questions[0]!.id}/answers${askAnswers(copies)}`
  expect(await teacher.status('GET', path)).toBe(404)
})
