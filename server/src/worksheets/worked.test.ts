import { randomUUID } from 'node:crypto'
import type { KeptEvent } from '@hand-back/core'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { adding } from '../test/ink.ts'
import { openSchool, type School, startLesson } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

test('a worked copy is kept in order, once, and read by whoever marks the hand-out; no student has it', async () => {
  const { teacher, students, worksheet, handout } = await startLesson(school, 1)
  const page = worksheet.sheet.pages[0]!.id
  const path = `/worksheets/${worksheet.id}/worked`
  const [first, second, third] = [adding(page), adding(page), adding(page)]
  await teacher.post(path, { events: [first, second] })
  await Promise.all([
    teacher.post(path, { events: [second, third] }),
    teacher.post(path, { events: [third, first] }),
  ])
  const kept = await teacher.get<KeptEvent[]>(path)
  expect(kept.map(({ id }) => id)).toEqual([first!.id, second!.id, third!.id])
  expect(kept.map(({ seq }) => seq)).toEqual([1, 2, 3])
  expect(kept[0]).toMatchObject({ ...first, round: 1 })
  expect(await teacher.get(`/handouts/${handout.id}/worked`)).toEqual(kept)
  const { visitor, copy } = students[0]!
  for (const asked of [path, `/handouts/${handout.id}/worked`])
    expect(await visitor.status('GET', asked)).toBe(404)
  const theirs = JSON.stringify([
    await visitor.get(`/copies/${copy}`),
    await visitor.get(`/copies/${copy}/log`),
  ])
  for (const { id } of kept) expect(theirs).not.toContain(id)

  await teacher.delete(path)
  expect(await teacher.get(path)).toEqual([])
})

test('what is no work of a hand is not taken', async () => {
  const { teacher, worksheet } = await startLesson(school, 1)
  const page = worksheet.sheet.pages[0]!.id
  const path = `/worksheets/${worksheet.id}/worked`
  expect(await teacher.status('POST', path, { events: [adding(page, 'feedback')] })).toBe(422)
  const voice = { id: randomUUID(), kind: 'voice', x: 1, y: 1, recording: randomUUID(), seconds: 2 }
  expect(await teacher.status('POST', path, { events: [{ ...adding(page), items: [voice] }] })).toBe(422)
  expect(
    await teacher.status('POST', path, { events: [{ ...adding(page), items: [{ kind: 'note' }] }] }),
  ).toBe(422)
  expect(await teacher.get(path)).toEqual([])
})
