import { randomUUID } from 'node:crypto'
import type { CopyRow, CopyWhole, HandoutWhole, KeptEvent } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { adding, lineStroke } from '../test/ink.ts'
import { behind, firstPageOf, type Lesson, openSchool, type School, startLesson } from '../test/school.ts'

let school: School
let lesson: Lesson
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function freshCopy() {
  lesson = await startLesson(school, 2)
  const { visitor, copy } = lesson.students[0]!
  return {
    teacher: lesson.teacher,
    student: visitor,
    other: lesson.students[1]!.visitor,
    copy,
    page: await firstPageOf(visitor, copy),
  }
}
const fates = (answer: Awaited<ReturnType<Lesson['teacher']['keep']>>) =>
  answer.ok ? answer.fates.map(({ fate }) => fate) : [answer.why]
const read = (answer: Awaited<ReturnType<Lesson['teacher']['follow']>>) => (answer.ok ? answer.events : [])

describe('keeping events', () => {
  test('in order, with the author that the server knows, and back as they were sent', async () => {
    const { student, copy, page } = await freshCopy()
    const first = adding(page)
    const second = {
      id: randomUUID(),
      page,
      layer: 'work' as const,
      madeAt: 7,
      act: 'take' as const,
      items: [first.items[0]!.id],
      undoes: first.id,
    }
    expect(fates(await student.keep(copy, [first, second]))).toEqual(['kept', 'kept'])
    const [a, b] = read(await student.follow(copy))
    expect(a).toMatchObject({ ...first, seq: 1, round: 1, author: lesson.students[0]!.person.id })
    expect(b).toMatchObject({ ...second, seq: 2 })
  })

  test('the same again, alone or among new ones, is kept once', async () => {
    const { student, copy, page } = await freshCopy()
    const events = [adding(page), adding(page)]
    await Promise.all([
      student.keep(copy, events),
      student.keep(copy, events),
      student.keep(copy, [...events, adding(page)]),
    ])
    const kept = read(await student.follow(copy))
    expect(kept.map(({ seq }) => seq)).toEqual([1, 2, 3])
    expect(kept.slice(0, 2).map(({ id }) => id)).toEqual(events.map(({ id }) => id))
  })

  test('only on pages of the copy, only ink that can be read, only sounds that are there', async () => {
    const { student, copy, page } = await freshCopy()
    const voice = {
      id: randomUUID(),
      kind: 'voice' as const,
      x: 1,
      y: 1,
      recording: randomUUID(),
      seconds: 2,
    }
    const answer = await student.keep(copy, [
      adding(randomUUID()),
      adding(page, 'work', lineStroke([0, 0], [1, 1], { points: 'AAAA' })),
      { ...adding(page), items: [voice] },
      adding(page),
    ])
    expect(fates(answer)).toEqual(['wrong', 'wrong', 'wrong', 'kept'])
  })

  test('an id used in another copy is refused there and untouched here', async () => {
    const { student, copy, page } = await freshCopy()
    const event = adding(page)
    await student.keep(copy, [event])
    const neighbour = lesson.students[1]!
    const page2 = await firstPageOf(neighbour.visitor, neighbour.copy)
    expect(fates(await neighbour.visitor.keep(neighbour.copy, [{ ...event, page: page2 }]))).toEqual([
      'wrong',
    ])
    expect(read(await neighbour.visitor.follow(neighbour.copy))).toEqual([])
  })

  test('not while the copy lies with the teacher; once it is back the same events are taken', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.post(`/copies/${copy}/hand-in`)
    const late = adding(page)
    expect(fates(await student.keep(copy, [late]))).toEqual(['closed'])
    await teacher.post(`/copies/${copy}/another-go`)
    expect(fates(await student.keep(copy, [late]))).toEqual(['kept'])
    expect(read(await student.follow(copy))[0]).toMatchObject({ id: late.id, round: 2 })
  })

  test('ink that comes before the news of opening opens the copy', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.keep(copy, [adding(page)])
    const { copies } = await teacher.get<HandoutWhole>(`/handouts/${lesson.handout.id}`)
    expect(copies.find(({ id }) => id === copy)!.state).toBe('working')
  })

  test('the log cannot be altered, not even behind the server', async () => {
    const { student, copy, page } = await freshCopy()
    await student.keep(copy, [adding(page)])
    const { pool, close } = behind(school)
    for (const statement of ['UPDATE event SET round = 9', 'DELETE FROM event', 'TRUNCATE event']) {
      await expect(pool.query(statement)).rejects.toThrow(/append-only/)
    }
    await close()
  })

  test('many at once from many hands: all kept, each copy in its own unbroken sequence', async () => {
    const { students } = await startLesson(school, 12)
    await Promise.all(
      students.map(async ({ visitor, copy }) => {
        const page = await firstPageOf(visitor, copy)
        await Promise.all(Array.from({ length: 15 }, () => visitor.keep(copy, [adding(page)])))
      }),
    )
    for (const { visitor, copy } of students) {
      expect(read(await visitor.follow(copy)).map(({ seq }) => seq)).toEqual(
        Array.from({ length: 15 }, (_, index) => index + 1),
      )
    }
  })
})

