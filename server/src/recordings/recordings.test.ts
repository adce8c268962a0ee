import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { adding } from '../test/ink.ts'
import { behind, firstPageOf, type Lesson, openSchool, type School, startLesson } from '../test/school.ts'

let school: School
let lesson: Lesson
const sound = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))
beforeAll(async () => {
  school = await openSchool()
  lesson = await startLesson(school, 2)
})
afterAll(() => school.close())

const path = (copy: string, recording: string) => `/copies/${copy}/recordings/${recording}`

test('a sound is kept once, served in parts, and heard by its student and teacher alone', async () => {
  const [{ visitor, copy }, other] = lesson.students as [Lesson['students'][0], Lesson['students'][0]]
  const id = randomUUID()
  await Promise.all([visitor.put(path(copy, id), sound), visitor.put(path(copy, id), sound)])
  await visitor.put(path(copy, id), sound)
  for (const listener of [visitor, lesson.teacher]) {
    const part = await listener.send('GET', path(copy, id), undefined, { range: 'bytes=0-99' })
    expect(part.status).toBe(206)
    expect(part.headers.get('content-type')).toBe('audio/webm')
    expect(Buffer.from(await part.arrayBuffer())).toEqual(sound.subarray(0, 100))
  }
  expect(await other.visitor.status('GET', path(copy, id))).toBe(404)
  // Nor through a copy of one's own, nor by putting another sound in its place.
  expect(await other.visitor.status('GET', path(other.copy, id))).toBe(404)
  await expect(other.visitor.put(path(other.copy, id), sound)).rejects.toMatchObject({ status: 404 })
  const { pool, close } = behind(school)
  expect((await pool.query('SELECT copy_id FROM recording WHERE id = $1', [id])).rows).toEqual([
    { copy_id: copy },
  ])
  await close()
})

test('a note is taken once its sound is there, and not with somebody else’s sound', async () => {
  const [{ visitor, copy }, other] = lesson.students as [Lesson['students'][0], Lesson['students'][0]]
  const recording = randomUUID()
  const page = await firstPageOf(visitor, copy)
  const note = { id: randomUUID(), kind: 'voice' as const, x: 40, y: 40, recording, seconds: 11.5 }
  const event = { ...adding(page), items: [note] }
  const fate = async (who: typeof visitor, of: string, sent: typeof event) => {
    const answer = await who.keep(of, [sent])
    return answer.ok ? answer.fates[0]!.fate : answer.why
  }
  expect(await fate(visitor, copy, event)).toBe('wrong')
  await visitor.put(path(copy, recording), sound)
  expect(await fate(other.visitor, other.copy, { ...event, id: randomUUID() })).toBe('wrong')
  expect(await fate(visitor, copy, event)).toBe('kept')
})

test('what is no sound, too much, or nothing is refused and leaves nothing', async () => {
  const { visitor, copy } = lesson.students[0]!
  const { pool, close } = behind(school)
  const chunks = async () => (await pool.query('SELECT count(*)::int AS n FROM file_chunk')).rows[0].n
  const before = await chunks()
  await expect(
    visitor.put(path(copy, randomUUID()), Buffer.from('<script>alert(1)</script>')),
  ).rejects.toThrow(/neither a sound/)
  await expect(visitor.put(path(copy, randomUUID()), new Uint8Array(9 * 1024 * 1024))).rejects.toThrow(
    /larger than 8 MB/,
  )
  await expect(visitor.put(path(copy, randomUUID()), new Uint8Array())).rejects.toThrow(/empty/)
  expect(await chunks()).toBe(before)
  await close()
})
