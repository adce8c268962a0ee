import type { AddressInfo } from 'node:net'
import { type ClassMail, type ClassWhole, markId, overallId, type PageEvent } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { SMTPServer } from 'smtp-server'
import { fatesOf } from '../test/fatesOf.ts'
import { adding } from '../test/ink.ts'
import { firstPageOf, giveOut, giving, openSchool, readyClass, type School } from '../test/school.ts'
import { until } from '../test/until.ts'
import { makeMail, sendMail } from './index.ts'

const MINUTE = 60_000
const HOUR = 60 * MINUTE

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

/** Two students of a class, the first with an address, and a worksheet that is ready. */
async function withAddress(address = 'noor@school.example') {
  const { teacher, classId, students, worksheet, signIn } = await readyClass(school, 2)
  const path = `/classes/${classId}`
  await teacher.patch(`${path}/students/${students[0]!.id}`, { mail: address })
  const student = await signIn(students[0]!.id)
  const mail = async () => (await teacher.get<ClassMail>(`${path}/mail`)).mail
  const at = (now: number) => makeMail({ ...school.server.context, now: () => now })
  const hand = async (rest: object = {}) => giveOut(teacher, giving(worksheet.id, classId, {}, rest))
  const copyIn = async () => (await student.get<{ copy: string }[]>('/tray'))[0]!.copy
  return { teacher, student, students, path, mail, at, hand, copyIn }
}

test('what was handed out is told once, after a rest, to those who have an address and have not opened it', async () => {
  const { mail, at, hand, student, copyIn, teacher } = await withAddress()
  await hand({ dueAt: Date.now() + 72 * HOUR })
  await at(Date.now())
  expect(await mail()).toEqual([])
  const later = Date.now() + 3 * MINUTE
  await Promise.all([at(later), at(later)])
  await at(later + MINUTE)
  const [only, ...more] = await mail()
  expect(more).toEqual([])
  expect(only).toMatchObject({ about: 'handed out', address: 'noor@school.example', sentAt: null })
  expect(only!.words).toContain('It is due')

  // Opened at once, or withdrawn again: nobody is told.
  await hand()
  await student.post(`/copies/${await copyIn()}/open`)
  const [gone] = await hand()
  await teacher.patch(`/handouts/${gone}`, { withdrawn: true })
  await at(Date.now() + 3 * MINUTE)
  // A day later it is no news any more.
  await hand()
  await at(Date.now() + 26 * HOUR)
  expect(await mail()).toHaveLength(1)
})

test('what is due within a day is told to those who have not handed it in, once for each date', async () => {
  const { mail, at, hand, student, copyIn, teacher } = await withAddress()
  const due = Date.now() + 100 * HOUR
  const [handout] = await hand({ dueAt: due })
  const copy = await copyIn()
  await student.post(`/copies/${copy}/open`)
  await at(due - 25 * HOUR)
  expect(await mail()).toEqual([])
  await at(due - 23 * HOUR)
  await at(due - 22 * HOUR)
  expect((await mail()).map(({ about }) => about)).toEqual(['due'])
  await at(due + HOUR)
  await teacher.patch(`/handouts/${handout}`, { dueAt: due + 200 * HOUR })
  await at(due + 190 * HOUR)
  expect(await mail()).toHaveLength(2)
  await student.post(`/copies/${copy}/hand-in`)
  await teacher.patch(`/handouts/${handout}`, { dueAt: due + 400 * HOUR })
  await at(due + 390 * HOUR)
  expect(await mail()).toHaveLength(2)
})

