import type { ClassCard, Door, Person, SlipOwner, StudentWithPin } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { readCodes } from '../test/readCodes.ts'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
import { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const PASSWORD = 'salt-marsh-and-mud'
const isIn = async (visitor: Visitor) => (await visitor.get<Person | null>('/me')) !== null
/** Opens a live connection; what is given back is fulfilled when it ends. */
const connected = async (visitor: Visitor) => {
  const device = await visitor.device()
  return { ended: new Promise<string>((done) => device.once('disconnect', done)) }
}

describe('a session ends, and its live connections with it', () => {
  test('at a new PIN, and when its student leaves their last class; nobody else’s does', async () => {
    const { teacher, class: of, students } = await startLesson(school, 3)
    const [first, second, third] = students.map(({ visitor }) => visitor) as [Visitor, Visitor, Visitor]
    const path = (index: number) => `/classes/${of.id}/students/${students[index]!.person.id}`
    const [one, two] = [await connected(first), await connected(second)]
    await third.device()
    await teacher.post(`${path(0)}/pin`)
    await teacher.delete(path(1))
    await Promise.all([one.ended, two.ended])
    expect([await isIn(first), await isIn(second), await isIn(third)]).toEqual([false, false, true])
    await expect(first.again().device()).rejects.toThrow(/sign in/)
  })

  test('at another password; the device where it was changed goes on', async () => {
    const here = await school.teacher('Marit Abara')
    const there = school.visitor()
    await there.post('/sign-in/teacher', { name: 'Marit Abara', password: PASSWORD })
    const { ended } = await connected(there)
    await expect(here.post('/password', { now: 'not the one', to: 'another-salt-marsh' })).rejects.toThrow(
      /not the password/,
    )
    await here.post('/password', { now: PASSWORD, to: 'another-salt-marsh' })
    await ended
    expect([await isIn(here), await isIn(there)]).toEqual([true, false])
    await expect(
      school.visitor().post('/sign-in/teacher', { name: 'Marit Abara', password: PASSWORD }),
    ).rejects.toThrow(/do not go together/)
  })

  test('everywhere at once', async () => {
    const here = await school.teacher('Ola Berg')
    const there = school.visitor()
    await there.post('/sign-in/teacher', { name: 'Ola Berg', password: PASSWORD })
    const { ended } = await connected(there)
    await here.post('/sign-out/everywhere')
    await ended
    expect([await isIn(here), await isIn(there)]).toEqual([false, false])
  })

  test('when another signs in in the same browser', async () => {
    const { teacher, class: of, students } = await startLesson(school, 2)
    const [first, second] = students
    const { ended } = await connected(first!.visitor)
    const { code } = (await teacher.get<ClassCard[]>('/classes')).find(({ id }) => id === of.id)!
    await first!.visitor.post('/sign-in/student', { code, student: second!.person.id, pin: second!.pin })
    await ended
    // At once, not when sessions are next looked through (every 30 s).
  }, 25_000)

  test('also a session that a race began: signing in with a PIN while it is renewed', async () => {
    const { teacher, class: of, students } = await startLesson(school, 1)
    const { code } = (await teacher.get<ClassCard[]>('/classes')).find(({ id }) => id === of.id)!
    const student = students[0]!.person.id
    let { pin } = students[0]!
    for (let round = 0; round < 5; round++) {
      const tries = Array.from({ length: 4 }, () => school.visitor())
      const old = { code, student, pin }
      const [renewed] = await Promise.all([
        teacher.post<StudentWithPin>(`/classes/${of.id}/students/${student}/pin`),
        ...tries.map((visitor) => visitor.status('POST', '/sign-in/student', old)),
      ])
      if (renewed.pin !== old.pin) for (const visitor of tries) expect(await isIn(visitor)).toBe(false)
      pin = renewed.pin
    }
  })

  test('an answer to whoever was here before does not take the cookie of the next away', async () => {
    const { students } = await startLesson(school, 1)
    const { visitor } = students[0]!
    const before = visitor.again()
    const answers = await Promise.all([
      before.send('GET', '/me'),
      before.send('GET', '/tray'),
      visitor.send('GET', '/me'),
    ])
    for (const answer of answers) expect(answer.headers.getSetCookie()).toEqual([])
  })

  test('when nothing was asked for twelve hours', async () => {
    const visitor = await school.teacher()
    const { pool, close } = behind(school)
    const left = async () =>
      Number(
        (
          await pool.query(
            `SELECT extract(epoch FROM expire - now())::int AS left FROM session WHERE sess->>'person' = $1`,
            [await visitor.whoAmI()],
          )
        ).rows[0].left,
      )
    expect(Math.abs((await left()) - 12 * 3600)).toBeLessThan(60)
    await pool.query(`UPDATE session SET expire = now() + interval '1 hour' WHERE sess->>'person' = $1`, [
      await visitor.whoAmI(),
    ])
    await visitor.get('/classes')
    expect(Math.abs((await left()) - 12 * 3600)).toBeLessThan(60)
    await pool.query(`UPDATE session SET expire = now() - interval '1 second' WHERE sess->>'person' = $1`, [
      await visitor.whoAmI(),
    ])
    await close()
    expect(await isIn(visitor)).toBe(false)
  })

  test('at the latest after a week, however often it was used', async () => {
    const visitor = await school.teacher()
    const { pool, close } = behind(school)
    await pool.query(
      `UPDATE session SET sess = jsonb_set(sess::jsonb, '{begun}', to_jsonb((extract(epoch FROM now()) - 8 * 86400) * 1000))::json
       WHERE sess->>'person' = $1`,
      [await visitor.whoAmI()],
    )
    await close()
    expect(await isIn(visitor)).toBe(false)
  })
})

describe('what is meant for one is not done for another', () => {
  test('a tab that believes somebody else is signed in is told, and nothing is done', async () => {
    const { students } = await startLesson(school, 2)
    const [first, second] = students
    const headers = { 'x-hand-back-person': first!.person.id }
    const { status } = await second!.visitor.send('PATCH', '/habits', { strip: 'left' }, headers)
    expect(status).toBe(409)
    expect(await second!.visitor.get('/habits')).toEqual({})
  })
})

describe('slips', () => {
  test('tell whose they are before they sign in, and end after a school year', async () => {
    const { teacher, class: of, students } = await startLesson(school, 1)
    const pdf = await (
      await teacher.send('POST', `/classes/${of.id}/slips`, { newPins: false })
    ).arrayBuffer()
    const [address] = await readCodes(new Uint8Array(pdf))
    const token = address!.split('/').at(-1)!
    const visitor = school.visitor()
    expect(await visitor.post<SlipOwner>('/sign-in/slip/whose', { token })).toEqual({
      name: students[0]!.person.name,
    })
    expect(await isIn(visitor)).toBe(false)
    await visitor.post('/sign-in/slip', { token })
    expect(await isIn(visitor)).toBe(true)
    const { pool, close } = behind(school)
    await pool.query(`UPDATE slip SET made_at = now() - interval '366 days'`)
    await close()
    await expect(school.visitor().post('/sign-in/slip', { token })).rejects.toThrow(
      /does not sign in any more/,
    )
  })
})

describe('the first visit', () => {
  test('to a school that asks for its setup code makes no teacher without it', async () => {
    const empty = await openSchool({ setupCode: 'TIDE-2345' })
    try {
      const visitor = empty.visitor()
      expect(await visitor.get<Door>('/door')).toMatchObject({ firstVisit: true, setupCode: true })
      const first = { name: 'First Comer', password: PASSWORD }
      for (const wrong of [first, { ...first, setupCode: '' }, { ...first, setupCode: 'TIDE-2346' }])
        expect(await visitor.status('POST', '/first-teacher', wrong)).toBe(403)
      await visitor.post('/first-teacher', { ...first, setupCode: 'tide 2345' })
      expect(await isIn(visitor)).toBe(true)
    } finally {
      await empty.close()
    }
  })
})

describe('tries', () => {
  test('five hundred at once are counted before they are judged', async () => {
    const own = await openSchool()
    try {
      await own.teacher('Marit Abara')
      const wrong = Array.from({ length: 500 }, (_, index) =>
        new Visitor(own.server.url).status('POST', '/sign-in/teacher', {
          name: ['Marit Abara', ' marit  ABARA', 'Ｍarit Abara'][index % 3],
          password: `guess ${index}`,
        }),
      )
      const answers = await Promise.all(wrong)
      // Variants of a name are one name: ten are judged.
      expect(answers.filter((status) => status === 401)).toHaveLength(10)
      expect(answers.filter((status) => status === 429)).toHaveLength(490)
    } finally {
      await own.close()
    }
  })

  test('guessing elsewhere locks nobody out who signed in on their device before', async () => {
    const own = await openSchool()
    try {
      const marit = await own.teacher('Marit Abara')
      await marit.post('/sign-out')
      await Promise.all(
        Array.from({ length: 40 }, (_, index) =>
          new Visitor(own.server.url).status('POST', '/sign-in/teacher', {
            name: 'Marit Abara',
            password: `x${index}`,
          }),
        ),
      )
      const signIn = { name: 'Marit Abara', password: PASSWORD }
      expect(await new Visitor(own.server.url).status('POST', '/sign-in/teacher', signIn)).toBe(429)
      expect(await marit.status('POST', '/sign-in/teacher', signIn)).toBe(200)
    } finally {
      await own.close()
    }
  })

  test('a class of old slips and wrong codes does not lock a school’s one address', async () => {
    const own = await openSchool()
    try {
      const { teacher, class: of, students } = await startLesson(own, 1)
      const { code } = (await teacher.get<ClassCard[]>('/classes')).find(({ id }) => id === of.id)!
      const stranger = () => new Visitor(own.server.url)
      for (let some = 0; some < 10; some++)
        await Promise.all(
          Array.from({ length: 40 }, () =>
            stranger().status('POST', '/sign-in/slip', { token: 'a'.repeat(32) }),
          ),
        )
      for (let some = 0; some < 8; some++)
        await Promise.all(
          Array.from({ length: 40 }, () => stranger().status('POST', '/sign-in/class', { code: 'XXXXXX' })),
        )
      const { id: student } = students[0]!.person
      expect(
        await stranger().status('POST', '/sign-in/student', { code, student, pin: students[0]!.pin }),
      ).toBe(200)
      // Where somebody signed in before, codes are read too.
      expect(await students[0]!.visitor.status('POST', '/sign-in/class', { code })).toBe(200)
    } finally {
      await own.close()
    }
  })
})
