import { randomUUID } from 'node:crypto'
import {
  applyAll,
  type CopyWhole,
  type CopyWork,
  type EventFate,
  emptyPage,
  type Item,
  type KeptEvent,
  type PageEvent,
  pinsOn,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { adding, lineStroke } from '../test/ink.ts'
import {
  firstPageOf,
  giveOut,
  giving,
  openSchool,
  readyClass,
  type School,
  startLesson,
} from '../test/school.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function ownCopy() {
  const { teacher, students, handout } = await startLesson(school, 2)
  const [{ visitor: student, copy }, other] = students as [(typeof students)[0], (typeof students)[0]]
  const page = await firstPageOf(student, copy)
  return { teacher, student, other: other.visitor, copy, page, handout: handout.id }
}

const saying = (page: string, item: Partial<Item> & { kind: string }): PageEvent & { act: 'add' } => ({
  id: randomUUID(),
  page,
  layer: 'pins',
  madeAt: 1,
  act: 'add',
  items: [{ id: randomUUID(), ...item } as Item],
})
const pinning = (page: string, words = 'Why does it turn here?') =>
  saying(page, { kind: 'pin', x: 40, y: 60, words } as never)
const taking = (page: string, item: string): PageEvent => ({
  id: randomUUID(),
  page,
  layer: 'pins',
  madeAt: 2,
  act: 'take',
  items: [item],
})
const fates = async (who: Visitor, copy: string, ...events: PageEvent[]): Promise<EventFate['fate'][]> => {
  const answer = await who.keep(copy, events)
  if (!answer.ok) throw new Error(answer.why)
  return answer.fates.map(({ fate }) => fate)
}
const readBy = async (who: Visitor, copy: string): Promise<KeptEvent[]> => {
  const answer = await who.follow(copy)
  if (!answer.ok) throw new Error(answer.why)
  return answer.events as KeptEvent[]
}
const seenBy = async (who: Visitor, copy: string) => pinsOn(applyAll(emptyPage, await readBy(who, copy)))

