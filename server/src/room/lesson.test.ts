import { randomUUID } from 'node:crypto'
import type { LessonTold, OwnLessonTold, Pointing, Saying } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { sql } from 'drizzle-orm'
import { fatesOf } from '../test/fatesOf.ts'
import { adding } from '../test/ink.ts'
import { firstPageOf, type Lesson, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'
import { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const say = ({ teacher, handout }: Lesson, said: Saying) =>
  teacher.post<LessonTold>(`/handouts/${handout.id}/lesson`, said)
const toldTo = ({ visitor, copy }: Lesson['students'][0]) =>
  visitor.get<OwnLessonTold>(`/copies/${copy}/lesson`)

/** As if so many milliseconds had passed since pens were put down. */
const later = ({ handout }: Lesson, by: number) =>
  school.server.context.db.execute(
    sql`UPDATE lesson SET said = jsonb_set(said, '{pensDownAt}', to_jsonb((said->>'pensDownAt')::float8 - ${by}::float8)) WHERE handout_id = ${handout.id}`,
  )

describe('what a teacher says to the class', () => {
  test('is told to everybody who works on it and to who comes late, a line to one to nobody else', async () => {
    const lesson = await startLesson(school, 3)
    const [one, other, late] = lesson.students as [
      Lesson['students'][0],
      Lesson['students'][0],
      Lesson['students'][0],
    ]
    const heard: string[] = []
    for (const { visitor, copy } of [one, other]) {
      ;(await visitor.device()).on('lesson', (of) => heard.push(`${copy} ${of}`))
      await visitor.follow(copy)
    }
    const page = await firstPageOf(one.visitor, one.copy)
    await say(lesson, { say: 'time', seconds: 300 })
    await say(lesson, { say: 'look', page, keeps: true })
    await say(lesson, { say: 'line', words: 'Show your working' })
    await say(lesson, { say: 'line', words: 'Nearly, Ida', copies: [one.copy] })
    await until(async () => heard.length >= 8)
    expect(new Set(heard)).toEqual(new Set([one, other].map(({ copy }) => `${copy} ${lesson.handout.id}`)))
    const told = await toldTo(one)
    expect(told.lesson).toMatchObject({
      look: { page, keeps: true },
      toAll: { words: 'Show your working' },
      toOne: { words: 'Nearly, Ida' },
    })
    expect(Math.abs(told.now - Date.now())).toBeLessThan(5000)
    for (const each of [other, late]) {
      const { lesson: seen } = await toldTo(each)
      expect(seen.toAll?.words).toBe('Show your working')
      expect(seen.timer).toEqual(told.lesson.timer)
      expect(JSON.stringify(seen)).not.toMatch(/Nearly/)
      expect(JSON.stringify(seen)).not.toContain(one.copy)
    }
  })

  test('is refused to strangers, to students, and about copies of others', async () => {
    const lesson = await startLesson(school, 1)
    const elsewhere = await startLesson(school, 1)
    const path = `/handouts/${lesson.handout.id}/lesson`
    for (const by of [elsewhere.teacher, lesson.students[0]!.visitor])
      expect(await by.status('POST', path, { say: 'pens down' })).toBeGreaterThanOrEqual(403)
    expect(
      await elsewhere.students[0]!.visitor.status('GET', `/copies/${lesson.students[0]!.copy}/lesson`),
    ).toBe(404)
    const strange = elsewhere.students[0]!.copy
    const shown = { copy: strange, page: randomUUID(), part: null, named: false }
    const bad = [
      { say: 'line', words: 'hello', copies: [strange] },
      { say: 'invite', copy: strange },
      { say: 'show', front: { what: 'copies', copies: [shown] } },
      { say: 'time', seconds: 0 },
      { say: 'time', seconds: 604_800 },
      { say: 'line', words: 'x'.repeat(201) },
      { say: 'sing' },
    ]
    for (const each of bad) expect(await lesson.teacher.status('POST', path, each)).toBe(422)
    expect((await toldTo(lesson.students[0]!)).lesson.turn).toBe(0)
  })

  test('by two teachers at once is all heard', async () => {
    const lesson = await startLesson(school, 1)
    const all = Array.from(
      { length: 12 },
      (_none, at): Saying =>
        ({
          ...{ say: 'line', words: `line ${at}` },
          ...(at % 2 ? { copies: [lesson.students[0]!.copy] } : {}),
        }) as Saying,
    )
    await Promise.all(all.map((said) => say(lesson, said)))
    expect((await toldTo(lesson.students[0]!)).lesson).toMatchObject({
      turn: 12,
      toAll: { words: expect.stringMatching(/^line/) },
      toOne: { words: expect.stringMatching(/^line/) },
    })
  })
})

describe('pens down', () => {
  test('32 devices on two servers: what was under way is kept, what a device draws all the same waits for pens up', async () => {
    const lesson = await startLesson(school, 32)
    const second = await school.secondServer()
    const page = await firstPageOf(lesson.students[0]!.visitor, lesson.students[0]!.copy)
    const tablets = await Promise.all(
      lesson.students.map(async ({ visitor, person, pin, copy }, at) => {
        if (at % 2 === 0) return { visitor, copy }
        const tablet = new Visitor(second.url)
        await tablet.post('/sign-in/student', { code: lesson.class.code, student: person.id, pin })
        return { visitor: tablet, copy }
      }),
    )
    let heard = 0
    const strange: string[] = []
    for (const { visitor, copy } of tablets) {
      const device = await visitor.device()
      device.on('lesson', () => heard++)
      device.on('events', (news) => news.copy !== copy && strange.push(news.copy))
      await visitor.follow(copy)
    }
    await say(lesson, { say: 'pens down' })
    await until(async () => heard === 32)
    const told = await Promise.all(
      tablets.map(({ visitor, copy }) => visitor.get<OwnLessonTold>(`/copies/${copy}/lesson`)),
    )
    for (const { lesson: seen } of told) expect(seen.pensDownAt).toBe(told[0]!.lesson.pensDownAt)
    // The stroke that was under way when it was said.
    const finished = await Promise.all(
      tablets.map(({ visitor, copy }) => fatesOf(visitor.keep(copy, [adding(page)]))),
    )
    expect(finished.flat()).toEqual(Array.from({ length: 32 }, () => 'kept'))
    await later(lesson, 6000)
    // Devices that lie, and those that were out of reach when it was said: nothing is taken, and nothing thrown away.
    const drawn = tablets.map((tablet) => ({ ...tablet, event: adding(page) }))
    const closed = await Promise.all(
      drawn.map(({ visitor, copy, event }) => fatesOf(visitor.keep(copy, [event]))),
    )
    expect(closed.flat()).toEqual(Array.from({ length: 32 }, () => 'closed'))
    // The teacher goes on helping.
    expect(await fatesOf(lesson.teacher.keep(tablets[0]!.copy, [adding(page, 'help')]))).toEqual(['kept'])
    await say(lesson, { say: 'pens up' })
    const taken = await Promise.all(
      drawn.map(({ visitor, copy, event }) => fatesOf(visitor.keep(copy, [event]))),
    )
    expect(taken.flat()).toEqual(Array.from({ length: 32 }, () => 'kept'))
    expect(strange).toEqual([])
    for (const { visitor } of tablets) visitor.leave()
  }, 60_000)

  test('end by themselves after an hour, and what was drawn meanwhile is taken', async () => {
    const lesson = await startLesson(school, 1)
    const { visitor, copy } = lesson.students[0]!
    const page = await firstPageOf(visitor, copy)
    await say(lesson, { say: 'pens down' })
    await later(lesson, 30 * 60_000)
    const event = adding(page)
    expect(await fatesOf(visitor.keep(copy, [event]))).toEqual(['closed'])
    await later(lesson, 31 * 60_000)
    expect(await fatesOf(visitor.keep(copy, [event]))).toEqual(['kept'])
  })
})

describe('pointing', () => {
  test('is seen by everybody at work or by one, and only a teacher of theirs can', async () => {
    const lesson = await startLesson(school, 2)
    const [one, other] = lesson.students as [Lesson['students'][0], Lesson['students'][0]]
    const page = await firstPageOf(one.visitor, one.copy)
    const heard: [string, Pointing][] = []
    for (const { visitor, copy } of [one, other]) {
      ;(await visitor.device()).on('point', (at) => heard.push([copy, at]))
      await visitor.follow(copy)
    }
    const at = { handout: lesson.handout.id, page, x: 120, y: 90 }
    const stranger = await school.teacher()
    ;(await stranger.device()).emit('point', at)
    ;(await other.visitor.device()).emit('point', { ...at, copy: one.copy })
    const tablet = await lesson.teacher.device()
    // Nobody walks round yet.
    tablet.emit('point', at)
    await lesson.teacher.watch(lesson.handout.id)
    tablet.emit('point', { ...at, x: 'left' } as never)
    const seen = (copy: string, what: Pointing) =>
      heard.some(([of, told]) => of === copy && told.x === what.x)
    // Told to who can hear it just now, and not kept: one points until one is seen.
    await until(async () => {
      tablet.emit('point', at)
      return seen(one.copy, at) && seen(other.copy, at)
    })
    await lesson.teacher.follow(one.copy)
    const toOne = { ...at, copy: one.copy, x: 7 }
    await until(async () => {
      tablet.emit('point', toOne)
      return seen(one.copy, toOne)
    })
    expect(heard.every(([of, told]) => told.copy === undefined || of === one.copy)).toBe(true)
    for (const [, told] of heard) expect([at, toOne]).toContainEqual(told)
  })
})
