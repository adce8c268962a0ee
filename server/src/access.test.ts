import { randomUUID } from 'node:crypto'
import { CALLS, COPY_FORMATS, paperFile } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type { Express } from 'express'
import { makeApp } from './app.ts'
import { adding } from './test/ink.ts'
import { firstPageOf, type Lesson, openSchool, type School, startLesson } from './test/school.ts'
import type { Visitor } from './test/visitor.ts'

/** Who may: `everybody` even unknown; or those who get an answer, all others being told that nothing is there. */
interface Rule {
  readonly path: (lesson: Lesson) => string
  readonly body?: unknown
  readonly open?: true
  readonly student?: true
  readonly otherStudent?: true
  readonly teacher?: true
  readonly otherTeacher?: true
  /** It has a test of its own. */
  readonly apart?: true
}

const own = (lesson: Lesson) => lesson.students[0]!
const anyTeacher = { teacher: true, otherTeacher: true } as const
const anyStudent = { student: true, otherStudent: true } as const

/** A question of the hand-out. */
const QUESTION = randomUUID()

// Every route of the server. Bodies are empty where getting past the door is all that is asked.
const ROUTES: Record<string, Rule> = {
  'GET /door': { path: () => '/door', open: true },
  'GET /me': { path: () => '/me', open: true },
  'POST /first-teacher': { path: () => '/first-teacher', open: true },
  'POST /sign-in/teacher': { path: () => '/sign-in/teacher', open: true },
  'POST /sign-in/class': { path: () => '/sign-in/class', open: true },
  'POST /sign-in/student': { path: () => '/sign-in/student', open: true },
  'POST /sign-in/slip': { path: () => '/sign-in/slip', open: true },
  'POST /sign-in/slip/whose': { path: () => '/sign-in/slip/whose', open: true },
  'POST /invitation/whose': { path: () => '/invitation/whose', open: true },
  'POST /invitation/new': { path: () => '/invitation/new', open: true },
  'POST /invitation/take': { path: () => '/invitation/take', ...anyTeacher },
  'POST /classes/:class/invitation': {
    path: (lesson) => `/classes/${lesson.class.id}/invitation`,
    teacher: true,
  },
  'DELETE /classes/:class/teachers/:teacher': {
    path: (lesson) => `/classes/${lesson.class.id}/teachers/${randomUUID()}`,
    teacher: true,
  },
  'POST /join': { path: () => '/join', open: true },
  'GET /join/:join': { path: () => `/join/${randomUUID()}`, open: true },
  'POST /sign-in/demo': { path: () => '/sign-in/demo' },
  'GET /remarks': { path: () => '/remarks', ...anyTeacher },
  'POST /remarks': { path: () => '/remarks', ...anyTeacher },
  'PATCH /remarks/:remark': { path: () => `/remarks/${randomUUID()}`, apart: true },
  'POST /remarks/:remark/uses': { path: () => `/remarks/${randomUUID()}/uses`, apart: true },
  'PUT /handouts/:handout/rubric': {
    path: (lesson) => `/handouts/${lesson.handout.id}/rubric`,
    body: { rubric: null },
    teacher: true,
  },
  'GET /rubrics': { path: () => '/rubrics', ...anyTeacher },
  'PUT /rubrics/:rubric': { path: () => `/rubrics/${randomUUID()}`, apart: true },
  'DELETE /rubrics/:rubric': { path: () => `/rubrics/${randomUUID()}`, apart: true },
  'GET /classes': { path: () => '/classes', ...anyTeacher },
  'POST /classes': { path: () => '/classes', ...anyTeacher },
  'GET /classes/:class': { path: (lesson) => `/classes/${lesson.class.id}`, teacher: true },
  'PATCH /classes/:class': {
    path: (lesson) => `/classes/${lesson.class.id}`,
    body: { name: 'Curlew' },
    teacher: true,
  },
  'POST /classes/:class/students': {
    path: (lesson) => `/classes/${lesson.class.id}/students`,
    body: { names: ['New One'] },
    teacher: true,
  },
  'PATCH /classes/:class/students/:student': {
    path: (lesson) => `/classes/${lesson.class.id}/students/${own(lesson).person.id}`,
    body: { name: 'Renamed' },
    teacher: true,
  },
  'POST /classes/:class/students/:student/pin': {
    path: (lesson) => `/classes/${lesson.class.id}/students/${lesson.students[2]!.person.id}/pin`,
    teacher: true,
  },
  'DELETE /classes/:class/students/:student': {
    path: (lesson) => `/classes/${lesson.class.id}/students/${lesson.students[2]!.person.id}`,
    teacher: true,
  },
  'GET /classes/:class/roster': { path: (lesson) => `/classes/${lesson.class.id}/roster`, teacher: true },
  'POST /classes/:class/roster': {
    path: (lesson) => `/classes/${lesson.class.id}/roster`,
    body: { add: [], rename: [], leave: [] },
    teacher: true,
  },
  'POST /classes/:class/slips': {
    path: (lesson) => `/classes/${lesson.class.id}/slips`,
    body: { newPins: false },
    teacher: true,
  },
  'GET /classes/:class/joining': { path: (lesson) => `/classes/${lesson.class.id}/joining`, teacher: true },
  'POST /classes/:class/joining/:join/let-in': {
    path: (lesson) => `/classes/${lesson.class.id}/joining/${randomUUID()}/let-in`,
  },
  'POST /classes/:class/joining/:join/not-let-in': {
    path: (lesson) => `/classes/${lesson.class.id}/joining/${randomUUID()}/not-let-in`,
  },
  'POST /parcels': { path: () => '/parcels', apart: true },
  'GET /parcels': { path: () => '/parcels', ...anyTeacher, ...anyStudent },
  'GET /parcels/:parcel/file': { path: () => `/parcels/${randomUUID()}/file`, apart: true },
  'DELETE /parcels/:parcel': { path: () => `/parcels/${randomUUID()}`, apart: true },
  'GET /classes/:class/marks': { path: (lesson) => `/classes/${lesson.class.id}/marks`, teacher: true },
  'PUT /classes/:class/elsewhere/:elsewhere': {
    path: (lesson) => `/classes/${lesson.class.id}/elsewhere/${randomUUID()}`,
    body: { title: 'Oral', unit: '', at: 1, full: 1000, weight: 100, marks: [] },
    teacher: true,
  },
  'DELETE /classes/:class/elsewhere/:elsewhere': {
    path: (lesson) => `/classes/${lesson.class.id}/elsewhere/${randomUUID()}`,
    teacher: true,
  },
  'GET /handouts/:handout/marks': {
    path: (lesson) => `/handouts/${lesson.handout.id}/marks`,
    teacher: true,
  },
  'GET /handouts/:handout/said': {
    path: (lesson) => `/handouts/${lesson.handout.id}/said`,
    teacher: true,
  },
  'GET /classes/:class/groupings': {
    path: (lesson) => `/classes/${lesson.class.id}/groupings`,
    teacher: true,
  },
  'PUT /classes/:class/groupings/:grouping': {
    path: (lesson) => `/classes/${lesson.class.id}/groupings/${randomUUID()}`,
    body: { name: 'Boats', groups: [{ id: randomUUID(), name: 'Terns', students: [] }] },
    teacher: true,
  },
  'DELETE /classes/:class/groupings/:grouping': {
    path: (lesson) => `/classes/${lesson.class.id}/groupings/${randomUUID()}`,
    teacher: true,
  },
  'GET /worksheets': { path: () => '/worksheets', ...anyTeacher },
  'POST /worksheets': { path: () => '/worksheets', ...anyTeacher },
  'GET /worksheets/:worksheet': { path: (lesson) => `/worksheets/${lesson.worksheet.id}`, teacher: true },
  'GET /worksheets/:worksheet/pdf': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/pdf`,
    teacher: true,
  },
  'GET /worksheets/:worksheet/picture': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/picture`,
    teacher: true,
  },
  'GET /handouts/:handout/questions/:question/answers': {
    path: (lesson) => `/handouts/${lesson.handout.id}/questions/${QUESTION}/answers?copies=${randomUUID()}`,
    teacher: true,
  },
  'GET /handouts/:handout/questions/:question/heaps': {
    path: (lesson) => `/handouts/${lesson.handout.id}/questions/${QUESTION}/heaps`,
    teacher: true,
  },
  'POST /handouts/:handout/questions/:question/heaps': {
    path: (lesson) => `/handouts/${lesson.handout.id}/questions/${QUESTION}/heaps`,
    body: { act: 'make', heap: randomUUID(), name: 'right', copies: [] },
    teacher: true,
  },
  'GET /handouts/:handout/marking': {
    path: (lesson) => `/handouts/${lesson.handout.id}/marking`,
    teacher: true,
  },
  'POST /handouts/:handout/questions': {
    path: (lesson) => `/handouts/${lesson.handout.id}/questions`,
    body: {
      questions: [
        {
          id: randomUUID(),
          label: '1',
          fullMarks: 1,
          areas: [{ page: randomUUID(), x: 0, y: 0, width: 10, height: 10 }],
        },
      ],
    },
    teacher: true,
  },
  'DELETE /handouts/:handout/questions/:question': {
    path: (lesson) => `/handouts/${lesson.handout.id}/questions/${randomUUID()}`,
    apart: true,
  },
  'GET /handouts/:handout/work': { path: (lesson) => `/handouts/${lesson.handout.id}/work`, teacher: true },
  'GET /handouts/:handout/looks': { path: (lesson) => `/handouts/${lesson.handout.id}/looks`, teacher: true },
  'GET /copies/:copy/pages/:page/picture': {
    path: (lesson) => `/copies/${own(lesson).copy}/pages/${lesson.worksheet.sheet.pages[0]!.id}/picture`,
    teacher: true,
  },
  'GET /handouts/:handout/pdf': { path: (lesson) => `/handouts/${lesson.handout.id}/pdf`, teacher: true },
  'PATCH /worksheets/:worksheet': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}`,
    body: { title: 'Tides' },
    teacher: true,
  },
  'PUT /worksheets/:worksheet/sheet': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/sheet`,
    body: { revision: 99, order: [randomUUID()], pages: [] },
    teacher: true,
  },
  'POST /worksheets/:worksheet/files': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/files`,
    teacher: true,
  },
  'POST /worksheets/:worksheet/pictures': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/pictures`,
    teacher: true,
  },
  'POST /worksheets/:worksheet/films': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/films`,
    teacher: true,
  },
  'POST /worksheets/:worksheet/duplicate': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/duplicate`,
    teacher: true,
  },
  'POST /formulas': { path: () => '/formulas', body: { latex: 'x' }, ...anyTeacher, ...anyStudent },
  'GET /habits': { path: () => '/habits', ...anyTeacher, ...anyStudent },
  'PATCH /habits': { path: () => '/habits', body: { strip: 'left' }, ...anyTeacher, ...anyStudent },
  'POST /worksheets/:worksheet/archive': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/archive`,
    teacher: true,
  },
  'POST /worksheets/:worksheet/bring-back': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/bring-back`,
    teacher: true,
  },
  // The file as it came is its teacher's; what is made of it for others has tests of its own.
  'GET /files/:file': {
    path: (lesson) => `/files/${paperFile(lesson.worksheet.sheet.pages[0]!.paper)}`,
    teacher: true,
  },
  'GET /tray': { path: () => '/tray', ...anyStudent },
  'GET /handouts': { path: () => '/handouts', ...anyTeacher },
  'POST /handouts': { path: () => '/handouts', ...anyTeacher },
  'GET /handouts/:handout': { path: (lesson) => `/handouts/${lesson.handout.id}`, teacher: true },
  'PATCH /handouts/:handout': {
    path: (lesson) => `/handouts/${lesson.handout.id}`,
    body: { directions: 'In pencil.' },
    teacher: true,
  },
  'GET /handouts/:handout/changes': {
    path: (lesson) => `/handouts/${lesson.handout.id}/changes`,
    teacher: true,
  },
  'POST /handouts/:handout/changes': {
    path: (lesson) => `/handouts/${lesson.handout.id}/changes`,
    teacher: true,
  },
  'POST /handouts/:handout/students': {
    path: (lesson) => `/handouts/${lesson.handout.id}/students`,
    body: { students: [randomUUID()] },
    teacher: true,
  },
  'PUT /copies/:copy/set': {
    path: (lesson) => `/copies/${own(lesson).copy}/set`,
    body: { set: null },
    teacher: true,
  },
  'GET /copies/:copy/meanwhile': { path: (lesson) => `/copies/${own(lesson).copy}/meanwhile`, student: true },
  // Only a shared copy has pages to give; its own test says who may.
  'PUT /copies/:copy/parts': { path: (lesson) => `/copies/${own(lesson).copy}/parts`, body: [] },
  'PUT /copies/:copy/owners': { path: (lesson) => `/copies/${own(lesson).copy}/owners` },
  'PUT /spoken/:spoken': { path: () => `/spoken/${randomUUID()}`, ...anyTeacher },
  'GET /spoken/:spoken': { path: () => `/spoken/${randomUUID()}` },
  'POST /handouts/:handout/hand-back': {
    path: (lesson) => `/handouts/${lesson.handout.id}/hand-back`,
    body: { copies: [] },
    teacher: true,
  },
  'GET /copies/:copy': { path: (lesson) => `/copies/${own(lesson).copy}`, student: true, teacher: true },
  'GET /copies/:copy/log': {
    path: (lesson) => `/copies/${own(lesson).copy}/log`,
    student: true,
    teacher: true,
  },
  'GET /copies/:copy/pdf': {
    path: (lesson) => `/copies/${own(lesson).copy}/pdf`,
    student: true,
    teacher: true,
  },
  'POST /copies/:copy/open': { path: (lesson) => `/copies/${own(lesson).copy}/open`, student: true },
  'POST /copies/:copy/hand-in': { path: (lesson) => `/copies/${own(lesson).copy}/hand-in`, student: true },
  'POST /copies/:copy/take-back': {
    path: (lesson) => `/copies/${own(lesson).copy}/take-back`,
    student: true,
  },
  'POST /handouts/:handout/give-marks': {
    path: (lesson) => `/handouts/${lesson.handout.id}/give-marks`,
    body: { copies: [] },
    teacher: true,
  },
  'GET /classes/:class/mail': { path: (lesson) => `/classes/${lesson.class.id}/mail`, teacher: true },
  'GET /worksheets/:worksheet/worked': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/worked`,
    teacher: true,
  },
  'POST /worksheets/:worksheet/worked': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/worked`,
    body: { events: [] },
    teacher: true,
  },
  'DELETE /worksheets/:worksheet/worked': {
    path: (lesson) => `/worksheets/${lesson.worksheet.id}/worked`,
    teacher: true,
  },
  'GET /handouts/:handout/worked': {
    path: (lesson) => `/handouts/${lesson.handout.id}/worked`,
    teacher: true,
  },
  'GET /mail': { path: () => '/mail', ...anyStudent },
  'GET /handouts/:handout/room': {
    path: (lesson) => `/handouts/${lesson.handout.id}/room`,
    teacher: true,
  },
  'GET /handouts/:handout/lesson': {
    path: (lesson) => `/handouts/${lesson.handout.id}/lesson`,
    teacher: true,
  },
  'POST /handouts/:handout/lesson': {
    path: (lesson) => `/handouts/${lesson.handout.id}/lesson`,
    body: { say: 'pens up' },
    teacher: true,
  },
  'GET /copies/:copy/lesson': { path: (lesson) => `/copies/${own(lesson).copy}/lesson`, student: true },
  'POST /boards': { path: () => '/boards', ...anyTeacher },
  'POST /copies/:copy/to-shelf': {
    path: (lesson) => `/copies/${own(lesson).copy}/to-shelf`,
    body: { title: 'As it was' },
    teacher: true,
  },
  'PUT /handouts/:handout/seats': {
    path: (lesson) => `/handouts/${lesson.handout.id}/seats`,
    body: { tables: [] },
    teacher: true,
  },
  'GET /copies/:copy/hand': { path: (lesson) => `/copies/${own(lesson).copy}/hand`, student: true },
  'POST /copies/:copy/hand-up': { path: (lesson) => `/copies/${own(lesson).copy}/hand-up`, student: true },
  'POST /copies/:copy/hand-down': {
    path: (lesson) => `/copies/${own(lesson).copy}/hand-down`,
    body: {},
    student: true,
    teacher: true,
  },
  'POST /copies/:copy/take-in': {
    path: (lesson) => `/copies/${own(lesson).copy}/take-in`,
    teacher: true,
  },
  'POST /copies/:copy/hand-back': {
    path: (lesson) => `/copies/${own(lesson).copy}/hand-back`,
    teacher: true,
  },
  'PATCH /copies/:copy': { path: (lesson) => `/copies/${own(lesson).copy}`, body: {}, teacher: true },
  'DELETE /copies/:copy/students/:student': {
    path: (lesson) => `/copies/${own(lesson).copy}/students/${randomUUID()}`,
  },
  'POST /copies/:copy/bring-back': {
    path: (lesson) => `/copies/${own(lesson).copy}/bring-back`,
    teacher: true,
  },
  'POST /copies/:copy/another-go': {
    path: (lesson) => `/copies/${own(lesson).copy}/another-go`,
    teacher: true,
  },
  'PUT /copies/:copy/attachments/:attachment': {
    path: (lesson) => `/copies/${own(lesson).copy}/attachments/${randomUUID()}`,
    student: true,
    teacher: true,
  },
  'GET /copies/:copy/attachments/:attachment': {
    path: (lesson) => `/copies/${own(lesson).copy}/attachments/${randomUUID()}`,
  },
  'GET /copies/:copy/attachments/:attachment/arrived': {
    path: (lesson) => `/copies/${own(lesson).copy}/attachments/${randomUUID()}/arrived`,
    student: true,
    teacher: true,
  },
  'POST /password': { path: () => '/password', ...anyTeacher },
  'POST /sign-out': { path: () => '/sign-out', ...anyStudent, ...anyTeacher },
  // Ends the sessions of whoever asks: people/sessions.test.ts looks at that.
  'POST /sign-out/everywhere': { path: () => '/sign-out/everywhere', apart: true },
}

