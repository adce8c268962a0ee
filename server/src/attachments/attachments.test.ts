import { randomBytes, randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { type AttachmentArrived, CHUNK_BYTES, type Chunk, chunkAfter, sayChunk } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import type pg from 'pg'
import { MOST_COPY_BYTES } from '../copies/index.ts'
import { clearBrokenUploads } from '../files/index.ts'
import { adding } from '../test/ink.ts'
import { behind, firstPageOf, type Lesson, openSchool, type School, startLesson } from '../test/school.ts'
import { until } from '../test/until.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
let lesson: Lesson
const sound = readFileSync(new URL('../../../tools/src/demo/recordings/knot-1.webm', import.meta.url))
beforeAll(async () => {
  school = await openSchool()
  lesson = await startLesson(school, 2)
})
afterAll(() => school.close())

const path = (copy: string, attachment: string) => `/copies/${copy}/attachments/${attachment}`

/**
 * The chunks there are, but for those of papers: these are made ahead, whenever there is time for it. A chunk that
 * belongs to nothing may be one of a paper that is being kept just now, or was left behind: that one stays.
 */
async function chunksBesidePapers(pool: pg.Pool): Promise<number> {
  return until(async () => {
    const { rows } = await pool.query(`SELECT
      count(*) FILTER (WHERE f.body IS NULL AND a.body IS NULL)::int AS astray,
      count(*) FILTER (WHERE f.type IS NULL OR f.type NOT IN ('application/pdf', 'image/png'))::int AS n
      FROM file_chunk c LEFT JOIN file f ON f.body = c.body LEFT JOIN arriving_attachment a ON a.body = c.body`)
    return rows[0].astray === 0 && rows[0].n
  })
}

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
  expect((await pool.query('SELECT copy_id FROM attachment WHERE id = $1', [id])).rows).toEqual([
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
  const chunks = () => chunksBesidePapers(pool)
  const before = await chunks()
  await expect(
    visitor.put(path(copy, randomUUID()), Buffer.from('<script>alert(1)</script>')),
  ).rejects.toThrow(/neither a sound/)
  await expect(visitor.put(path(copy, randomUUID()), new Uint8Array(40 * 1024 * 1024))).rejects.toThrow(
    /larger than 32 MB/,
  )
  await expect(visitor.put(path(copy, randomUUID()), new Uint8Array())).rejects.toThrow(/empty/)
  expect(await chunks()).toBe(before)
  await close()
})

/** Sends one chunk, as a device does. */
async function sendChunk(visitor: Visitor, at: string, all: Uint8Array, chunk: Chunk) {
  const bytes = all.subarray(chunk.from, chunk.to + 1)
  const response = await visitor.send('PUT', at, bytes, { 'content-range': sayChunk(chunk) })
  return { status: response.status, told: (await response.json()) as AttachmentArrived }
}

/** A sound of so many chunks: a real one with bytes behind that no player looks at. */
const longSound = (chunks: number) => {
  const long = new Uint8Array(chunks * CHUNK_BYTES - 1000)
  long.set(sound.subarray(0, Math.min(sound.length, 2000)))
  long.set(randomBytes(16), 3000)
  return long
}

describe('in chunks', () => {
  test('broken off and gone on with, a chunk said twice, one too early: it arrives once and whole', async () => {
    const { visitor, copy } = lesson.students[0]!
    const id = randomUUID()
    const at = path(copy, id)
    const all = longSound(4)
    const chunk = (arrived: number) => chunkAfter(arrived * CHUNK_BYTES, all.length)
    const stands = () => visitor.get<AttachmentArrived>(`${at}/arrived`)
    expect(await stands()).toEqual({ arrived: 0, whole: false })
    await sendChunk(visitor, at, all, chunk(0))
    await sendChunk(visitor, at, all, chunk(1))
    expect(await stands()).toEqual({ arrived: 2 * CHUNK_BYTES, whole: false })
    expect(await visitor.status('GET', at)).toBe(404)
    // The answer got lost, or two tabs send it.
    expect((await sendChunk(visitor, at, all, chunk(1))).told.arrived).toBe(2 * CHUNK_BYTES)
    expect((await sendChunk(visitor, at, all, chunk(3))).told.arrived).toBe(2 * CHUNK_BYTES)
    await Promise.all([1, 2, 3].map(() => sendChunk(visitor, at, all, chunk(2))))
    await Promise.all([1, 2, 3].map(() => sendChunk(visitor, at, all, chunk(3))))
    expect(await stands()).toEqual({ arrived: 0, whole: true })
    const heard = await visitor.send('GET', at)
    expect(Buffer.from(await heard.arrayBuffer()).equals(Buffer.from(all))).toBe(true)
    const { pool, close } = behind(school)
    expect((await pool.query('SELECT 1 FROM arriving_attachment WHERE id = $1', [id])).rows).toEqual([])
    await close()
  })

  test('nobody else’s device goes on with it, nor in another copy; what is no sound leaves nothing', async () => {
    const [{ visitor, copy }, other] = lesson.students as [Lesson['students'][0], Lesson['students'][0]]
    const id = randomUUID()
    const all = longSound(2)
    const first = chunkAfter(0, all.length)
    await sendChunk(visitor, path(copy, id), all, first)
    expect((await sendChunk(other.visitor, path(other.copy, id), all, first)).status).toBe(404)
    expect((await sendChunk(lesson.teacher, path(copy, id), all, first)).status).toBe(404)
    expect(await other.visitor.status('GET', `${path(copy, id)}/arrived`)).toBe(404)

    const { pool, close } = behind(school)
    const chunks = () => chunksBesidePapers(pool)
    const before = await chunks()
    const script = Buffer.from('<script>alert(1)</script>')
    const refused = await sendChunk(visitor, path(copy, randomUUID()), script, chunkAfter(0, script.length))
    expect(refused.status).toBe(422)
    const short = await sendChunk(visitor, path(copy, randomUUID()), all.subarray(0, 100), first)
    expect(short.status).toBe(422)
    const huge = { ...first, size: 33 * 1024 * 1024 }
    expect((await sendChunk(visitor, path(copy, randomUUID()), all, huge)).status).toBe(413)
    expect(await chunks()).toBe(before)
    await close()
  })

  test('what is announced counts against the room of a copy', async () => {
    const { visitor, copy } = lesson.students[1]!
    const { pool, close } = behind(school)
    await pool.query('UPDATE copy SET bytes = $2 WHERE id = $1', [copy, MOST_COPY_BYTES - 3 * CHUNK_BYTES])
    const all = longSound(2)
    const first = chunkAfter(0, all.length)
    expect((await sendChunk(visitor, path(copy, randomUUID()), all, first)).status).toBe(201)
    expect((await sendChunk(visitor, path(copy, randomUUID()), all, first)).status).toBe(423)
    await pool.query('UPDATE copy SET bytes = 0 WHERE id = $1', [copy])
    await close()
  })

  test('what broke off is cleared away after a week, what still comes is not', async () => {
    const { visitor, copy } = lesson.students[0]!
    const all = longSound(2)
    const [old, young] = [randomUUID(), randomUUID()]
    for (const id of [old, young]) await sendChunk(visitor, path(copy, id), all, chunkAfter(0, all.length))
    const { pool, db, close } = behind(school)
    await pool.query("UPDATE file_chunk SET at = now() - interval '8 days'")
    await pool.query("UPDATE arriving_attachment SET at = now() - interval '8 days' WHERE id = $1", [old])
    await clearBrokenUploads(db)
    const left = (id: string) => visitor.get<AttachmentArrived>(`${path(copy, id)}/arrived`)
    expect([(await left(old)).arrived, (await left(young)).arrived]).toEqual([0, CHUNK_BYTES])
    expect(await visitor.status('PUT', path(copy, young), all)).toBe(201)
    await close()
  })
})
