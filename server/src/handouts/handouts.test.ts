import { randomUUID } from 'node:crypto'
import {
  type CopyWhole,
  type HandoutCard,
  type HandoutWhole,
  type HandoutWish,
  planHandout,
  type TrayEntry,
  type WorksheetPage,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { behind, giveOut, giving, openSchool, readyClass, type School, startLesson } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const idsOf = (pages: readonly WorksheetPage[]) => pages.map(({ id }) => id)

describe('handing out', () => {
  test('once, however often and however fast the button is pressed', async () => {
    const { teacher, classId, worksheet } = await readyClass(school, 3)
    const asked = giving(worksheet.id, classId)
    const answers = await Promise.all(Array.from({ length: 6 }, () => giveOut(teacher, asked)))
    expect(new Set(answers.flat()).size).toBe(1)
    const list = await teacher.get<HandoutCard[]>('/handouts')
    expect(list).toHaveLength(1)
    expect(list[0]!.states).toEqual(['waiting', 'waiting', 'waiting'])
  })

  test('to some of the class: they and nobody else', async () => {
    const { teacher, classId, students, worksheet } = await readyClass(school, 4)
    const chosen = [students[0]!.id, students[2]!.id]
    const [id] = await giveOut(teacher, giving(worksheet.id, classId, { students: chosen }))
    const { copies, without } = await teacher.get<HandoutWhole>(`/handouts/${id}`)
    expect(copies.map((copy) => copy.students[0]!.id).sort()).toEqual([...chosen].sort())
    expect(without.map((student) => student.id).sort()).toEqual([students[1]!.id, students[3]!.id].sort())
  })

  test('to two classes at once, to both or to neither', async () => {
    const first = await readyClass(school, 2)
    const { id: other } = await first.teacher.post<{ id: string }>('/classes', { name: 'Avocet' })
    const both = (students: string[]) => ({
      ...giving(first.worksheet.id, first.classId),
      classes: [
        { class: first.classId, way: 'own' as const },
        { class: other, way: 'own' as const, students },
      ],
    })
    await first.teacher.post(`/classes/${other}/students`, { names: ['Solveig Marsh'] })
    await expect(giveOut(first.teacher, both([randomUUID()]))).rejects.toThrow(/not in this class/)
    expect(await first.teacher.get('/handouts')).toEqual([])
    const [solveig] = (await first.teacher.get<{ students: { id: string }[] }>(`/classes/${other}`)).students
    expect(await giveOut(first.teacher, both([solveig!.id]))).toHaveLength(2)
    expect(await first.teacher.get<HandoutCard[]>('/handouts')).toHaveLength(2)
  })

  test('to nobody, to a class without students, to a stranger: refused, and nothing is made', async () => {
    const empty = await readyClass(school, 0)
    await expect(giveOut(empty.teacher, giving(empty.worksheet.id, empty.classId))).rejects.toThrow(
      /no students/,
    )
    const { teacher, worksheet, classId } = await readyClass(school, 1)
    const to = (students: string[]) => giveOut(teacher, giving(worksheet.id, classId, { students }))
    await expect(to([])).rejects.toThrow(/at least one/)
    await expect(to([randomUUID()])).rejects.toThrow(/not in this class/)
    expect(await teacher.get('/handouts')).toEqual([])
  })

  test('with another teacher’s worksheet, class or spoken direction: there is no such thing', async () => {
    const mine = await readyClass(school, 1)
    const theirs = await readyClass(school, 1)
    for (const asked of [
      giving(theirs.worksheet.id, mine.classId),
      giving(mine.worksheet.id, theirs.classId),
      giving(mine.worksheet.id, mine.classId, {}, { spoken: { id: randomUUID(), seconds: 3 } }),
    ])
      expect(await mine.teacher.status('POST', '/handouts', asked)).toBe(404)
  })

  test('broken off half-way it has gone to nobody; asked again it goes to each once', async () => {
    const { teacher, classId, worksheet } = await readyClass(school, 40)
    const asked = giving(worksheet.id, classId)
    const { pool, close } = behind(school)
    // The copies cannot be written while this holds their table: the hand-out waits half-way.
    const holder = await pool.connect()
    await holder.query('BEGIN; LOCK TABLE copy_member IN ACCESS EXCLUSIVE MODE')
    const broken = giveOut(teacher, asked)
    broken.catch(() => {})
    const half = `SELECT pid FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND query ILIKE '%INSERT INTO copy_member%' AND datname = current_database()`
    for (;;) {
      const { rows } = await pool.query(half)
      if (rows.length === 0) continue
      await pool.query('SELECT pg_terminate_backend($1)', [rows[0].pid])
      break
    }
    await expect(broken).rejects.toThrow()
    await holder.query('COMMIT')
    holder.release()
    const count = async () =>
      (
        await pool.query(
          'SELECT count(*)::int AS n FROM copy c JOIN handout h ON h.id = c.handout_id WHERE h.class_id = $1',
          [classId],
        )
      ).rows[0].n
    expect(await count()).toBe(0)
    await giveOut(teacher, asked)
    await giveOut(teacher, asked)
    expect(await count()).toBe(40)
    await close()
  })
})

describe('what each gets is what was shown', () => {
  test.each<[string, (students: string[], sets: string[]) => HandoutWish]>([
    [
      'three levels',
      (students, sets) => ({
        way: 'own',
        setOf: Object.fromEntries(students.map((id, index) => [id, sets[index % 3]!])),
      }),
    ],
    ['a page dealt to each', () => ({ way: 'own', deal: { pages: 1, mixed: true, seed: 5 } })],
    [
      'groups with sets',
      (students, sets) => {
        const groups = [0, 1].map((index) => ({
          id: randomUUID(),
          name: `Group ${index + 1}`,
          students: students.filter((_, at) => at % 2 === index),
        }))
        return { way: 'group', groups, setOf: { [groups[0]!.id]: sets[2]! } }
      },
    ],
    ['one for all', () => ({ way: 'all' })],
    ['to read', () => ({ way: 'read' })],
  ])('%s', async (_name, wishFor) => {
    const lesson = await readyClass(school, 5, { sets: ['Shore', 'Harbour', 'Open sea'] })
    const { teacher, classId, students, worksheet } = lesson
    const wish = wishFor(
      students.map(({ id }) => id),
      worksheet.sheet.sets.map(({ id }) => id),
    )
    const roster = students.map(({ id, name }) => ({ id, name }))
    const shown = planHandout({ roster, pages: worksheet.sheet.pages }, wish)
    await giveOut(teacher, giving(worksheet.id, classId, wish))
    for (const copy of shown.copies) {
      for (const { id } of copy.students) {
        const visitor = await lesson.signIn(id)
        const [entry, ...others] = await visitor.get<TrayEntry[]>('/tray')
        expect(others).toEqual([])
        expect(entry).toMatchObject({ way: wish.way, sharedName: copy.name, pageCount: copy.pages.length })
        const whole = await visitor.get<CopyWhole>(`/copies/${entry!.copy}`)
        expect(idsOf(whole.pages)).toEqual(copy.pages)
        expect(entry!.firstPage.id).toBe(copy.pages[0])
        expect(whole.students.map((student) => student.id).sort()).toEqual(
          copy.students.map((student) => student.id).sort(),
        )
      }
    }
  })

  test('an item for one set is not sent to those in another, in tray or copy', async () => {
    const lesson = await readyClass(school, 2, { sets: ['Shore', 'Open sea'] })
    const { teacher, classId, students, worksheet } = lesson
    const [shore, sea] = worksheet.sheet.sets
    await giveOut(
      teacher,
      giving(worksheet.id, classId, {
        setOf: { [students[0]!.id]: shore!.id, [students[1]!.id]: sea!.id },
      }),
    )
    for (const [index, there] of [
      [0, true],
      [1, false],
    ] as const) {
      const visitor = await lesson.signIn(students[index]!.id)
      const [entry] = await visitor.get<TrayEntry[]>('/tray')
      const whole = await visitor.get<CopyWhole>(`/copies/${entry!.copy}`)
      expect(JSON.stringify(entry).includes('only for Shore')).toBe(there)
      expect(JSON.stringify(whole).includes('only for Shore')).toBe(there)
      expect(JSON.stringify(whole)).not.toContain('sets')
    }
  })
})

test('the tray has it with its date and directions, also after leaving the class', async () => {
  const { teacher, students, class: whole } = await startLesson(school, 1)
  const { visitor, person } = students[0]!
  const tray = await visitor.get<TrayEntry[]>('/tray')
  expect(tray).toHaveLength(1)
  expect(tray[0]).toMatchObject({
    title: 'Reading a tide table',
    state: 'waiting',
    directions: 'Look at the table first.',
    pageCount: 1,
  })
  await teacher.delete(`/classes/${whole.id}/students/${person.id}`)
  const [handout] = await teacher.get<HandoutCard[]>('/handouts')
  expect(handout!.states).toEqual(['waiting'])
})

test('before it opens nobody has it; then it lies in the tray', async () => {
  const lesson = await readyClass(school, 1)
  const { teacher, classId, students, worksheet } = lesson
  const [id] = await giveOut(teacher, giving(worksheet.id, classId, {}, { opensAt: Date.now() + 3_600_000 }))
  const visitor = await lesson.signIn(students[0]!.id)
  const { copies } = await teacher.get<HandoutWhole>(`/handouts/${id}`)
  expect(await visitor.get('/tray')).toEqual([])
  expect(await visitor.status('GET', `/copies/${copies[0]!.id}`)).toBe(410)
  await teacher.patch(`/handouts/${id}`, { opensAt: Date.now() - 1000 })
  expect(await visitor.get<TrayEntry[]>('/tray')).toHaveLength(1)
})

test('six hundred students, and the same student named twice', async () => {
  const { teacher, classId, worksheet } = await readyClass(school, 0)
  const { pool, close } = behind(school)
  const { rows } = await pool.query(
    `WITH made AS (INSERT INTO person (role, name, secret_hash) SELECT 'student', 'Student ' || n, 'no PIN' FROM generate_series(1, 600) n RETURNING id)
     INSERT INTO enrolment (class_id, student_id) SELECT $1, id FROM made RETURNING student_id AS id`,
    [classId],
  )
  const everybody = rows.map(({ id }) => id as string)
  const [id] = await giveOut(
    teacher,
    giving(worksheet.id, classId, { students: [...everybody, everybody[0]!] }),
  )
  const { copies } = await teacher.get<HandoutWhole>(`/handouts/${id}`)
  expect(new Set(copies.map((copy) => copy.students[0]!.id)).size).toBe(600)
  expect(copies).toHaveLength(600)
  await close()
})
