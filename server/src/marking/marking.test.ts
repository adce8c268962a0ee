import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import {
  COPY_FORMATS,
  type CopyWhole,
  type CopyWork,
  type HandoutWhole,
  type KeptEvent,
  type MarkingWhole,
  type PageEvent,
  type Question,
  replyId,
  type TrayEntry,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { handBackDue } from '../copies/index.ts'
import { fatesOf } from '../test/fatesOf.ts'
import { lineStroke } from '../test/ink.ts'
import { markedLesson } from '../test/markedLesson.ts'
import { firstPageOf, openSchool, type School } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'

const sound = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const marked = () => markedLesson(school)

test('what a copy was given adds up, is changed and taken, and is told to whoever looks at the pile', async () => {
  const { teacher, handout, copy, questions, giveMark, sum } = await marked()
  expect(await sum()).toEqual({ copy, given: 0, full: 600, left: 2, leftNow: 2 })
  const told: unknown[] = []
  const device = await teacher.device()
  await teacher.watch(handout)
  device.on('marks', (news) => told.push(news))
  const first = giveMark(0, 1.5)
  expect(await fatesOf(teacher.keep(copy, [first, giveMark(1, 4)]))).toEqual(['kept', 'kept'])
  expect(await sum()).toEqual({ copy, given: 550, full: 600, left: 0, leftNow: 0 })
  const { items } = first as Extract<PageEvent, { act: 'add' }>
  const common = { page: first.page, layer: 'feedback', madeAt: 6 } as const
  await teacher.keep(copy, [
    {
      ...common,
      id: randomUUID(),
      act: 'change',
      item: items[0]!.id,
      set: { given: 200 },
      was: { given: 150 },
    },
  ])
  expect((await sum())?.given).toBe(600)
  await teacher.keep(copy, [{ ...common, id: randomUUID(), act: 'take', items: [items[0]!.id] }])
  expect(await sum()).toEqual({ copy, given: 400, full: 600, left: 1, leftNow: 1 })
  for (let tries = 0; told.length < 3 && tries < 50; tries++) await new Promise((go) => setTimeout(go, 50))
  expect(told.at(-1)).toEqual({ handout, sum: { copy, given: 400, full: 600, left: 1, leftNow: 1 } })
  const whole = await teacher.get<MarkingWhole>(`/handouts/${handout}/marking`)
  expect(whole.questions).toEqual(questions)
})

test('nobody marks but the teacher, and not above full marks', async () => {
  const { teacher, student, copy, giveMark, sum } = await marked()
  await student.post(`/copies/${copy}/take-back`)
  const mine = giveMark(0, 2)
  expect(await fatesOf(student.keep(copy, [mine, { ...giveMark(1, 4), layer: 'work' }]))).toEqual([
    'wrong',
    'wrong',
  ])
  expect(await fatesOf(teacher.keep(copy, [{ ...giveMark(0, 1), layer: 'help' }]))).toEqual(['wrong'])
  const above = giveMark(0, 2) as Extract<PageEvent, { act: 'add' }>
  const items = above.items.map((item) => ({ ...item, given: 300 })) as never
  expect(await fatesOf(teacher.keep(copy, [{ ...above, items }]))).toEqual(['wrong'])
  expect((await sum())?.given).toBe(0)
})

test('not one mark is seen before it is handed back, in no answer and no live message; then all of them', async () => {
  const { teacher, student, other, handout, copy, giveMark, sum } = await marked()
  const heard: unknown[] = []
  const device = await student.device()
  for (const name of ['events', 'marks', 'standing', 'copyRow'] as const)
    device.on(name, (news: unknown) => heard.push([name, news]))
  await student.follow(copy)
  await student.watch(handout)
  await teacher.keep(copy, [giveMark(0, 1), giveMark(1, 3.5)])
  const seen = async () =>
    JSON.stringify([
      heard,
      await student.get(`/copies/${copy}`),
      await student.get(`/copies/${copy}/log`),
      await student.get('/tray'),
    ])
  expect(await seen()).not.toMatch(/"mark"|"given"/)
  const back = async () =>
    (await student.get<TrayEntry[]>('/tray')).find((entry) => entry.copy === copy)!.back
  expect(await back()).toBe(null)
  expect(await student.status('GET', `/handouts/${handout}/marking`)).toBe(404)
  expect(await other.status('GET', `/copies/${copy}/log`)).toBe(404)
  await teacher.post(`/copies/${copy}/hand-back`)
  expect(await back()).toEqual({ pages: 1, given: 450, full: 600 })
  const log = await student.get<KeptEvent[]>(`/copies/${copy}/log`)
  expect(log.flatMap((event) => (event.act === 'add' ? event.items : [])).map((item) => item.kind)).toEqual([
    'mark',
    'mark',
  ])
  // A second round is given marks of its own; those of the first stay as they were until it is handed back.
  await teacher.post(`/copies/${copy}/another-go`)
  await student.post(`/copies/${copy}/hand-in`)
  expect(await sum()).toMatchObject({ left: 0, leftNow: 2 })
  await teacher.keep(copy, [giveMark(0, 2, 2)])
  expect(await sum()).toMatchObject({ left: 0, leftNow: 1 })
  expect(JSON.stringify(await student.get(`/copies/${copy}/log`))).not.toMatch(/"given":200/)
  expect(await back()).toEqual({ pages: 1, given: 450, full: 600 })
  await teacher.post(`/copies/${copy}/hand-back`)
  expect(await back()).toEqual({ pages: 1, given: 550, full: 600 })
})

test('a student answers feedback that was handed back, and does nothing else to that copy', async () => {
  const { teacher, student, other, copy, giveMark } = await marked()
  const mark = giveMark(0, 1) as Extract<PageEvent, { act: 'add' }>
  const common = { page: mark.page, layer: 'work', madeAt: 7 } as const
  const reply = { id: replyId(copy, mark.items[0]!.id), kind: 'reply', to: mark.items[0]!.id } as const
  const say = (words: string): PageEvent => ({
    ...common,
    id: randomUUID(),
    act: 'add',
    items: [{ ...reply, reply: { done: false, words } }],
  })
  await teacher.keep(copy, [mark])
  // Nothing is said to what is not handed back, and nothing by others.
  expect(await fatesOf(student.keep(copy, [say('too early')]))).toEqual(['closed'])
  await teacher.post(`/copies/${copy}/hand-back`)
  expect(await fatesOf(student.keep(copy, [say('I meant half past six')]))).toEqual(['kept'])
  const done: PageEvent = {
    ...common,
    id: randomUUID(),
    act: 'change',
    item: reply.id,
    set: { reply: { done: true, words: 'I meant half past six' } },
    was: { reply: { done: false, words: 'I meant half past six' } },
  }
  expect(await fatesOf(student.keep(copy, [done]))).toEqual(['kept'])
  const note = { id: randomUUID(), kind: 'sign', form: 'tick', x: 1, y: 1, width: 20, height: 20 } as const
  const items = [{ ...reply, id: randomUUID(), reply: { done: true, words: '' } }]
  const both: PageEvent = { ...common, id: randomUUID(), act: 'add', items: [...items, note] }
  const asFeedback: PageEvent = { ...common, id: randomUUID(), act: 'add', items, layer: 'feedback' }
  const take: PageEvent = { ...common, id: randomUUID(), act: 'take', items: [reply.id] }
  expect(await fatesOf(student.keep(copy, [both, asFeedback, take]))).toEqual(['wrong', 'wrong', 'closed'])
  expect(await fatesOf(teacher.keep(copy, [say('for them')]))).toEqual(['wrong'])
  expect((await other.keep(copy, [say('mine')])).ok).toBe(false)
  const log = JSON.stringify(await teacher.get(`/copies/${copy}/log`))
  expect(log).toContain('I meant half past six')
  expect(log).not.toContain('too early')
})

test('names hidden: nothing that a teacher is sent of the pile has a name in it, until they are shown again', async () => {
  const { teacher, student, handout, copy, giveMark } = await marked()
  const before = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  for (const [index, { students }] of before.copies.entries())
    await teacher.patch(`/classes/${before.classId}/students/${students[0]!.id}`, {
      name: ['Ingrid Quandt', 'Yannis Oduya'][index],
    })
  const shown = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  const names = shown.copies.flatMap(({ students }) => students.map(({ name }) => name))
  expect(names).toHaveLength(2)
  const heard: unknown[] = []
  const device = await teacher.device()
  device.on('copyRow', (news: unknown) => heard.push(news))
  await teacher.watch(handout)
  const trays: unknown[] = []
  const theirs = await student.device()
  for (const name of ['tray', 'standing', 'handout', 'marks', 'copyRow'] as const)
    theirs.on(name, (news?: unknown) => trays.push([name, news]))
  await student.follow(copy)
  await teacher.patch(`/handouts/${handout}`, { namesHidden: true })
  await teacher.patch(`/copies/${copy}`, { reviewed: true })
  await teacher.keep(copy, [giveMark(0, 1)])
  const everything = async () => {
    const told: string[] = []
    for (const path of [
      `/handouts/${handout}`,
      `/handouts/${handout}/marking`,
      ...shown.copies.flatMap(({ id }) => [`/copies/${id}`, `/copies/${id}/log`]),
      ...Object.values(COPY_FORMATS).map(({ ending }) => `/copies/${copy}/${ending}`),
      `/copies/${copy}/pdf?named=yes`,
      `/handouts/${handout}/pdf?named=yes`,
    ]) {
      const answer = await teacher.send('GET', path)
      const heads = decodeURIComponent([...answer.headers].join('\n'))
      told.push(`${path}\n${heads}\n${Buffer.from(await answer.arrayBuffer()).toString('latin1')}`)
    }
    return [...told, JSON.stringify(heard)].join('\n')
  }
  const hidden = await everything()
  for (const name of names) {
    expect(hidden).not.toContain(name)
    expect(hidden).not.toContain(name.split(' ')[0])
  }
  const whole = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  expect(whole.copies.map(({ name }) => name)).toEqual(['Copy 1', 'Copy 2'])
  expect(whole.copies.find(({ id }) => id === copy)!.reviewed).toBe(true)
  // Its student sees their own name all the same, and nothing stirs: not even that marking began.
  expect(JSON.stringify(await student.get(`/copies/${copy}`))).toMatch(/Ingrid|Yannis/)
  expect(trays).toEqual([])

  await teacher.patch(`/handouts/${handout}`, { namesHidden: false })
  expect(await everything()).toContain(names[0])
  // Another round has been reviewed by nobody.
  await teacher.post(`/copies/${copy}/another-go`)
  const after = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  expect(after.copies.find(({ id }) => id === copy)!.reviewed).toBe(null)
})

test('what was done so far on each copy: pages, recordings that are still there, and time without pauses', async () => {
  const { teacher, student, other, handout, copy } = await marked()
  await student.post(`/copies/${copy}/take-back`)
  const page = await firstPageOf(student, copy)
  const recording = randomUUID()
  await student.put(`/copies/${copy}/attachments/${recording}`, sound)
  const note = { id: randomUUID(), kind: 'voice', x: 40, y: 40, recording, seconds: 3 } as const
  const after = (seconds: number) => ({
    id: randomUUID(),
    page,
    layer: 'work' as const,
    madeAt: 1_800_000_000_000 + seconds * 1000,
  })
  const done = async () =>
    (await teacher.get<CopyWork[]>(`/handouts/${handout}/work`)).find((each) => each.copy === copy)
  expect(await done()).toEqual({ copy, pages: 0, recordings: 0, pins: 0, watched: 0, worked: 0 })
  const moved: PageEvent = { ...after(30), act: 'move', items: [note.id], by: { a: 1, b: 0, e: 9, f: 0 } }
  await student.keep(copy, [{ ...after(0), act: 'add', items: [note] }, moved])
  expect(await done()).toEqual({ copy, pages: 1, recordings: 1, pins: 0, watched: 0, worked: 30_000 })
  // Ten minutes of lunch, and the note is taken away.
  const take: PageEvent = { ...after(640), act: 'take', items: [note.id] }
  await student.keep(copy, [{ ...after(630), act: 'add', items: [lineStroke([10, 10], [50, 50])] }, take])
  expect(await done()).toEqual({ copy, pages: 1, recordings: 0, pins: 0, watched: 0, worked: 40_000 })
  // What is said to feedback is not work.
  await teacher.post(`/copies/${copy}/hand-back`)
  const reply = { id: replyId(copy, note.id), kind: 'reply', to: note.id } as const
  await student.keep(copy, [
    { ...after(660), act: 'add', items: [{ ...reply, reply: { done: true, words: '' } }] },
  ])
  expect((await done())?.worked).toBe(40_000)
  expect(await other.status('GET', `/handouts/${handout}/work`)).toBe(404)
})

test('handed back at a moment, for another go with its own date: not one bit before, all of it then; not if it was taken back', async () => {
  const { teacher, student, other, handout, copy, giveMark } = await marked()
  const row = async () =>
    (await teacher.get<HandoutWhole>(`/handouts/${handout}`)).copies.find(({ id }) => id === copy)!
  const at = Date.now() + 3_600_000
  const dueAt = at + 86_400_000
  const heard: unknown[] = []
  const device = await student.device()
  for (const name of ['tray', 'standing', 'handout', 'events'] as const)
    device.on(name, (news?: unknown) => heard.push([name, news]))
  await student.follow(copy)
  await teacher.keep(copy, [giveMark(0, 1)])
  const plan = (more: object = {}) =>
    teacher.post<{ handedBack: string[] }>(`/handouts/${handout}/hand-back`, { copies: [copy], at, ...more })
  expect(await plan({ again: { dueAt } })).toEqual({ handedBack: [copy] })
  expect(await row()).toMatchObject({ state: 'handed in', handsBackAt: at })
  const clock = (now: number) => ({ ...school.server.context, now: () => now })
  await handBackDue(clock(at - 1))
  expect(await row()).toMatchObject({ state: 'handed in', handsBackAt: at })
  expect(heard).toEqual([])
  const seen = async () =>
    JSON.stringify([
      await student.get('/tray'),
      await student.get(`/copies/${copy}`),
      await student.get(`/copies/${copy}/log`),
    ])
  expect(await seen()).not.toMatch(/"mark"|handsBack/)

  await handBackDue(clock(at))
  expect(await row()).toMatchObject({ state: 'another go', round: 2, handsBackAt: null, dueAt })
  expect(await seen()).toMatch(/"mark"/)
  const whole = await student.get<{ dueAt: number }>(`/copies/${copy}`)
  expect(whole.dueAt).toBe(dueAt)
  await handBackDue(clock(at + 1))
  expect((await row()).round).toBe(2)

  // Planned again, called off, planned once more and taken back: it stays with its student.
  await student.post(`/copies/${copy}/hand-in`)
  await plan()
  await teacher.patch(`/copies/${copy}`, { handsBackAt: null })
  await handBackDue(clock(at))
  expect((await row()).state).toBe('handed in')
  await plan()
  await student.post(`/copies/${copy}/take-back`)
  await handBackDue(clock(at))
  expect(await row()).toMatchObject({ state: 'another go', handsBackAt: null })
  // What nobody handed in is not planned, and what is another's not touched.
  expect(await plan()).toEqual({ handedBack: [] })
  expect(await other.status('POST', `/handouts/${handout}/hand-back`, { copies: [copy], at })).toBe(404)
})

test('handed back without marks: what was written is there, and no mark in any answer, message or PDF until they are given', async () => {
  const { teacher, student, other, handout, copy, giveMark, questions } = await marked()
  const page = questions[0]!.areas[0]!.page
  const heard: unknown[] = []
  const device = await student.device()
  for (const name of ['tray', 'standing', 'handout', 'events'] as const)
    device.on(name, (news?: unknown) => heard.push(news))
  await student.follow(copy)
  const common = { page, layer: 'feedback', madeAt: 5 } as const
  const ink: PageEvent = { ...common, id: randomUUID(), act: 'add', items: [lineStroke([90, 90], [120, 95])] }
  const sign: PageEvent = {
    ...common,
    id: randomUUID(),
    act: 'add',
    items: [
      { id: randomUUID(), kind: 'sign', form: 'tick', x: 9, y: 9, width: 20, height: 20, carries: 150 },
    ],
  }
  await teacher.keep(copy, [ink, giveMark(0, 1.5), sign])
  const back = (more: object) => teacher.post(`/handouts/${handout}/hand-back`, { copies: [copy], ...more })
  await back({ marks: false })
  const seen = async () =>
    JSON.stringify([
      await student.get('/tray'),
      await student.get(`/copies/${copy}`),
      await student.get(`/copies/${copy}/log`),
      await student.follow(copy),
      heard,
    ])
  const pdf = async () => {
    const answer = await student.send('GET', `/copies/${copy}/pdf`)
    return textOfPdf(new Uint8Array(await answer.arrayBuffer()))
  }
  // One given afterwards is not told either.
  await teacher.keep(copy, [giveMark(1, 3)])
  expect(await seen()).toContain('"tick"')
  expect(await seen()).not.toMatch(/"mark"|"carries"|"given":[1-9]/)
  expect(await pdf()).not.toMatch(/of 2|of 4/)
  expect((await student.get<TrayEntry[]>('/tray'))[0]!.back).toEqual({ pages: 1, given: 0, full: 0 })
  const row = async () =>
    (await teacher.get<HandoutWhole>(`/handouts/${handout}`)).copies.find(({ id }) => id === copy)!
  expect((await row()).marksKept).toBe(true)

  expect(await student.status('POST', `/handouts/${handout}/give-marks`, { copies: [copy] })).toBe(404)
  expect(await other.status('POST', `/handouts/${handout}/give-marks`, { copies: [copy] })).toBe(404)
  expect(await seen()).not.toContain('"mark"')
  await teacher.post(`/handouts/${handout}/give-marks`, { copies: [copy] })
  expect((await row()).marksKept).toBe(false)
  expect((await student.get<TrayEntry[]>('/tray'))[0]!.back).toEqual({ pages: 1, given: 450, full: 600 })
  expect((await student.get<KeptEvent[]>(`/copies/${copy}/log`)).flatMap(marksOf)).toHaveLength(2)
  expect(await pdf()).toMatch(/1½ of 2/)

  // Another round, planned without marks: those of the round before stay given.
  await back({ again: { dueAt: null } })
  await student.post(`/copies/${copy}/hand-in`)
  await teacher.keep(copy, [giveMark(0, 2, 2)])
  const at = Date.now() + 60_000
  await back({ at, marks: false })
  await handBackDue({ ...school.server.context, now: () => at })
  expect((await row()).state).toBe('handed back')
  const rounds = (await student.get<KeptEvent[]>(`/copies/${copy}/log`)).filter(
    (event) => marksOf(event).length > 0,
  )
  expect(rounds.map(({ round }) => round)).toEqual([1, 1])
})

const marksOf = (event: KeptEvent) =>
  event.act === 'add' ? event.items.filter(({ kind }) => kind === 'mark') : []

test('questions drawn while marking are there for all copies at once, and on the worksheet; what was there stays', async () => {
  const { teacher, student, handout, copy, questions, giveMark, sum } = await marked()
  const whole = await teacher.get<HandoutWhole>(`/handouts/${handout}`)
  await teacher.keep(copy, [giveMark(0, 2)])
  const page = questions[0]!.areas[0]!.page
  const drawn = (on: string, id: string = randomUUID()): Question => ({
    id,
    label: '3',
    fullMarks: 5,
    areas: [{ page: on, x: 60, y: 600, width: 300, height: 80 }],
  })
  const path = `/handouts/${handout}/questions`
  const [third, elsewhere] = [drawn(page), drawn(randomUUID())]
  expect(await teacher.status('POST', path, { questions: [elsewhere] })).toBe(422)
  await teacher.post(path, { questions: [third] })
  await teacher.post(path, { questions: [third] })
  const { questions: now } = await teacher.get<MarkingWhole>(`/handouts/${handout}/marking`)
  expect(now.map(({ id }) => id)).toEqual([...questions.map(({ id }) => id), third.id])
  expect(await sum()).toMatchObject({ given: 200, full: 1100, left: 2 })
  const sheet = await teacher.get<WorksheetWhole>(`/worksheets/${whole.worksheetId}`)
  expect(sheet.sheet.questions.map(({ id }) => id)).toContain(third.id)
  expect((await student.get<CopyWhole>(`/copies/${copy}`)).questions.map(({ label }) => label)).toContain('3')
  expect(await student.status('POST', path, { questions: [drawn(page)] })).toBe(404)
  // What has marks stays; what has none can be taken back.
  expect(await teacher.status('DELETE', `${path}/${questions[0]!.id}`)).toBe(409)
  expect(await teacher.status('DELETE', `${path}/${third.id}`)).toBe(204)
  expect(await teacher.status('DELETE', `${path}/${third.id}`)).toBe(404)
  expect(await sum()).toMatchObject({ given: 200, full: 600, left: 1 })
})
