import type {
  ClassWhole,
  JoinRequest,
  JoinStanding,
  Person,
  StudentWithPin,
  TrayEntry,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { newToken } from '../people/index.ts'
import { readCodes } from '../test/readCodes.ts'
import { giveOut, giving, openSchool, readyClass, type School } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

/** A class with something handed out to all of it. */
async function running(count = 2) {
  const lesson = await readyClass(school, count)
  const class_ = await lesson.teacher.get<ClassWhole>(`/classes/${lesson.classId}`)
  if (count > 0) await giveOut(lesson.teacher, giving(lesson.worksheet.id, lesson.classId))
  return {
    ...lesson,
    code: class_.code,
    whole: () => lesson.teacher.get<ClassWhole>(`/classes/${lesson.classId}`),
  }
}

describe('asking to be let in', () => {
  test('the teacher lets them in: they sign in with the PIN they chose, and have what the class has', async () => {
    const { teacher, classId, code, whole } = await running()
    const visitor = school.visitor()
    const asked = await visitor.post<JoinStanding>('/join', { code, name: 'Petra Falk', pin: '2718' })
    expect(await visitor.get(`/join/${asked.id}`)).toMatchObject({ state: 'waiting', student: null })
    const [request] = await teacher.get<JoinRequest[]>(`/classes/${classId}/joining`)
    expect(request).toMatchObject({ id: asked.id, name: 'Petra Falk' })
    expect((await whole()).students.map(({ name }) => name)).not.toContain('Petra Falk')

    for (let press = 0; press < 2; press++)
      await teacher.post(`/classes/${classId}/joining/${asked.id}/let-in`)
    const standing = await visitor.get<JoinStanding>(`/join/${asked.id}`)
    expect(standing.state).toBe('let in')
    expect((await whole()).students.filter(({ name }) => name === 'Petra Falk')).toHaveLength(1)
    await visitor.post<Person>('/sign-in/student', { code, student: standing.student, pin: '2718' })
    expect(await visitor.get<TrayEntry[]>('/tray')).toHaveLength(1)
    expect(await teacher.get(`/classes/${classId}/joining`)).toEqual([])
  })

  test('not let in, they are told; of another teacher nobody can answer', async () => {
    const { teacher, classId, code, whole } = await running()
    const visitor = school.visitor()
    const asked = await visitor.post<JoinStanding>('/join', { code, name: 'Somebody', pin: '0000' })
    const stranger = await running(0)
    expect(await stranger.teacher.status('POST', `/classes/${classId}/joining/${asked.id}/let-in`)).toBe(404)
    expect(
      await stranger.teacher.status('POST', `/classes/${stranger.classId}/joining/${asked.id}/let-in`),
    ).toBe(404)
    await teacher.post(`/classes/${classId}/joining/${asked.id}/not-let-in`)
    await teacher.post(`/classes/${classId}/joining/${asked.id}/let-in`)
    expect(await visitor.get(`/join/${asked.id}`)).toMatchObject({ state: 'not let in' })
    expect((await whole()).students).toHaveLength(2)
  })

  test('with a code that no class has, a name that is none, and once too often: a sentence', async () => {
    const { code } = await running(0)
    const ask = (body: object) =>
      school.visitor().post('/join', { code, name: 'Petra', pin: '1234', ...body })
    await expect(ask({ code: 'ZZZZZZ' })).rejects.toThrow(/No class/)
    await expect(ask({ name: ' ' })).rejects.toThrow(/name is needed/)
    await expect(ask({ pin: '12' })).rejects.toThrow(/four digits/)
    for (let each = 0; each < 40; each++) await ask({})
    await expect(ask({})).rejects.toThrow(/Too many are waiting/)
  })
})

describe('slips', () => {
  test('are a PDF with each name, whose code signs in; a new slip ends the one before', async () => {
    const { teacher, classId, students, code } = await running(9)
    const answer = await teacher.send('POST', `/classes/${classId}/slips`, { newPins: true })
    const pdf = Buffer.from(await answer.arrayBuffer())
    const text = textOfPdf(pdf)
    for (const { name } of students) expect(text).toContain(name)
    expect(text).toContain(`class code ${code}`)
    const [, pin] = /PIN (\d{4})/.exec(text)!
    // The PINs from before are over.
    const signIn = (with_: string) =>
      school.visitor().status('POST', '/sign-in/student', { code, student: students[0]!.id, pin: with_ })
    expect(await signIn(pin!)).toBe(200)
    if (students[0]!.pin !== pin) expect(await signIn(students[0]!.pin)).toBe(401)
    expect(await school.visitor().status('POST', '/sign-in/slip', { token: newToken() })).toBe(401)
    // As a camera reads it from the paper.
    const codes = await readCodes(pdf)
    expect(codes).toHaveLength(8)
    const tokens = codes.map((address) => new URL(address).pathname.replace('/slip/', ''))
    const person = await school.visitor().post<Person>('/sign-in/slip', { token: tokens[0] })
    expect(students.map(({ id }) => id)).toContain(person.id)
    await teacher.send('POST', `/classes/${classId}/slips`, { students: [person.id], newPins: false })
    expect(await school.visitor().status('POST', '/sign-in/slip', { token: tokens[0] })).toBe(401)
    expect(await school.visitor().status('POST', '/sign-in/slip', { token: 'x' })).toBe(422)
  })

  test('for one who is not in the class there is none', async () => {
    const { teacher, classId } = await running(1)
    const other = await running(1)
    await expect(
      teacher.post(`/classes/${classId}/slips`, { students: [other.students[0]!.id], newPins: false }),
    ).rejects.toThrow(/nobody/)
  })
})

describe('a list taken over', () => {
  test('adds, renames and lets go at once; who comes has what the class has; the list comes out as CSV', async () => {
    const { teacher, classId, students, whole, signIn } = await running(3)
    const made = await teacher.post<StudentWithPin[]>(`/classes/${classId}/roster`, {
      add: [{ name: 'Zélie Rahman', rosterId: 'u7' }],
      rename: [{ id: students[0]!.id, to: 'Noor Farrant' }],
      leave: [students[1]!.id],
    })
    expect(made).toMatchObject([{ name: 'Zélie Rahman' }])
    expect((await whole()).students.map(({ name, rosterId }) => [name, rosterId])).toEqual([
      ['Noor Farrant', null],
      [students[2]!.name, null],
      ['Zélie Rahman', 'u7'],
    ])
    const visitor = await signIn(made[0]!.id, made[0]!.pin)
    expect(await visitor.get<TrayEntry[]>('/tray')).toHaveLength(1)
    const csv = await (await teacher.send('GET', `/classes/${classId}/roster`)).text()
    expect(csv).toContain('Zélie Rahman,u7')
  })

  test('with somebody who is not in the class any more it is refused, and nothing has changed', async () => {
    const { teacher, classId, whole } = await running(1)
    const other = await running(1)
    await expect(
      teacher.post(`/classes/${classId}/roster`, {
        add: [{ name: 'New One', rosterId: null }],
        rename: [],
        leave: [other.students[0]!.id],
      }),
    ).rejects.toThrow(/changed meanwhile/)
    expect((await whole()).students).toHaveLength(1)
  })
})
