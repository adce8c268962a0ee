import type { CopyRow, KeptEvent } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { io } from 'socket.io-client'
import { adding } from '../test/ink.ts'
import { firstPageOf, type Lesson, openSchool, type School, startLesson } from '../test/school.ts'
import { Visitor } from '../test/visitor.ts'

let school: School
let lesson: Lesson
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

/** Resolves with the first news that satisfies `wanted`. */
function heard<T>(
  device: Awaited<ReturnType<Visitor['device']>>,
  name: string,
  wanted: (news: T) => boolean,
): Promise<T> {
  return new Promise((done) => {
    device.on(name as 'events', ((news: T) => wanted(news) && done(news)) as never)
  })
}

describe('news', () => {
  test('of a stroke reaches the teacher and the student’s other device, on another server too', async () => {
    lesson = await startLesson(school, 1)
    const { copy, person, pin, visitor } = lesson.students[0]!
    const second = await school.secondServer()
    const page = await firstPageOf(visitor, copy)
    const tablet = new Visitor(second.url)
    await tablet.post('/sign-in/student', { code: lesson.class.code, student: person.id, pin })
    const wait = [await tablet.device(), await lesson.teacher.device()].map((device) =>
      heard<{ copy: string; events: KeptEvent[] }>(device, 'events', (news) => news.copy === copy),
    )
    await tablet.follow(copy)
    await lesson.teacher.follow(copy)
    const event = adding(page)
    await visitor.keep(copy, [event])
    for (const { events } of await Promise.all(wait)) expect(events.map(({ id }) => id)).toEqual([event.id])
    tablet.leave()
  })

  test('of a copy’s state reaches the teacher’s table and the student’s tray', async () => {
    lesson = await startLesson(school, 2)
    const [{ visitor, copy }, other] = lesson.students as [Lesson['students'][0], Lesson['students'][0]]
    await lesson.teacher.watch(lesson.handout.id)
    const row = heard<{ row: CopyRow }>(
      await lesson.teacher.device(),
      'copyRow',
      (news) => news.row.state === 'handed in',
    )
    const tray = heard<unknown>(await visitor.device(), 'tray', () => true)
    let othersHeard = 0
    ;(await other.visitor.device()).on('tray', () => othersHeard++)
    await visitor.post(`/copies/${copy}/open`)
    await visitor.post(`/copies/${copy}/hand-in`)
    expect((await row).row).toMatchObject({ id: copy, markingBegan: false })
    await tray
    expect(othersHeard).toBe(0)
  })

  test('that marking began is the teacher’s alone', async () => {
    lesson = await startLesson(school, 1)
    const { visitor, copy } = lesson.students[0]!
    await visitor.post(`/copies/${copy}/open`)
    const page = await firstPageOf(visitor, copy)
    await lesson.teacher.watch(lesson.handout.id)
    const marked = heard<{ row: CopyRow }>(
      await lesson.teacher.device(),
      'copyRow',
      (news) => news.row.markingBegan,
    )
    const told: unknown[] = []
    ;(await visitor.device()).onAny((...news) => told.push(news))
    await visitor.follow(copy)
    await lesson.teacher.keep(copy, [adding(page, 'feedback')])
    await marked
    expect(JSON.stringify(told)).not.toMatch(/feedback|marking/i)
  })
})

test('a page of another site cannot connect with a visitor’s cookie', async () => {
  const socket = io(school.server.url, {
    path: '/live',
    transports: ['websocket'],
    reconnection: false,
    extraHeaders: { origin: 'https://elsewhere.example' },
  })
  await expect(
    new Promise((done, failed) => {
      socket.once('connect', () => done('connected'))
      socket.once('connect_error', failed)
    }),
  ).rejects.toThrow()
  socket.disconnect()
})

test('whoever floods the server is cut off, on whichever of their devices', async () => {
  lesson = await startLesson(school, 1)
  const { visitor, copy } = lesson.students[0]!
  const device = await visitor.device()
  const second = visitor.again()
  const other = await second.device()
  const cut = new Promise((done) => {
    for (const each of [device, other]) each.once('disconnect', done)
  })
  for (let message = 0; message < 400; message++) {
    device.emit('unfollow', copy)
    other.emit('unfollow', copy)
  }
  expect(await cut).toBe('io server disconnect')
})

test('a copy of many strokes is read in pieces, each layer whole and in order', async () => {
  lesson = await startLesson(school, 1)
  const { visitor, copy } = lesson.students[0]!
  const page = await firstPageOf(visitor, copy)
  for (let batch = 0; batch < 6; batch++)
    await visitor.keep(
      copy,
      Array.from({ length: 200 }, () => adding(page)),
    )
  const first = await visitor.follow(copy)
  if (!first.ok) throw new Error(first.why)
  expect(first.more).toBe(true)
  const rest = await visitor.follow(copy, { work: first.events.at(-1)!.seq, help: 0, feedback: 0, pins: 0 })
  if (!rest.ok) throw new Error(rest.why)
  expect(rest.more).toBe(false)
  expect([...first.events, ...rest.events].map(({ seq }) => seq)).toEqual(
    Array.from({ length: 1200 }, (_, index) => index + 1),
  )
})