test('what came back is told after a rest, round by round, and holds no feedback, marks or names', async () => {
  const { mail, at, hand, student, students, copyIn, teacher } = await withAddress()
  const [handout] = await hand()
  const copy = await copyIn()
  await student.post(`/copies/${copy}/open`)
  await student.post(`/copies/${copy}/hand-in`)
  const page = await firstPageOf(student, copy)
  const mark: PageEvent = {
    ...adding(page, 'feedback'),
    items: [
      {
        id: markId(copy, page, 1),
        kind: 'mark',
        question: page,
        label: 'Flood',
        given: 7300,
        full: 9100,
        x: 9,
        y: 9,
      },
      { id: overallId(copy, 1), kind: 'overall', words: 'Look at low water' },
    ],
  }
  expect(await fatesOf(teacher.keep(copy, [mark]))).toEqual(['kept'])
  const back = (more: object = {}) =>
    teacher.post(`/handouts/${handout}/hand-back`, { copies: [copy], ...more })
  await back()
  await at(Date.now())
  // Brought back at once: it was a mistake, and nobody hears of it.
  await teacher.post(`/copies/${copy}/bring-back`)
  await at(Date.now() + 3 * MINUTE)
  expect(await mail()).toEqual([])
  await back({ again: { dueAt: null } })
  await at(Date.now() + 3 * MINUTE)
  await at(Date.now() + 4 * MINUTE)
  const [only, ...more] = await mail()
  expect(more).toEqual([])
  expect(only).toMatchObject({ about: 'handed back', subject: expect.stringContaining('Another go') })
  const whole = await teacher.get<ClassWhole>(
    `/classes/${(await teacher.get<{ classId: string }>(`/handouts/${handout}`)).classId}`,
  )
  const names = [...whole.teachers, ...students].map(({ name }) => name)
  const said = `${only!.subject} ${only!.words}`
  for (const secret of [...names, '73', '91', 'low water', 'Flood']) expect(said).not.toContain(secret)
})

test('each chooses what comes to them; a student without an address gets nothing, and sees no one’s mail', async () => {
  const { teacher, students, mail, at, hand, student, path } = await withAddress()
  expect(await student.get('/mail')).toEqual({ address: 'noor@school.example' })
  await student.patch('/habits', { noMail: ['handed out'] })
  await hand()
  await at(Date.now() + 3 * MINUTE)
  expect(await mail()).toEqual([])
  await student.patch('/habits', { noMail: [] })
  await at(Date.now() + 4 * MINUTE)
  expect(await mail()).toHaveLength(1)
  expect(await student.status('GET', `${path}/mail`)).toBe(404)
  // Whoever left the class is told nothing of it any more.
  await hand()
  await teacher.delete(`${path}/students/${students[0]!.id}`)
  await at(Date.now() + 5 * MINUTE)
  expect(await mail()).toHaveLength(1)
})

test('a mail server takes what waits, once; what it refuses is tried again later and says why', async () => {
  const { mail, at, hand } = await withAddress('ilja@school.example')
  await hand()
  await at(Date.now() + 3 * MINUTE)
  const taken: string[] = []
  let refuses = true
  const smtp = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS', 'AUTH'],
    onRcptTo: (_to, _session, done) => done(refuses ? new Error('no such box') : undefined),
    onData(stream, _session, done) {
      let text = ''
      stream.on('data', (bytes: Buffer) => {
        text += bytes.toString()
      })
      stream.on('end', () => {
        if (text.includes('ilja@')) taken.push(text)
        done()
      })
    },
  })
  await new Promise<void>((done) => smtp.listen(0, '127.0.0.1', done))
  const server = {
    url: `smtp://127.0.0.1:${(smtp.server.address() as AddressInfo).port}`,
    from: 'Hand Back <hand-back@school.example>',
  }
  const send = (now: number) => sendMail({ ...school.server.context, now: () => now }, server)
  try {
    const now = Date.now()
    await send(now)
    expect((await mail())[0]).toMatchObject({ sentAt: null, trouble: expect.stringContaining('no such box') })
    refuses = false
    await send(now + MINUTE)
    expect(taken).toEqual([])
    await Promise.all([send(now + 6 * MINUTE), send(now + 6 * MINUTE)])
    await send(now + 20 * MINUTE)
    await until(async () => taken.length > 0)
    expect(taken).toHaveLength(1)
    expect(taken[0]).toMatch(/Subject: New in your tray/)
    expect((await mail())[0]).toMatchObject({ sentAt: expect.any(Number), trouble: null })
  } finally {
    await new Promise<void>((done) => smtp.close(done))
  }
})
