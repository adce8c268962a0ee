import { randomUUID } from 'node:crypto'
import {
  applyAll,
  type CopyWhole,
  emptyPage,
  inSight,
  type KeptEvent,
  type PageEvent,
  type Scan,
  scansOn,
} from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { adding } from '../test/ink.ts'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function freshCopy() {
  const lesson = await startLesson(school, 2)
  const { visitor: student, copy } = lesson.students[0]!
  return { ...lesson, student, copy, page: await firstPageOf(student, copy) }
}

/** A sheet of paper whose two pictures were sent by somebody. */
async function sent(by: Visitor, copy: string): Promise<Scan> {
  const [file, taken] = [randomUUID(), randomUUID()]
  for (const [at, name] of [file, taken].entries()) {
    const picture = sharp({ create: { width: 8 + at, height: 8, channels: 3, background: '#ffffff' } })
    await by.put(`/copies/${copy}/attachments/${name}`, new Uint8Array(await picture.png().toBuffer()))
  }
  return { id: randomUUID(), kind: 'scan', file, taken, x: 0, y: 0, width: 595, height: 842 }
}
const swapping = (page: string, take: string[], ...items: Scan[]): PageEvent => ({
  ...adding(page),
  act: 'swap',
  take,
  bring: [],
  items,
})
const taking = (page: string, ...items: string[]): PageEvent => ({
  ...{ id: randomUUID(), page, layer: 'work', madeAt: 3 },
  act: 'take',
  items,
})
const fate = async (by: Visitor, copy: string, event: PageEvent) => {
  const answer = await by.keep(copy, [event])
  return answer.ok ? answer.fates[0]!.fate : answer.why
}
const scansSeen = async (by: Visitor, copy: string, page: string) => {
  const events = await by.get<KeptEvent[]>(`/copies/${copy}/log`)
  const seen = applyAll(
    emptyPage,
    events.filter((event) => event.page === page),
  )
  return scansOn(inSight(seen)).map(({ scan }) => scan.id)
}

test('a teacher lays a sheet of paper into a copy that nobody opened, and another in its place', async () => {
  const { teacher, student, copy, page } = await freshCopy()
  const [first, second] = [await sent(teacher, copy), await sent(teacher, copy)]
  expect(await fate(teacher, copy, swapping(page, [], first))).toBe('kept')
  expect(await scansSeen(student, copy, page)).toEqual([first.id])
  for (const name of [first.file, first.taken])
    expect(await student.status('GET', `/copies/${copy}/attachments/${name}`)).toBe(200)
  expect(await fate(teacher, copy, swapping(page, [first.id], second))).toBe('kept')
  expect(await scansSeen(student, copy, page)).toEqual([second.id])
  expect((await student.get<CopyWhole>(`/copies/${copy}`)).state).toBe('working')
})

test('its student cannot take it away, move it or lay something over the rule that says so', async () => {
  const { teacher, student, copy, page } = await freshCopy()
  const scan = await sent(teacher, copy)
  await fate(teacher, copy, swapping(page, [], scan))
  const moving: PageEvent = {
    ...{ id: randomUUID(), page, layer: 'work', madeAt: 4 },
    act: 'move',
    items: [scan.id],
    by: { a: 1, b: 0, e: 900, f: 0 },
  }
  for (const event of [taking(page, scan.id), moving, swapping(page, [scan.id])])
    await fate(student, copy, event)
  expect(await scansSeen(student, copy, page)).toEqual([scan.id])
  const own = await sent(student, copy)
  expect(await fate(student, copy, swapping(page, [scan.id], own))).toBe('kept')
  expect(await scansSeen(teacher, copy, page)).toEqual([scan.id, own.id])
})

test('not even where all who share a copy may touch everything', async () => {
  const { teacher, student, handout, copy, page } = await freshCopy()
  await teacher.patch(`/handouts/${handout.id}`, { touchAll: true })
  const scan = await sent(teacher, copy)
  await fate(teacher, copy, swapping(page, [], scan))
  await fate(student, copy, taking(page, scan.id))
  await fate(student, copy, swapping(page, [scan.id]))
  expect(await scansSeen(student, copy, page)).toEqual([scan.id])
})

test('with paper a teacher touches nothing else of a student’s, in no other copy, and no one else does', async () => {
  const { teacher, student, students, copy, page } = await freshCopy()
  const ink = adding(page)
  await fate(student, copy, ink)
  const scan = await sent(teacher, copy)
  const stroke = ink.items[0]!.id
  expect(await fate(teacher, copy, swapping(page, [stroke], scan))).toBe('wrong')
  expect(await fate(teacher, copy, taking(page, stroke))).toBe('wrong')
  expect(await fate(teacher, copy, adding(page))).toBe('wrong')
  expect(await fate(teacher, copy, { ...adding(page, 'feedback'), items: [scan] })).toBe('wrong')
  expect(await fate(teacher, copy, swapping(randomUUID(), [], scan))).toBe('wrong')
  const other = students[1]!
  expect(await fate(teacher, other.copy, swapping(page, [], scan))).toBe('wrong')
  expect(await fate(other.visitor, copy, swapping(page, [], scan))).not.toBe('kept')
  expect(await fate(teacher, copy, swapping(page, [], scan))).toBe('kept')
  expect(await fate(teacher, copy, taking(page, scan.id))).toBe('kept')
  expect(await scansSeen(student, copy, page)).toEqual([])
})

test('what was done on paper is taken in, and can be handed back; what went back cannot be taken in', async () => {
  const { teacher, student, copy, page } = await freshCopy()
  await fate(teacher, copy, swapping(page, [], await sent(teacher, copy)))
  const takeIn = () => teacher.status('POST', `/copies/${copy}/take-in`)
  expect([await takeIn(), await takeIn()]).toEqual([200, 200])
  const whole = await student.get<CopyWhole>(`/copies/${copy}`)
  expect(whole.state).toBe('handed in')
  expect(await student.status('POST', `/copies/${copy}/take-in`)).toBe(404)
  await teacher.post(`/copies/${copy}/hand-back`)
  expect(await takeIn()).toBe(409)
})
