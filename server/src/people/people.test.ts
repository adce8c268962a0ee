import type { ClassCard, ClassList, Door, Person, StudentWithPin } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { openSchool, type School } from '../test/school.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

describe('the first visit', () => {
  test('makes one teacher, however many press at once, and nobody after that', async () => {
    expect((await school.visitor().get<Door>('/door')).firstVisit).toBe(true)
    const account = (name: string) =>
      school.visitor().status('POST', '/first-teacher', { name, password: 'long enough now' })
    const statuses = await Promise.all(['Marit Abara', 'Ola Berg', 'Ida Dal'].map(account))
    expect(statuses.sort()).toEqual([200, 409, 409])
    expect((await school.visitor().get<Door>('/door')).firstVisit).toBe(false)
    expect(await account('Late Comer')).toBe(409)
  })
  test('asks for a password of ten letters, in a sentence', async () => {
    const visitor = school.visitor()
    await expect(visitor.post('/first-teacher', { name: 'X', password: 'short' })).rejects.toThrow(
      /at least 10/,
    )
  })
})

describe('signing in', () => {
  test('teachers by name and password, whatever the case of the name', async () => {
    await school.teacher('Tove Lind')
    const visitor = school.visitor()
    await expect(
      visitor.post('/sign-in/teacher', { name: 'Tove Lind', password: 'wrong password' }),
    ).rejects.toMatchObject({ status: 401 })
    const person = await visitor.post<Person>('/sign-in/teacher', {
      name: ' tove  LIND ',
      password: 'salt-marsh-and-mud',
    })
    expect(person).toMatchObject({ name: 'Tove Lind', role: 'teacher' })
    expect(await visitor.get<Person>('/me')).toEqual(person)
  })

  test('students by class code, name and PIN; the old PIN ends with a new one', async () => {
    const teacher = await school.teacher()
    const { id, code } = await teacher.post<ClassCard>('/classes', { name: 'Dunlin' })
    const [noor] = await teacher.post<StudentWithPin[]>(`/classes/${id}/students`, {
      names: ['Noor Farrant'],
    })
    const visitor = school.visitor()
    const list = await visitor.post<ClassList>('/sign-in/class', { code: code.toLowerCase() })
    expect(list).toEqual({ className: 'Dunlin', students: [{ id: noor!.id, name: 'Noor Farrant' }] })
    expect(
      await visitor.post<Person>('/sign-in/student', { code, student: noor!.id, pin: noor!.pin }),
    ).toMatchObject({ role: 'student' })
    const { pin } = await teacher.post<StudentWithPin>(`/classes/${id}/students/${noor!.id}/pin`)
    if (pin !== noor!.pin) {
      expect(
        await school
          .visitor()
          .status('POST', '/sign-in/student', { code, student: noor!.id, pin: noor!.pin }),
      ).toBe(401)
    }
    expect(await school.visitor().status('POST', '/sign-in/student', { code, student: noor!.id, pin })).toBe(
      200,
    )
    await teacher.delete(`/classes/${id}/students/${noor!.id}`)
    expect(await school.visitor().status('POST', '/sign-in/student', { code, student: noor!.id, pin })).toBe(
      401,
    )
  })

  test('guessing a PIN ends after ten tries, even with the right one', async () => {
    const teacher = await school.teacher()
    const { id, code } = await teacher.post<ClassCard>('/classes', { name: 'Knot' })
    const [ilja] = await teacher.post<StudentWithPin[]>(`/classes/${id}/students`, { names: ['Ilja Egorov'] })
    const guess = (pin: string) =>
      school.visitor().status('POST', '/sign-in/student', { code, student: ilja!.id, pin })
    const wrong = ilja!.pin === '0000' ? '0001' : '0000'
    for (let tries = 0; tries < 10; tries++) expect(await guess(wrong)).toBe(401)
    expect(await guess(ilja!.pin)).toBe(429)
  })

  test('a session ends with signing out, on the live connection too', async () => {
    const teacher = await school.teacher()
    const device = await teacher.device()
    const ended = new Promise((done) => device.once('disconnect', done))
    await teacher.post('/sign-out')
    await ended
    expect(await teacher.get('/me')).toBeNull()
    expect(await teacher.status('GET', '/classes')).toBe(401)
  })

  test('a request that another site planted is refused', async () => {
    const teacher = await school.teacher()
    const response = await teacher.send(
      'POST',
      '/classes',
      { name: 'Planted' },
      { origin: 'https://elsewhere.example' },
    )
    expect(response.status).toBe(403)
    expect(await teacher.get('/classes')).toEqual([])
  })

  test('the made-up people are not to be had outside the demo', async () => {
    const { id } = await (await school.teacher()).get<Person>('/me')
    expect(await school.visitor().status('POST', '/sign-in/demo', { person: id })).toBe(404)
    expect((await school.visitor().get<Door>('/door')).demo).toBeNull()
  })
})

describe('in the demo', () => {
  test('one tap signs in, and seats keep several people apart in one browser', async () => {
    const demo = await openSchool({ demo: true })
    try {
      await demo.teacher('Marit Abara')
      await demo.teacher('Ola Berg')
      const { demo: offer } = await demo.visitor().get<Door>('/door')
      const [marit, ola] = offer!.people
      // One browser: both cookies go with every request, as their paths allow.
      const sign = async (seat: string, person: string) => {
        const response = await fetch(`${demo.server.url}/as/${seat}/api/sign-in/demo`, {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ person }),
        })
        return response.headers.getSetCookie().find((cookie) => cookie.startsWith('handback-seat='))!
      }
      const cookies = [await sign('one', marit!.id), await sign('two', ola!.id)]
      expect(cookies.map((cookie) => /Path=([^;]+)/.exec(cookie)![1])).toEqual(['/as/one', '/as/two'])
      const me = async (path: string, cookie: string) =>
        fetch(`${demo.server.url}${path}/api/me`, { headers: { cookie: cookie.split(';')[0]! } })
      expect(await (await me('/as/one', cookies[0]!)).json()).toEqual(marit)
      expect(await (await me('/as/two', cookies[1]!)).json()).toEqual(ola)
      // A seat's cookie is nobody outside a seat.
      expect(await (await me('', cookies[0]!)).json()).toBeNull()
    } finally {
      await demo.close()
    }
  })
})