describe('feedback', () => {
  test('reaches the student in no form before it is handed back, and all of it then', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.keep(copy, [adding(page)])
    await student.post(`/copies/${copy}/hand-in`)
    const heard: KeptEvent[] = []
    ;(await student.device()).on('events', ({ events }) => heard.push(...events))
    await student.follow(copy)
    const note = adding(page, 'feedback', lineStroke([10, 10], [40, 40], { colour: '#a83a2e' }))
    expect(fates(await teacher.keep(copy, [note]))).toEqual(['kept'])
    expect(read(await student.follow(copy)).map(({ layer }) => layer)).toEqual(['work'])
    const before = await student.get<CopyWhole>(`/copies/${copy}`)
    expect(JSON.stringify(before)).not.toMatch(/feedback|marking/i)
    expect(heard).toEqual([])

    await teacher.post(`/copies/${copy}/hand-back`)
    const after = read(await student.follow(copy, { work: 1, help: 0, feedback: 0, pins: 0 }))
    expect(after.map(({ id }) => id)).toEqual([note.id])
  })

  test('handed back by mistake it is brought back, with nothing of it told any more, until it is read', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.keep(copy, [adding(page)])
    await teacher.keep(copy, [adding(page, 'feedback')])
    await teacher.post(`/copies/${copy}/hand-back`)
    expect(await teacher.post(`/copies/${copy}/bring-back`)).toMatchObject({ state: 'working', round: 1 })
    expect(read(await student.follow(copy)).map(({ layer }) => layer)).toEqual(['work'])
    expect(fates(await student.keep(copy, [adding(page)]))).toEqual(['kept'])

    await teacher.post(`/copies/${copy}/hand-back`)
    await student.post(`/copies/${copy}/open`)
    await expect(teacher.post(`/copies/${copy}/bring-back`)).rejects.toThrow(/read by now/)
  })

  test('of a second round stays hidden while the first stays in sight', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.post(`/copies/${copy}/hand-in`)
    const first = adding(page, 'feedback')
    await teacher.keep(copy, [first])
    await teacher.post(`/copies/${copy}/another-go`)
    const second = adding(page, 'feedback')
    await teacher.keep(copy, [second])
    expect(read(await student.follow(copy)).map(({ id }) => id)).toEqual([first.id])
    expect(read(await teacher.follow(copy)).map(({ id, round }) => [id, round])).toEqual([
      [first.id, 1],
      [second.id, 2],
    ])
  })

  test('is the teacher’s layer only, and work the student’s only', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    expect(fates(await student.keep(copy, [adding(page, 'feedback'), adding(page, 'help')]))).toEqual([
      'wrong',
      'wrong',
    ])
    expect(fates(await teacher.keep(copy, [adding(page, 'work'), adding(page, 'help')]))).toEqual([
      'wrong',
      'kept',
    ])
  })

  test('begun, it keeps the student from taking back, in a sentence', async () => {
    const { teacher, student, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.post(`/copies/${copy}/hand-in`)
    await student.post(`/copies/${copy}/take-back`)
    await student.post(`/copies/${copy}/hand-in`)
    await teacher.keep(copy, [adding(page, 'feedback')])
    await expect(student.post(`/copies/${copy}/take-back`)).rejects.toThrow(/begun to write/)
  })
})

describe('handing back the pile', () => {
  test('hands back what was opened, leaves the rest, and again changes nothing', async () => {
    const { teacher, students, handout } = await startLesson(school, 3)
    for (const { visitor, copy } of students.slice(0, 2)) await visitor.post(`/copies/${copy}/open`)
    const all = students.map(({ copy }) => copy)
    const path = `/handouts/${handout.id}/hand-back`
    const answer = await teacher.post<{ handedBack: string[] }>(path, { copies: all })
    expect(answer.handedBack.sort()).toEqual(all.slice(0, 2).sort())
    const states = async () =>
      (await teacher.get<HandoutWhole>(`/handouts/${handout.id}`)).copies
        .map(({ state }: CopyRow) => state)
        .sort()
    expect(await states()).toEqual(['handed back', 'handed back', 'waiting'])
    await teacher.post(path, { copies: all })
    expect(await states()).toEqual(['handed back', 'handed back', 'waiting'])
  })
})
