import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import type {
  CopyWhole,
  HandoutChanges,
  HandoutWhole,
  PageEvent,
  TrayEntry,
  WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { adding } from '../test/ink.ts'
import { makePdf } from '../test/makePdf.ts'
import {
  giveOut,
  giving,
  openSchool,
  type ReadyClass,
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

const trayOf = (visitor: Visitor) => visitor.get<TrayEntry[]>('/tray')
const handoutOf = (teacher: Visitor, id: string) => teacher.get<HandoutWhole>(`/handouts/${id}`)

/** A class of some, with a worksheet handed out in one way; everybody signed in. */
async function started(count: number, wish: Parameters<typeof giving>[2] = {}, sets: string[] = []) {
  const lesson = await readyClass(school, count, { sets })
  const [handout] = await giveOut(lesson.teacher, giving(lesson.worksheet.id, lesson.classId, wish))
  const visitors = await Promise.all(lesson.students.map(({ id }) => lesson.signIn(id)))
  return { ...lesson, handout: handout!, visitors }
}

async function put(
  lesson: ReadyClass,
  change: (sheet: WorksheetWhole['sheet']) => WorksheetWhole['sheet']['pages'],
) {
  const { id, revision, sheet } = await lesson.teacher.get<WorksheetWhole>(
    `/worksheets/${lesson.worksheet.id}`,
  )
  const pages = change(sheet)
  await lesson.teacher.put(`/worksheets/${id}/sheet`, {
    revision,
    order: pages.map((page) => page.id),
    pages,
  })
}

describe('a hand-out in use', () => {
  test('takes other dates, directions and rules', async () => {
    const { teacher, handout, visitors } = await started(1)
    await teacher.patch(`/handouts/${handout}`, {
      dueAt: 1_900_000_000_000,
      directions: 'In pencil.',
      counts: false,
    })
    expect((await trayOf(visitors[0]!))[0]).toMatchObject({
      dueAt: 1_900_000_000_000,
      directions: 'In pencil.',
    })
    expect(await handoutOf(teacher, handout)).toMatchObject({ counts: false, directions: 'In pencil.' })
  })

  test('withdrawn it is out of sight, nothing is lost, and it can be brought back', async () => {
    const { teacher, handout, visitors } = await started(1)
    const [visitor] = visitors as [Visitor]
    const [{ copy, firstPage }] = (await trayOf(visitor)) as [TrayEntry]
    await visitor.keep(copy, [adding(firstPage.id, 'work')])
    await teacher.patch(`/handouts/${handout}`, { withdrawn: true })
    expect(await trayOf(visitor)).toEqual([])
    expect(await visitor.status('GET', `/copies/${copy}`)).toBe(410)
    expect((await visitor.follow(copy)).ok).toBe(false)
    expect((await teacher.follow(copy)).ok).toBe(true)
    await teacher.patch(`/handouts/${handout}`, { withdrawn: false })
    const answer = await visitor.follow(copy)
    expect(answer.ok && answer.events).toHaveLength(1)
  })

  test('one copy is withdrawn and brought back, or has a date of its own; the others’ stay as they are', async () => {
    const { teacher, handout, visitors } = await started(2)
    const [visitor, other] = visitors as [Visitor, Visitor]
    const [{ copy, firstPage }] = (await trayOf(visitor)) as [TrayEntry]
    await visitor.keep(copy, [adding(firstPage.id, 'work')])
    await teacher.patch(`/copies/${copy}`, { withdrawn: true })
    expect(await trayOf(visitor)).toEqual([])
    expect(await trayOf(other)).toHaveLength(1)
    expect(await visitor.status('GET', `/copies/${copy}`)).toBe(410)
    const late = await visitor.keep(copy, [adding(firstPage.id, 'work')])
    expect(late.ok && late.fates[0]!.fate).not.toBe('kept')
    const row = async () => (await handoutOf(teacher, handout)).copies.find(({ id }) => id === copy)
    expect(await row()).toMatchObject({ withdrawn: true, dueAt: null })

    await teacher.patch(`/copies/${copy}`, { withdrawn: false, dueAt: 1_900_000_000_000 })
    expect((await trayOf(visitor))[0]).toMatchObject({ dueAt: 1_900_000_000_000 })
    expect((await trayOf(other))[0]).toMatchObject({ dueAt: null })
    expect(await visitor.get(`/copies/${copy}`)).toMatchObject({ dueAt: 1_900_000_000_000 })
    const answer = await visitor.follow(copy)
    expect(answer.ok && answer.events).toHaveLength(1)
    await teacher.patch(`/copies/${copy}`, { dueAt: null })
    expect(await row()).toMatchObject({ withdrawn: false, dueAt: null })
  })

  test('who joins the class gets their copy; who joins one handed to some does not', async () => {
    const all = await started(2)
    const some = await giveOut(
      all.teacher,
      giving(all.worksheet.id, all.classId, { students: [all.students[0]!.id] }),
    )
    const [late] = await all.teacher.post<{ id: string; pin: string }[]>(`/classes/${all.classId}/students`, {
      names: ['Late Comer'],
    })
    const visitor = await all.signIn(late!.id, late!.pin)
    const tray = await trayOf(visitor)
    expect(tray).toHaveLength(1)
    expect((await handoutOf(all.teacher, all.handout)).copies).toHaveLength(3)
    expect((await handoutOf(all.teacher, some[0]!)).without.map(({ id }) => id)).toContain(late!.id)

    await all.teacher.post(`/handouts/${some[0]}/students`, { students: [late!.id] })
    await all.teacher.post(`/handouts/${some[0]}/students`, { students: [late!.id] })
    expect(await trayOf(visitor)).toHaveLength(2)
  })

  test('where only some pages went out, who joins late gets just these', async () => {
    const { teacher, worksheet, class: of } = await startLesson(school, 2, await makePdf([{}, {}]))
    const classId = of.id
    const only = [worksheet.sheet.pages[1]!.id]
    const [id] = await giveOut(teacher, giving(worksheet.id, classId, { only }))
    await teacher.post(`/classes/${classId}/students`, { names: ['A Late One'] })
    const { copies } = await handoutOf(teacher, id!)
    expect(copies.map(({ pageNumbers }) => pageNumbers)).toEqual([[2], [2], [2]])
    const gone = giving(worksheet.id, classId, { only: [randomUUID()] })
    expect(await teacher.status('POST', '/handouts', gone)).toBe(422)
  })

  test('who joins late is dealt the pages that the fewest have', async () => {
    const lesson = await started(3, { deal: { pages: 1, mixed: false, seed: 1 } }, ['Shore', 'Harbour'])
    await lesson.teacher.post(`/classes/${lesson.classId}/students`, { names: ['A Late One'] })
    const { copies } = await handoutOf(lesson.teacher, lesson.handout)
    const dealt = copies.map(({ pageNumbers }) => pageNumbers)
    expect(dealt.every((pages) => pages === null || pages.length === 1)).toBe(true)
    expect(copies).toHaveLength(4)
  })
})

describe('a worksheet changed while its copies are in use', () => {
  test('new pages come, changed ones are replaced, ink stays where it was made, those gone stay', async () => {
    const lesson = await started(2)
    const { teacher, handout, visitors } = lesson
    const [entry] = (await trayOf(visitors[0]!)) as [TrayEntry]
    const page = entry.firstPage.id
    await visitors[0]!.keep(entry.copy, [adding(page, 'work')])
    expect(await teacher.get<HandoutChanges>(`/handouts/${handout}/changes`)).toEqual({
      added: [],
      changed: [],
      stay: 0,
    })
    await expect(teacher.post(`/handouts/${handout}/changes`)).rejects.toThrow(/Nothing/)

    const extra = randomUUID()
    await put(lesson, ({ pages }) => [
      { ...pages[0]!, width: 700 },
      { ...pages[0]!, id: extra },
    ])
    const waiting = await teacher.get<HandoutChanges>(`/handouts/${handout}/changes`)
    expect([waiting.added.map(({ id }) => id), waiting.changed.map(({ id }) => id)]).toEqual([
      [extra],
      [page],
    ])
    // Until it is sent, copies are as they were.
    expect((await visitors[0]!.get<CopyWhole>(`/copies/${entry.copy}`)).pages).toHaveLength(1)

    await teacher.post(`/handouts/${handout}/changes`)
    const whole = await visitors[0]!.get<CopyWhole>(`/copies/${entry.copy}`)
    expect(whole.pages.map(({ id, width }) => [id, width])).toEqual([
      [page, 700],
      [extra, expect.any(Number)],
    ])
    expect(whole.changes.map(({ page: id, what }) => [id, what]).sort()).toEqual(
      [
        [extra, 'new'],
        [page, 'changed'],
      ].sort(),
    )
    const log = await visitors[0]!.follow(entry.copy)
    expect(log.ok && log.events).toHaveLength(1)
    expect(await visitors[0]!.keep(entry.copy, [adding(extra, 'work')])).toMatchObject({
      ok: true,
      fates: [{ fate: 'kept' }],
    })
    expect((await trayOf(visitors[1]!))[0]).toMatchObject({ pageCount: 2, changedAt: expect.any(Number) })

    // A page taken off the worksheet stays in the copies: there may be work on it.
    await put(lesson, ({ pages }) => [pages[1]!, { ...pages[1]!, id: randomUUID() }])
    await teacher.post(`/handouts/${handout}/changes`)
    expect((await visitors[0]!.get<CopyWhole>(`/copies/${entry.copy}`)).pages.map(({ id }) => id)).toContain(
      page,
    )
    // And the worksheet itself is not troubled by it.
    expect(
      (await teacher.get<WorksheetWhole>(`/worksheets/${lesson.worksheet.id}`)).sheet.pages,
    ).toHaveLength(2)
  })
})

describe('a copy that several share', () => {
  const groups = (students: readonly { id: string }[]) => [
    { id: randomUUID(), name: 'Terns', students: students.slice(0, 2).map(({ id }) => id) },
    { id: randomUUID(), name: 'Gulls', students: students.slice(2).map(({ id }) => id) },
  ]
  async function shared(count = 3) {
    const lesson = await readyClass(school, count)
    const [handout] = await giveOut(
      lesson.teacher,
      giving(lesson.worksheet.id, lesson.classId, { way: 'group', groups: groups(lesson.students) }),
    )
    const visitors = await Promise.all(lesson.students.map(({ id }) => lesson.signIn(id)))
    const { copies } = await handoutOf(lesson.teacher, handout!)
    const of = (name: string) => copies.find((copy) => copy.name === name)!.id
    const page = lesson.worksheet.sheet.pages[0]!.id
    return { ...lesson, handout: handout!, visitors: visitors as [Visitor, Visitor, Visitor], of, page }
  }

  test('all write in it, each as themselves; nobody from another group reads or writes there', async () => {
    const { visitors, of, page, students } = await shared()
    for (const visitor of visitors.slice(0, 2))
      expect(await visitor.keep(of('Terns'), [adding(page, 'work')])).toMatchObject({
        ok: true,
        fates: [{ fate: 'kept' }],
      })
    const log = await visitors[1].follow(of('Terns'))
    expect(log.ok && log.events.map(({ author }) => author)).toEqual([students[0]!.id, students[1]!.id])
    expect((await visitors[2].follow(of('Terns'))).ok).toBe(false)
    expect((await visitors[2].keep(of('Terns'), [adding(page, 'work')])).ok).toBe(false)
    expect(await visitors[2].status('GET', `/copies/${of('Terns')}`)).toBe(404)
  })

  test('a shared copy is new to each until they open it themselves; what is to read, until it was read', async () => {
    const { teacher, visitors, of, students } = await shared()
    const isNew = async (visitor: Visitor) => (await trayOf(visitor)).map((entry) => entry.isNew)
    expect([await isNew(visitors[0]), await isNew(visitors[1])]).toEqual([[true], [true]])
    await visitors[0].post(`/copies/${of('Terns')}/open`)
    expect([await isNew(visitors[0]), await isNew(visitors[1])]).toEqual([[false], [true]])
    expect((await trayOf(visitors[1]))[0]!.state).toBe('working')
    await visitors[1].post(`/copies/${of('Terns')}/open`)
    expect(await isNew(visitors[1])).toEqual([false])
    expect(students.length).toBeGreaterThan(2)
    // A teacher who looks opens nothing for anybody.
    expect(await teacher.status('POST', `/copies/${of('Gulls')}/open`)).toBe(404)
    expect(await isNew(visitors[2])).toEqual([true])
  })

  test('how long one may speak at once is what the teacher sets: five minutes, or another time', async () => {
    const { teacher, handout, visitors, of } = await shared()
    const longest = async () =>
      ((await visitors[0].get(`/copies/${of('Terns')}`)) as { longestVoice: number }).longestVoice
    expect(await longest()).toBe(300)
    await teacher.patch(`/handouts/${handout}`, { longestVoice: 60, longestFilm: 0 })
    expect(await longest()).toBe(60)
    expect(await teacher.get(`/handouts/${handout}`)).toMatchObject({ longestVoice: 60, longestFilm: 0 })
    for (const wrong of [0, -60, 90.5, 100_000, '60'])
      expect(await teacher.status('PATCH', `/handouts/${handout}`, { longestVoice: wrong })).toBe(422)
    expect(await longest()).toBe(60)
  })

  test('touching others’ things is marked as allowed only when the teacher allows it; the teacher brings back', async () => {
    const { teacher, handout, visitors, of, page } = await shared()
    const stroke = adding(page, 'work')
    await visitors[0].keep(of('Terns'), [stroke])
    const items = stroke.act === 'add' ? stroke.items.map(({ id }) => id) : []
    const take = () => ({
      id: randomUUID(),
      page,
      layer: 'work' as const,
      madeAt: 1,
      act: 'take' as const,
      items,
    })
    await visitors[1].keep(of('Terns'), [take()])
    await teacher.patch(`/handouts/${handout}`, { touchAll: true })
    await visitors[1].keep(of('Terns'), [take()])
    const bring = { ...take(), act: 'bring' as const }
    expect(await teacher.keep(of('Terns'), [bring])).toMatchObject({ ok: true, fates: [{ fate: 'kept' }] })
    const log = await teacher.follow(of('Terns'))
    expect(log.ok && log.events.map(({ free }) => free ?? false)).toEqual([false, false, true, true])
    // The teacher writes nothing among the students’ work.
    const swap = (more: object) =>
      ({ ...take(), items: [], act: 'swap', take: [], bring: items, ...more }) as PageEvent
    const tried = [
      adding(page, 'work'),
      swap({ items: stroke.items }),
      swap({ bring: [], take: items }),
      swap({}),
    ]
    const told = await teacher.keep(of('Terns'), tried)
    expect(told.ok && told.fates.map(({ fate }) => fate)).toEqual(['wrong', 'wrong', 'wrong', 'kept'])
  })

  test('what was rubbed out in part is brought back in exchange for its pieces, and for nothing else', async () => {
    const { teacher, visitors, of, page } = await shared()
    const [drawn, other, piece] = [adding(page, 'work'), adding(page, 'work'), adding(page, 'work')]
    const idsOf = (event: PageEvent) => (event.act === 'add' ? event.items.map(({ id }) => id) : [])
    const swap = (take: string[], bring: string[], items: unknown[] = []) =>
      ({ id: randomUUID(), page, layer: 'work', madeAt: 1, act: 'swap', take, bring, items }) as PageEvent
    const rubbed = swap(idsOf(drawn), [], piece.act === 'add' ? piece.items : [])
    await visitors[0].keep(of('Terns'), [drawn, other, rubbed])
    const tried = [
      swap(idsOf(other), idsOf(drawn)),
      swap([...idsOf(piece), ...idsOf(other)], idsOf(drawn)),
      swap(idsOf(piece), idsOf(other)),
      swap(idsOf(piece), idsOf(drawn)),
    ]
    const told = await teacher.keep(of('Terns'), tried)
    expect(told.ok && told.fates.map(({ fate }) => fate)).toEqual(['wrong', 'wrong', 'wrong', 'kept'])
  })

  test('a page given to one is written on by nobody else', async () => {
    const { teacher, visitors, of, page, students } = await shared()
    await teacher.put(`/copies/${of('Terns')}/owners`, { [page]: [students[0]!.id] })
    expect((await visitors[1].get<CopyWhole>(`/copies/${of('Terns')}`)).owners).toEqual({
      [page]: [students[0]!.id],
    })
    expect(await visitors[0].keep(of('Terns'), [adding(page, 'work')])).toMatchObject({
      fates: [{ fate: 'kept' }],
    })
    expect(await visitors[1].keep(of('Terns'), [adding(page, 'work')])).toMatchObject({
      fates: [{ fate: 'wrong', why: 'This page was given to somebody else.' }],
    })
    const stranger = await school.teacher()
    expect(await stranger.status('PUT', `/copies/${of('Terns')}/owners`, {})).toBe(404)
  })

  test('who moves to another group gets its copy; what they made stays where it was, as theirs', async () => {
    const { teacher, handout, visitors, of, page, students } = await shared()
    await visitors[1].keep(of('Terns'), [adding(page, 'work')])
    await teacher.post(`/handouts/${handout}/students`, { students: [students[1]!.id], copy: of('Gulls') })
    expect((await trayOf(visitors[1])).map(({ copy }) => copy)).toEqual([of('Gulls')])
    expect((await visitors[1].follow(of('Terns'))).ok).toBe(false)
    const log = await visitors[0].follow(of('Terns'))
    expect(log.ok && log.events.map(({ author }) => author)).toEqual([students[1]!.id])
    const { copies } = await handoutOf(teacher, handout)
    expect(copies.map(({ name, students: in_ }) => [name, in_.length])).toEqual([
      ['Gulls', 2],
      ['Terns', 1],
    ])

    // A group that everybody left is still there with its work.
    await teacher.post(`/handouts/${handout}/students`, { students: [students[0]!.id], copy: of('Gulls') })
    const after = await handoutOf(teacher, handout)
    expect(after.copies.map(({ name, students: in_ }) => [name, in_.length])).toEqual([
      ['Gulls', 3],
      ['Terns', 0],
    ])
    expect((await teacher.follow(of('Terns'))).ok).toBe(true)
    await teacher.post(`/handouts/${handout}/students`, { students: [students[0]!.id], copy: of('Terns') })
    expect((await trayOf(visitors[0])).map(({ copy }) => copy)).toEqual([of('Terns')])
  })

  test('one to read is read by all, written on and handed in by nobody', async () => {
    const { visitors } = await started(2, { way: 'read' })
    const [entry] = (await trayOf(visitors[0]!)) as [TrayEntry]
    expect((await trayOf(visitors[1]!))[0]!.copy).toBe(entry.copy)
    expect(await visitors[0]!.keep(entry.copy, [adding(entry.firstPage.id, 'work')])).toMatchObject({
      fates: [{ fate: 'closed' }],
    })
    expect(await visitors[0]!.status('POST', `/copies/${entry.copy}/hand-in`)).toBe(409)
  })
})

describe('sets and spoken directions', () => {
  test('a copy is given another set; pages of others are neither sent nor written on', async () => {
    const lesson = await started(1, {}, ['Shore', 'Harbour'])
    const { teacher, visitors, worksheet } = lesson
    const [visitor] = visitors as [Visitor]
    const [{ copy }] = (await trayOf(visitor)) as [TrayEntry]
    const pages = async () => (await visitor.get<CopyWhole>(`/copies/${copy}`)).pages.map(({ id }) => id)
    const [first, shore, harbour] = worksheet.sheet.pages.map(({ id }) => id)
    expect(await pages()).toEqual([first])
    const write = async (page: string) => visitor.keep(copy, [adding(page, 'work')])
    expect(await write(harbour!)).toMatchObject({
      fates: [{ fate: 'wrong', why: 'This copy has no such page.' }],
    })
    await teacher.put(`/copies/${copy}/set`, { set: worksheet.sheet.sets[1]!.id })
    expect(await pages()).toEqual([first, harbour])
    expect(await write(harbour!)).toMatchObject({ fates: [{ fate: 'kept' }] })
    expect(await write(shore!)).toMatchObject({ fates: [{ fate: 'wrong' }] })
    await expect(teacher.put(`/copies/${copy}/set`, { set: randomUUID() })).rejects.toThrow(/no such set/)
    const { copies } = await handoutOf(teacher, lesson.handout)
    expect(copies[0]).toMatchObject({ set: 'Harbour', pageNumbers: [1, 3] })
  })

  test('a spoken direction is heard by those who have it in their tray, and by nobody else', async () => {
    const { teacher, classId, students, worksheet, signIn } = await readyClass(school, 2)
    const spoken = { id: randomUUID(), seconds: 1 }
    const sound = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))
    await teacher.send('PUT', `/spoken/${spoken.id}`, new Uint8Array(sound))
    expect((await teacher.send('PUT', `/spoken/${randomUUID()}`, new Uint8Array([1, 2, 3]))).status).toBe(422)
    const [handout] = await giveOut(
      teacher,
      giving(worksheet.id, classId, { students: [students[0]!.id] }, { spoken }),
    )
    const [told, other] = await Promise.all(students.map(({ id }) => signIn(id)))
    const heard = await told!.send('GET', `/spoken/${spoken.id}`)
    expect([heard.status, heard.headers.get('content-type')]).toEqual([200, 'audio/webm'])
    expect((await heard.arrayBuffer()).byteLength).toBe(sound.length)
    expect(await other!.status('GET', `/spoken/${spoken.id}`)).toBe(404)
    const stranger = await school.teacher()
    expect(await stranger.status('GET', `/spoken/${spoken.id}`)).toBe(404)
    await teacher.patch(`/handouts/${handout}`, { withdrawn: true })
    expect(await told!.status('GET', `/spoken/${spoken.id}`)).toBe(404)
  })
})

describe('groups of a class', () => {
  test('are kept under a name, without those who left, and dropped', async () => {
    const { teacher, classId, students } = await readyClass(school, 3)
    const group = { id: randomUUID(), name: 'Terns', students: students.map(({ id }) => id) }
    const id = randomUUID()
    await teacher.put(`/classes/${classId}/groupings/${id}`, { name: 'Boats', groups: [group] })
    await teacher.delete(`/classes/${classId}/students/${students[2]!.id}`)
    const [kept] = await teacher.get<{ name: string; groups: { students: string[] }[] }[]>(
      `/classes/${classId}/groupings`,
    )
    expect(kept).toMatchObject({ name: 'Boats', groups: [{ students: [students[0]!.id, students[1]!.id] }] })
    await expect(
      teacher.put(`/classes/${classId}/groupings/${randomUUID()}`, { name: 'Boats', groups: [group] }),
    ).rejects.toThrow(/already/)
    await teacher.delete(`/classes/${classId}/groupings/${id}`)
    expect(await teacher.get(`/classes/${classId}/groupings`)).toEqual([])
  })
})
