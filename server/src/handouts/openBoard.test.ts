import { randomUUID } from 'node:crypto'
import type {
  CopyWhole,
  HandoutWhole,
  KeptEvent,
  OwnLessonTold,
  TrayEntry,
  WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { fatesOf } from '../test/fatesOf.ts'
import { adding } from '../test/ink.ts'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

interface Opened {
  handout: string
  copy: string
}
const open = (teacher: Visitor, handout: string, request = randomUUID()) =>
  teacher.post<Opened>('/boards', { request, of: { handout } })

test('a page at the front is the teacher’s alone until the class has it to read, and then seen as it is written', async () => {
  const { teacher, handout, students, class: of } = await startLesson(school, 2)
  const [one] = students
  const request = randomUUID()
  const board = await open(teacher, handout.id, request)
  expect(await open(teacher, handout.id, request)).toEqual(board)
  const page = await firstPageOf(teacher, board.copy)
  expect(await firstPageOf(one!.visitor, one!.copy)).toBe(page)
  expect(await fatesOf(teacher.keep(board.copy, [adding(page)]))).toEqual(['kept'])
  const tray = () => one!.visitor.get<TrayEntry[]>('/tray')
  expect((await tray()).map(({ copy }) => copy)).not.toContain(board.copy)
  expect(await one!.visitor.status('GET', `/copies/${board.copy}`)).toBe(404)
  const beside = async () => (await one!.visitor.get<OwnLessonTold>(`/copies/${one!.copy}/lesson`)).board
  expect(await beside()).toBeNull()

  const whole = await teacher.get<HandoutWhole>(`/handouts/${board.handout}`)
  expect(whole).toMatchObject({ way: 'read', classId: of.id })
  expect(whole.without).toHaveLength(2)
  const told: string[] = []
  ;(await one!.visitor.device()).on('lesson', (id) => told.push(id))
  await one!.visitor.follow(one!.copy)
  await teacher.post(`/handouts/${board.handout}/students`, { students: whole.without.map(({ id }) => id) })
  await until(async () => told.includes(handout.id))
  expect(await beside()).toBe(board.copy)
  expect((await tray()).find(({ copy }) => copy === board.copy)).toMatchObject({ way: 'read' })
  const seen: KeptEvent[] = []
  ;(await one!.visitor.device()).on(
    'events',
    ({ copy, events }) => copy === board.copy && seen.push(...events),
  )
  const before = await one!.visitor.follow(board.copy)
  expect(before.ok && before.events).toHaveLength(1)
  await fatesOf(teacher.keep(board.copy, [adding(page)]))
  await until(async () => seen.length === 1)
  // Nobody but a teacher writes there, and reading it changes nothing of how it stands.
  expect(await fatesOf(one!.visitor.keep(board.copy, [adding(page)]))).not.toContain('kept')
  await one!.visitor.post(`/copies/${board.copy}/open`)
  expect(await fatesOf(teacher.keep(board.copy, [adding(page)]))).toEqual(['kept'])
  expect(await one!.visitor.get<CopyWhole>(`/copies/${board.copy}`)).toMatchObject({ way: 'read', round: 1 })
})

test('a page at the front that is withdrawn is told to whoever sees it over their own copy, and when it is back', async () => {
  const { teacher, handout, students } = await startLesson(school, 1)
  const [one] = students
  const board = await open(teacher, handout.id)
  await teacher.post(`/handouts/${board.handout}/students`, { students: [one!.person.id] })
  const seen = async () => (await one!.visitor.get<OwnLessonTold>(`/copies/${one!.copy}/lesson`)).board
  expect(await seen()).toBe(board.copy)
  const heard: string[] = []
  ;(await one!.visitor.device()).on('lesson', (id) => heard.push(id))
  await one!.visitor.follow(one!.copy)
  await teacher.patch(`/handouts/${board.handout}`, { withdrawn: true })
  await until(async () => heard.includes(handout.id))
  expect(await seen()).toBeNull()
  heard.length = 0
  await teacher.patch(`/handouts/${board.handout}`, { withdrawn: false })
  await until(async () => heard.includes(handout.id))
  expect(await seen()).toBe(board.copy)
  heard.length = 0
  await teacher.patch(`/copies/${board.copy}`, { withdrawn: true })
  await until(async () => heard.includes(handout.id))
  expect(await seen()).toBeNull()
})

test('a page at the front of a worksheet for a class; strangers open none', async () => {
  const { teacher, worksheet, class: of, handout } = await startLesson(school, 1)
  const board = await teacher.post<Opened>('/boards', {
    request: randomUUID(),
    of: { worksheet: worksheet.id, class: of.id },
  })
  expect((await teacher.get<CopyWhole>(`/copies/${board.copy}`)).pages).toHaveLength(
    worksheet.sheet.pages.length,
  )
  const stranger = await school.teacher()
  const asked = { request: randomUUID(), of: { worksheet: worksheet.id, class: of.id } }
  expect(await stranger.status('POST', '/boards', asked)).toBe(404)
  expect(await stranger.status('POST', '/boards', { ...asked, of: { handout: handout.id } })).toBe(404)
  expect(await stranger.status('POST', `/copies/${board.copy}/to-shelf`, { title: 'Mine' })).toBe(404)
  expect(await teacher.status('POST', '/boards', { ...asked, of: {} })).toBe(422)
  // At the front of the lesson it can be shown, as what its class has.
  const front = {
    what: 'copies',
    copies: [{ copy: board.copy, page: worksheet.sheet.pages[0]!.id, part: null, named: false }],
  }
  expect(await teacher.status('POST', `/handouts/${handout.id}/lesson`, { say: 'show', front })).toBe(200)
})

test('what was written at the front comes to stand on the shelf as a worksheet, and is handed out', async () => {
  const { teacher, handout, class: of } = await startLesson(school, 1)
  const board = await open(teacher, handout.id)
  const page = await firstPageOf(teacher, board.copy)
  await fatesOf(teacher.keep(board.copy, [adding(page)]))
  const kept = await teacher.post<WorksheetWhole>(`/copies/${board.copy}/to-shelf`, {
    title: 'As it was on Monday',
  })
  expect(kept).toMatchObject({ title: 'As it was on Monday', unit: handout.unit })
  const pages = (await teacher.get<CopyWhole>(`/copies/${board.copy}`)).pages
  expect(kept.sheet.pages).toHaveLength(pages.length)
  expect(kept.sheet.pages[0]).toMatchObject({ width: pages[0]!.width, height: pages[0]!.height })
  const { handouts } = await teacher.post<{ handouts: string[] }>('/handouts', {
    request: randomUUID(),
    worksheet: kept.id,
    classes: [{ class: of.id, way: 'own' }],
    ...{ opensAt: null, dueAt: null, directions: '', spoken: null, counts: true },
  })
  expect(handouts).toHaveLength(1)
})

test('a student is asked to write at the front: they and nobody else, as long as they are', async () => {
  const { teacher, handout, students } = await startLesson(school, 2)
  const [one, other] = students
  const board = await open(teacher, handout.id)
  const page = await firstPageOf(teacher, board.copy)
  const say = (student: string | null) =>
    teacher.post(`/handouts/${board.handout}/lesson`, { say: 'let write', student })
  await say(one!.person.id)
  // They do not have it yet.
  expect(await fatesOf(one!.visitor.keep(board.copy, [adding(page)]))).toBeUndefined()
  const told = async (of: typeof one) =>
    (await of!.visitor.get<OwnLessonTold>(`/copies/${of!.copy}/lesson`)).writesAt
  expect(await told(one)).toBeNull()
  await teacher.post(`/handouts/${board.handout}/students`, {
    students: students.map(({ person }) => person.id),
  })
  const heard: string[] = []
  ;(await one!.visitor.device()).on('lesson', (id) => heard.push(id))
  await one!.visitor.follow(one!.copy)
  await say(one!.person.id)
  await until(async () => heard.includes(handout.id))
  expect(await told(one)).toBe(board.copy)
  expect(await told(other)).toBeNull()
  expect(await fatesOf(one!.visitor.keep(board.copy, [adding(page)]))).toEqual(['kept'])
  expect(await fatesOf(one!.visitor.keep(board.copy, [adding(page, 'help')]))).toEqual(['wrong'])
  expect(await fatesOf(other!.visitor.keep(board.copy, [adding(page)]))).toEqual(['closed'])
  // What the teacher wrote there is not theirs to take away.
  const mine = adding(page)
  await teacher.keep(board.copy, [mine])
  await one!.visitor.keep(board.copy, [
    { ...mine, id: randomUUID(), act: 'take', items: mine.items.map(({ id }) => id) } as never,
  ])
  const seen = await teacher.get<{ events: unknown }>(`/copies/${board.copy}/log`)
  expect(JSON.stringify(seen)).not.toMatch(/"act":"take"[^}]*"free":true/)
  await say(null)
  expect(await fatesOf(one!.visitor.keep(board.copy, [adding(page)]))).toEqual(['closed'])
  expect(await told(one)).toBeNull()
})