let school: School
let lesson: Lesson
let otherTeacher: Visitor
beforeAll(async () => {
  school = await openSchool()
  lesson = await startLesson(school, 3)
  const area = { page: lesson.worksheet.sheet.pages[0]!.id, x: 60, y: 100, width: 300, height: 100 }
  const questions = [{ id: QUESTION, label: '1', fullMarks: 2, areas: [area] }]
  await lesson.teacher.post(`/handouts/${lesson.handout.id}/questions`, { questions })
  otherTeacher = await school.teacher()
})
afterAll(() => school.close())

interface Layer {
  route?: { path: string; methods: Record<string, boolean> }
  handle?: { stack?: Layer[] }
}
function routesOf(layers: Layer[]): string[] {
  return layers.flatMap(({ route, handle }) =>
    route
      ? Object.keys(route.methods).map((method) => `${method.toUpperCase()} ${route.path}`)
      : routesOf(handle?.stack ?? []),
  )
}

test('every route is made of a call of the contract, or takes a copy away in a format', () => {
  const calls = Object.values(CALLS).map(({ method, path }) => `${method} ${path}`)
  const formats = Object.keys(COPY_FORMATS).map((format) => `GET /copies/:copy/${format}`)
  expect(Object.keys(ROUTES).sort()).toEqual([...new Set([...calls, ...formats])].sort())
})

