import { randomUUID } from 'node:crypto'
import {
  type ClassCard,
  type ClassWhole,
  type CopyWhole,
  type HandoutCard,
  type HandoutWhole,
  type KeptEvent,
  markFor,
  marksIn,
  type PageEvent,
  type Question,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { pagesAfter } from '../copies/index.ts'
import { adding } from '../test/ink.ts'
import { openSchool, type School, startLesson } from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const invite = async (teacher: Visitor, classId: string) =>
  (await teacher.post<{ token: string }>(`/classes/${classId}/invitation`)).token

/** A lesson whose class somebody else teaches too. */
async function shared() {
  const lesson = await startLesson(school, 2)
  const token = await invite(lesson.teacher, lesson.class.id)
  const colleague = school.visitor()
  const name = `Ilse ${randomUUID().slice(0, 8)}`
  await colleague.post('/invitation/new', { token, name, password: 'spring tide at two' })
  const [{ visitor: student, copy }] = lesson.students as [(typeof lesson.students)[number]]
  await student.post(`/copies/${copy}/open`)
  return { ...lesson, colleague, name, student, copy }
}

test('a colleague has all rights to the class and to its hand-outs, by whomever they were handed out', async () => {
  const { teacher, colleague, name, class: whole, handout, student, copy } = await shared()
  expect((await colleague.get<ClassCard[]>('/classes')).map(({ id }) => id)).toEqual([whole.id])
  const seen = await colleague.get<ClassWhole>(`/classes/${whole.id}`)
  expect(seen.teachers.map((each) => [each.name, each.made])).toContainEqual([name, false])
  const [card] = await colleague.get<HandoutCard[]>('/handouts')
  expect(card).toMatchObject({ id: handout.id, by: seen.teachers.find(({ made }) => made)!.name })
  const [own] = await teacher.get<HandoutCard[]>('/handouts')
  expect(own).toMatchObject({ id: handout.id, by: null })
  expect((await colleague.get<HandoutWhole>(`/handouts/${handout.id}`)).ownsWorksheet).toBe(false)
  expect((await teacher.get<HandoutWhole>(`/handouts/${handout.id}`)).ownsWorksheet).toBe(true)
  const { pages } = await colleague.get<CopyWhole>(`/copies/${copy}`)
  const paper = pages[0]!.paper
  if (paper.kind === 'pdf') expect(await colleague.status('GET', `/files/${paper.file}`)).toBe(200)
  expect(await colleague.watch(handout.id)).toMatchObject({ ok: true })

  const ink = adding(pages[0]!.id, 'feedback')
  expect(await colleague.keep(copy, [ink])).toMatchObject({ ok: true, fates: [{ fate: 'kept' }] })
  const hers = await teacher.get<KeptEvent[]>(`/copies/${copy}/log`)
  expect(hers.find(({ id }) => id === ink.id)?.author).toBe(await colleague.whoAmI())
  // Nothing early, whoever of them wrote it.
  expect((await student.get<KeptEvent[]>(`/copies/${copy}/log`)).map(({ id }) => id)).not.toContain(ink.id)
  await student.post(`/copies/${copy}/hand-in`)
  await colleague.post(`/copies/${copy}/hand-back`)
  expect((await student.get<KeptEvent[]>(`/copies/${copy}/log`)).map(({ id }) => id)).toContain(ink.id)
})

test('both may give marks: the last one stands for both', async () => {
  const { teacher, colleague, copy, student } = await shared()
  const { pages } = await teacher.get<CopyWhole>(`/copies/${copy}`)
  const question: Question = {
    id: randomUUID(),
    label: '1',
    fullMarks: 4,
    areas: [{ page: pages[0]!.id, x: 60, y: 100, width: 300, height: 100 }],
  }
  await student.post(`/copies/${copy}/hand-in`)
  const give = (given: number): PageEvent => {
    const { mark, page } = markFor(copy, 1, question, pages, given)!
    return { id: randomUUID(), page, layer: 'feedback', madeAt: 5, act: 'add', items: [mark] }
  }
  const stands = async () =>
    marksIn(pagesAfter(await teacher.get<KeptEvent[]>(`/copies/${copy}/log`))).get(question.id)?.given
  await teacher.keep(copy, [give(300)])
  expect(await stands()).toBe(300)
  await colleague.keep(copy, [give(150)])
  expect(await stands()).toBe(150)
  await teacher.keep(copy, [give(400)])
  expect(await stands()).toBe(400)
})

test('an invitation lets one colleague in, once, for a week; nobody else can make one', async () => {
  const { teacher, class: whole, students } = await startLesson(school, 1)
  const path = `/classes/${whole.id}/invitation`
  const stranger = await school.teacher()
  expect(await stranger.status('POST', path, {})).toBe(404)
  expect(await students[0]!.visitor.status('POST', path, {})).toBe(404)
  const token = await invite(teacher, whole.id)
  expect(await school.visitor().post('/invitation/whose', { token })).toMatchObject({ className: whole.name })
  expect(await students[0]!.visitor.status('POST', '/invitation/take', { token })).toBe(404)
  const others = await Promise.all([school.teacher(), school.teacher()])
  const taken = await Promise.all(others.map((other) => other.status('POST', '/invitation/take', { token })))
  expect(taken.sort()).toEqual([200, 404])
  const late = { token, name: `Late ${randomUUID()}`, password: 'spring tide at two' }
  expect(await school.visitor().status('POST', '/invitation/new', late)).toBe(404)
  expect(await school.visitor().status('POST', '/sign-in/teacher', late)).toBe(401)
  // Its maker is in the class already: taken by them it changes nothing.
  const another = await invite(teacher, whole.id)
  await teacher.post('/invitation/take', { token: another })
  expect((await teacher.get<ClassWhole>(`/classes/${whole.id}`)).teachers).toHaveLength(2)
  // And it is there for the colleague it was made for.
  await stranger.post('/invitation/take', { token: another })
  expect((await teacher.get<ClassWhole>(`/classes/${whole.id}`)).teachers).toHaveLength(3)
})

test('who does not teach a class any more sees nothing of it, and hears nothing', async () => {
  const { teacher, colleague, class: whole, handout, copy, student } = await shared()
  const [hers, theirs] = [await teacher.whoAmI(), await colleague.whoAmI()]
  const { pages } = await teacher.get<CopyWhole>(`/copies/${copy}`)
  await colleague.follow(copy)
  const heard: unknown[] = []
  ;(await colleague.device()).on('events', (news) => heard.push(news))
  await student.keep(copy, [adding(pages[0]!.id)])
  while (heard.length === 0) await new Promise((done) => setTimeout(done, 20))
  const drop = (who: Visitor, id: string) => who.status('DELETE', `/classes/${whole.id}/teachers/${id}`)
  expect(await drop(colleague, hers)).toBe(409)
  expect(await drop(teacher, theirs)).toBe(204)
  await student.keep(copy, [adding(pages[0]!.id)])
  for (const path of [
    `/classes/${whole.id}`,
    `/handouts/${handout.id}`,
    `/copies/${copy}`,
    `/copies/${copy}/log`,
  ])
    expect(await colleague.status('GET', path)).toBe(404)
  expect(await colleague.keep(copy, [adding(pages[0]!.id, 'feedback')])).toMatchObject({ ok: false })
  expect(await colleague.follow(copy)).toMatchObject({ ok: false })
  expect(heard).toHaveLength(1)
})