describe('what is said at places of a copy', () => {
  test('goes between a student and the teacher at once, before and after it is handed in and back', async () => {
    const { teacher, student, copy, page } = await ownCopy()
    await student.post(`/copies/${copy}/open`)
    const asked = pinning(page)
    expect(await fates(student, copy, asked)).toEqual(['kept'])
    await student.post(`/copies/${copy}/hand-in`)
    const [pin] = asked.items
    const answered = saying(page, { kind: 'pinAnswer', to: pin!.id, words: 'Look at the moon.' } as never)
    expect(await fates(teacher, copy, answered)).toEqual(['kept'])
    const [seen] = await seenBy(student, copy)
    expect(seen!.answers.map(({ item }) => item.words)).toEqual(['Look at the moon.'])
    await teacher.post(`/copies/${copy}/hand-back`)
    expect(await fates(student, copy, saying(page, { kind: 'pinDone', to: pin!.id } as never))).toEqual([
      'kept',
    ])
    expect((await seenBy(teacher, copy))[0]!.done).toHaveLength(1)
  })

  test('can be drawn meanwhile; ink that is none is refused, and so is too much of it', async () => {
    const { teacher, student, copy, page } = await ownCopy()
    const drawing = (drawn: unknown) =>
      saying(page, { kind: 'pin', x: 40, y: 60, words: 'From here on', drawn } as never)
    const stroke = lineStroke([40, 60], [90, 80])
    const good = drawing([{ second: 1.5, stroke }])
    expect(await fates(student, copy, good)).toEqual(['kept'])
    const [seen] = await seenBy(teacher, copy)
    expect(seen!.item.drawn).toEqual([{ second: 1.5, stroke }])
    const broken = drawing([{ second: 1.5, stroke: lineStroke([0, 0], [1, 1], { points: 'AAAA' }) }])
    expect(await fates(student, copy, broken)).toEqual(['wrong'])
    const many = Array.from({ length: 201 }, () => ({ second: 1, stroke: { ...stroke, id: randomUUID() } }))
    expect(await fates(student, copy, drawing(many))).toEqual(['wrong'])
  })

  test('is no work: a copy that is only talked about is still waiting', async () => {
    const { student, copy, page } = await ownCopy()
    await fates(student, copy, pinning(page))
    expect(await student.get<CopyWhole>(`/copies/${copy}`)).toMatchObject({ state: 'waiting', pins: true })
  })

  test('is counted for whoever watches for its words, until it is taken away; a hostile list is refused', async () => {
    const { teacher, student, copy, page, handout } = await ownCopy()
    const told = async () => {
      const work = await teacher.get<CopyWork[]>(`/handouts/${handout}/work`)
      const { pins, watched } = work.find((each) => each.copy === copy)!
      return { pins, watched }
    }
    const unkind = pinning(page, 'You are SILLYYYY, go away')
    await fates(student, copy, unkind, pinning(page))
    expect(await told()).toEqual({ pins: 2, watched: 0 })
    await teacher.patch('/habits', { watchedWords: ['silly', '%', '’; DROP TABLE event'] })
    expect(await told()).toEqual({ pins: 2, watched: 1 })
    expect(await teacher.status('PATCH', '/habits', { watchedWords: ['x'.repeat(61)] })).toBe(422)
    expect(await teacher.status('PATCH', '/habits', { watchedWords: Array(301).fill('x') })).toBe(422)
    // Whoever pins it is not told.
    expect(JSON.stringify(await student.get('/habits'))).not.toContain('silly')
    expect(await fates(teacher, copy, taking(page, unkind.items[0]!.id))).toEqual(['kept'])
    expect(await told()).toEqual({ pins: 1, watched: 0 })
  })

  test('is nobody else’s', async () => {
    const { other, copy, page } = await ownCopy()
    await expect(fates(other, copy, pinning(page))).rejects.toThrow()
    expect(await other.follow(copy)).toMatchObject({ ok: false })
  })

  test('takes nothing but what is said, and work takes none of it', async () => {
    const { teacher, student, copy, page } = await ownCopy()
    await student.post(`/copies/${copy}/open`)
    const ink = { ...adding(page, 'work', lineStroke([10, 10], [40, 40])), layer: 'pins' } as PageEvent
    const [pin] = pinning(page).items
    const astray = { ...adding(page), items: [pin] } as PageEvent
    expect(await fates(student, copy, ink, astray)).toEqual(['wrong', 'wrong'])
    expect(await fates(teacher, copy, { ...astray, id: randomUUID(), layer: 'feedback' })).toEqual(['wrong'])
    const sound = saying(page, {
      kind: 'pin',
      x: 1,
      y: 1,
      words: '',
      voice: { recording: randomUUID(), seconds: 3 },
    } as never)
    expect(await fates(student, copy, sound)).toEqual(['wrong'])
  })

  test('a teacher takes away what hurts, and it stays in the log; a student only their own', async () => {
    const { classId, worksheet, teacher, students, signIn } = await readyClass(school, 2)
    const [handout] = await giveOut(teacher, giving(worksheet.id, classId, { way: 'all' }))
    const [iris, rafi] = await Promise.all(students.map(({ id }) => signIn(id)))
    const whole = await teacher.get<{ copies: { id: string }[] }>(`/handouts/${handout}`)
    const copy = whole.copies[0]!.id
    const page = await firstPageOf(iris!, copy)
    const said = pinning(page, 'something mean')
    await fates(iris!, copy, said)
    const [pin] = said.items
    await fates(rafi!, copy, taking(page, pin!.id))
    expect(await seenBy(iris!, copy)).toHaveLength(1)
    await fates(teacher, copy, taking(page, pin!.id))
    for (const who of [iris!, rafi!, teacher]) expect(await seenBy(who, copy)).toEqual([])
    expect(JSON.stringify(await readBy(teacher, copy))).toContain('something mean')
  })

  test('switched off for a hand-out nobody says anything; what was said is kept', async () => {
    const { teacher, student, copy, page, handout } = await ownCopy()
    await fates(student, copy, pinning(page))
    await teacher.patch(`/handouts/${handout}`, { pins: false })
    expect(await student.get<CopyWhole>(`/copies/${copy}`)).toMatchObject({ pins: false })
    expect(await fates(student, copy, pinning(page))).toEqual(['closed'])
    expect(await fates(teacher, copy, pinning(page))).toEqual(['closed'])
    await teacher.patch(`/handouts/${handout}`, { pins: true })
    expect(await seenBy(teacher, copy)).toHaveLength(1)
  })
})