test.each(Object.entries(CALLS))('%s lets in whom the contract says', (_name, { method, path, who }) => {
  const { open, apart, ...rule } = ROUTES[`${method} ${path}`]!
  // Only the demo takes people at their word.
  if (path === '/sign-in/demo') return
  expect(open ?? false).toBe(who === 'everybody')
  if (who === 'teacher') expect([rule.student, rule.otherStudent]).toEqual([undefined, undefined])
  if (who === 'student') expect([rule.teacher, rule.otherTeacher]).toEqual([undefined, undefined])
})

test('the table names every route that there is', () => {
  const app = makeApp(school.server.context, (_request, _response, next) => next(), '/nowhere') as Express & {
    router: { stack: Layer[] }
  }
  const there = routesOf(app.router.stack).filter(
    (route) => !route.includes('/{*path}') && !route.endsWith('/api/alive'),
  )
  expect([...new Set(there)].sort()).toEqual(Object.keys(ROUTES).sort())
})

describe('every route, as everybody', () => {
  test.each(Object.entries(ROUTES))('%s', async (name, rule) => {
    const [method] = name.split(' ') as [string]
    const ask = (visitor: Visitor) =>
      visitor.status(method, rule.path(lesson), rule.body ?? (method === 'GET' ? undefined : {}))
    const nobody = await ask(school.visitor())
    if (rule.open) {
      expect(nobody).not.toBe(401)
      return
    }
    expect([401, 404]).toContain(nobody)
    if (rule.apart) return
    const known = {
      student: own(lesson).visitor,
      otherStudent: lesson.students[1]!.visitor,
      teacher: lesson.teacher,
      otherTeacher,
    } as const
    // Those who may come last: signing out ends their being known.
    const order = (['otherStudent', 'otherTeacher', 'student', 'teacher'] as const).toSorted(
      (a, b) => Number(rule[a] ?? false) - Number(rule[b] ?? false),
    )
    for (const who of order) {
      const status = await ask(known[who])
      if (rule[who]) expect([401, 403, 404]).not.toContain(status)
      else expect([who, status]).toEqual([who, 404])
    }
  })

  test('addresses that are no ids, and no addresses at all, are simply not there', async () => {
    const teacher = await school.teacher()
    for (const path of [
      '/copies/1',
      '/handouts/x',
      "/classes/'%20OR%201=1",
      '/files/zz',
      '/worksheets/..%2f..%2fetc',
      '/nothing',
    ]) {
      expect(await teacher.status('GET', path)).toBe(404)
    }
  })
})

