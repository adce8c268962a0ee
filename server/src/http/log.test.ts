import { randomUUID } from 'node:crypto'
import { Writable } from 'node:stream'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import pino from 'pino'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
import { causeOf } from './errors.ts'

// What stands in the log: what happened, to whom by their id, why; never what anybody wrote.

let school: School
let lines: string[] = []
beforeAll(async () => {
  const stream = new Writable({
    write(line, _encoding, done) {
      lines.push(String(line))
      done()
    },
  })
  school = await openSchool({ log: pino({ level: 'info' }, stream) })
})
afterAll(() => school.close())

interface Line {
  readonly msg: string
  readonly request?: string
  readonly person?: string
  readonly status?: number
  readonly cause?: object
}
const told = () => lines.map((line) => JSON.parse(line) as Line)

test('sign-ins, refusals and exports are noted with the request that they belong to; content is not', async () => {
  const { teacher, students } = await startLesson(school, 1)
  const { visitor, person, copy } = students[0]!
  lines = []
  await school
    .visitor()
    .status('POST', '/sign-in/teacher', { name: 'Nobody Here', password: 'my secret guess' })
  const answer = await visitor.send('GET', `/copies/${copy}/pdf`)
  await answer.arrayBuffer()
  await teacher.status('GET', `/copies/${randomUUID()}`)
  expect(told().map(({ msg }) => msg)).toEqual(['refused', 'copy taken away', 'refused'])
  expect(told()[1]).toMatchObject({
    format: 'pdf',
    person: person.id,
    request: answer.headers.get('x-request-id'),
  })
  expect(told()[2]).toMatchObject({ status: 404, person: await teacher.whoAmI() })
  expect(lines.join('')).not.toMatch(/secret guess|Nobody Here|Student 001/)
})

test('a failure is noted with its cause and its request, without the values it was asked with', async () => {
  const teacher = await school.teacher()
  const { pool, close } = behind(school)
  await pool.query('ALTER TABLE class RENAME TO class_away')
  lines = []
  const answer = await teacher.send('POST', '/classes', { name: 'A class of whispers' })
  await pool.query('ALTER TABLE class_away RENAME TO class')
  await close()
  expect(answer.status).toBe(500)
  expect(await answer.text()).not.toMatch(/class|relation/)
  const [failed] = told()
  expect(failed).toMatchObject({ msg: 'failed', request: answer.headers.get('x-request-id') })
  expect(JSON.stringify(failed!.cause)).toMatch(/42P01/)
  expect(lines.join('')).not.toMatch(/whispers/)
})

test('causes of causes are told, and an end is put to them', () => {
  const error = new Error('outer', { cause: new Error('inner', { cause: new Error('third') }) })
  expect(causeOf(error)).toMatchObject({
    message: 'outer',
    cause: { message: 'inner', cause: { message: 'third' } },
  })
  const query = Object.assign(new Error('Failed query: insert … params: Noor'), { params: ['Noor'] })
  expect(JSON.stringify(causeOf(query))).not.toMatch(/Noor/)
})
