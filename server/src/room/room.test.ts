import { randomUUID } from 'node:crypto'
import { floorOf, type RoomTold, type SeatingPlan, type WhereNews } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'
import { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const roomOf = (teacher: Visitor, handout: string) => teacher.get<RoomTold>(`/handouts/${handout}/room`)

describe('hands', () => {
  test('go up once and in turn, are seen by the teacher and oneself only, and are taken down by either', async () => {
    const { teacher, handout, students } = await startLesson(school, 2)
    const [first, second] = students as [(typeof students)[0], (typeof students)[0]]
    const heardByOther: unknown[] = []
    for (const name of ['hand', 'hands'] as const)
      (await second.visitor.device()).on(name, (news) => heardByOther.push(news))
    const up = ({ visitor, copy }: typeof first) => visitor.post(`/copies/${copy}/hand-up`)
    await up(first)
    await up(first)
    await up(second)
    const { hands } = await roomOf(teacher, handout.id)
    expect(hands.map(({ student }) => student)).toEqual([first.person.id, second.person.id])
    expect(await first.visitor.get(`/copies/${first.copy}/hand`)).toEqual({ upAt: hands[0]!.at })
    await teacher.post(`/copies/${first.copy}/hand-down`, { student: first.person.id })
    expect(await first.visitor.get(`/copies/${first.copy}/hand`)).toEqual({ upAt: null })
    // Somebody else's hand stays up, whatever is said of it.
    await first.visitor.post(`/copies/${first.copy}/hand-down`, { student: second.person.id })
    expect((await roomOf(teacher, handout.id)).hands).toHaveLength(1)
    await second.visitor.post(`/copies/${second.copy}/hand-down`, {})
    expect((await roomOf(teacher, handout.id)).hands).toEqual([])
    expect(new Set(heardByOther)).toEqual(new Set([second.copy]))
  })

  test('a hand in a copy that was handed in is down, and cannot go up', async () => {
    const { teacher, handout, students } = await startLesson(school, 1)
    const { visitor, copy } = students[0]!
    await visitor.post(`/copies/${copy}/hand-up`)
    await visitor.post(`/copies/${copy}/hand-in`)
    expect((await roomOf(teacher, handout.id)).hands).toEqual([])
    expect(await visitor.status('POST', `/copies/${copy}/hand-up`)).toBe(409)
  })
})

describe('seats', () => {
  const keep = (teacher: Visitor, handout: string, plan: SeatingPlan) =>
    teacher.send('PUT', `/handouts/${handout}/seats`, plan)

  test('are kept for the class, with those only who are in it', async () => {
    const { teacher, handout, students } = await startLesson(school, 3)
    expect((await roomOf(teacher, handout.id)).plan).toBeNull()
    const stranger = randomUUID()
    const ids = students.map(({ person }) => person.id)
    await keep(teacher, handout.id, floorOf('pairs', [ids[0]!, stranger, ids[2]!], randomUUID))
    const { plan } = await roomOf(teacher, handout.id)
    expect(plan!.tables.map((table) => table.students)).toEqual([
      [ids[0], null],
      [ids[2], null],
    ])
    await keep(teacher, handout.id, { tables: [] })
    expect((await roomOf(teacher, handout.id)).plan).toEqual({ tables: [] })
  })

  test('two in one place, 200 at a table, or a table outside of the room are refused', async () => {
    const { teacher, handout, students } = await startLesson(school, 1)
    const id = students[0]!.person.id
    const table = { id: randomUUID(), x: 0, y: 0, seats: 2, students: [id, id] }
    const bad = [
      table,
      { ...table, students: Array.from({ length: 200 }, () => null) },
      { ...table, x: -5, students: [null, null] },
    ]
    for (const each of bad)
      expect((await keep(teacher, handout.id, { tables: [each] } as SeatingPlan)).status).toBe(422)
  })
})

describe('where students are', () => {
  test('is told to who walks round, through another server too, and to no student; gone is told as well', async () => {
    const { teacher, handout, students, class: of } = await startLesson(school, 2)
    const [one, other] = students as [(typeof students)[0], (typeof students)[0]]
    const second = await school.secondServer()
    const tablet = new Visitor(second.url)
    await tablet.post('/sign-in/student', { code: of.code, student: one.person.id, pin: one.pin })
    const page = await firstPageOf(tablet, one.copy)
    const device = await tablet.device()
    const heard: WhereNews[] = []
    ;(await teacher.device()).on('where', (news) => heard.push(news))
    const strange: unknown[] = []
    ;(await other.visitor.device()).on('where', (news) => strange.push(news))
    await other.visitor.follow(other.copy)
    const here = { copy: one.copy, page, away: false, idle: 1200 }
    // Before it is followed nothing is told of it.
    device.emit('here', here)
    await tablet.follow(one.copy)
    const asked = new Promise<void>((done) => {
      device.on('whereAreYou', (which) => {
        if (which !== handout.id) return
        device.emit('here', { ...here, copy: other.copy })
        device.emit('here', { ...here, idle: -4 } as never)
        device.emit('here', here)
        done()
      })
    })
    await (await teacher.device()).timeout(5000).emitWithAck('walk', { handout: handout.id })
    await asked
    await until(async () => heard.length > 0)
    expect(heard).toEqual([
      {
        ...{ handout: handout.id, copy: one.copy, student: one.person.id, page },
        ...{ away: false, idle: 1200, gone: false },
      },
    ])
    tablet.leave()
    await until(async () => heard.length > 1)
    expect(heard[1]).toMatchObject({ copy: one.copy, gone: true, page: null })
    expect(strange).toEqual([])
  })

  test('a student hears that the teacher looks on, and where to look; nobody else’s device can say so', async () => {
    const { teacher, students } = await startLesson(school, 2)
    const [one, other] = students as [(typeof students)[0], (typeof students)[0]]
    const page = await firstPageOf(one.visitor, one.copy)
    const heard: unknown[] = []
    const strange: unknown[] = []
    for (const [visitor, into] of [
      [one.visitor, heard],
      [other.visitor, strange],
    ] as const) {
      const device = await visitor.device()
      device.on('beside', (news) => into.push(news))
      device.on('lookHere', (news) => into.push(news))
    }
    await one.visitor.follow(one.copy)
    await other.visitor.follow(other.copy)
    const tablet = await teacher.device()
    // Not followed yet, not theirs, not well formed: not told.
    tablet.emit('beside', { copy: one.copy, here: true })
    const strangers = await other.visitor.device()
    strangers.emit('beside', { copy: one.copy, here: true })
    strangers.emit('lookHere', { copy: one.copy, page })
    await teacher.follow(one.copy)
    tablet.emit('lookHere', { copy: one.copy, page: 'nowhere' })
    tablet.emit('beside', { copy: one.copy, here: true })
    tablet.emit('lookHere', { copy: one.copy, page })
    tablet.emit('unfollow', one.copy)
    await until(async () => heard.length === 3)
    const { id } = await teacher.get<{ id: string }>('/me')
    expect(heard.at(-1)).toEqual({ copy: one.copy, teacher: id, here: false })
    expect(heard).toContainEqual({ copy: one.copy, teacher: id, here: true })
    expect(heard).toContainEqual({ copy: one.copy, page })
    expect(strange).toEqual([])
  })

  test('only a teacher of the class walks round', async () => {
    const { handout, students } = await startLesson(school, 1)
    for (const by of [students[0]!.visitor, await school.teacher()]) {
      const answer = await (await by.device()).timeout(5000).emitWithAck('walk', { handout: handout.id })
      expect(answer).toMatchObject({ ok: false, gone: true })
    }
  })
})