describe('every live message, as everybody', () => {
  test('nobody is not even connected', async () => {
    await expect(school.visitor().device()).rejects.toThrow(/sign in/)
  })

  test('a copy is followed and written on by its student and its teacher only; a hand-out is watched by its teacher only', async () => {
    const fresh = await startLesson(school, 2)
    const copy = fresh.students[0]!.copy
    const page = await firstPageOf(fresh.students[0]!.visitor, copy)
    const stranger = await school.teacher()
    const ok = async (answer: Promise<{ ok: boolean }>) => (await answer).ok
    const [student, neighbour] = fresh.students.map(({ visitor }) => visitor) as [Visitor, Visitor]
    for (const [visitor, may] of [
      [student, true],
      [fresh.teacher, true],
      [neighbour, false],
      [stranger, false],
    ] as const) {
      expect(await ok(visitor.follow(copy))).toBe(may)
      expect(
        await ok(
          visitor.keep(copy, [adding(page, visitor === student || visitor === neighbour ? 'work' : 'help')]),
        ),
      ).toBe(may)
    }
    for (const [visitor, may] of [
      [fresh.teacher, true],
      [student, false],
      [neighbour, false],
      [stranger, false],
    ] as const) {
      expect(await ok(visitor.watch(fresh.handout.id))).toBe(may)
    }
  })

  test('what is not well formed is refused, and the server goes on', async () => {
    const fresh = await startLesson(school, 1)
    const { visitor, copy } = fresh.students[0]!
    const device = await visitor.device()
    const say = (message: string, body: unknown) =>
      device.timeout(5000).emitWithAck(message as 'keep', body as never)
    for (const body of [
      null,
      7,
      'x',
      {},
      { copy: 'x' },
      { copy, events: [] },
      { copy, events: [{ act: 'wipe' }] },
      { copy, readTo: { work: -1 } },
    ]) {
      expect(await say('keep', body)).toMatchObject({ ok: false, gone: true })
      expect(await say('follow', body)).toMatchObject({ ok: false, gone: true })
      expect(await say('watch', body)).toMatchObject({ ok: false, gone: true })
    }
    // Without a place for the answer, and with a name that is not a copy's.
    device.emit('keep', { copy, events: [] } as never, undefined as never)
    device.emit('unfollow', { not: 'a string' } as never)
    expect((await visitor.follow(copy)).ok).toBe(true)
  })
})
