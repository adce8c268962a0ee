import { createHash, randomUUID } from 'node:crypto'
import type { Readable } from 'node:stream'
import { CHUNK_BYTES, Refused } from '@hand-back/core'
import { and, asc, eq, gte, lte, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { fileChunks, files } from '../db/schema.ts'
import { typeOf } from './typeOf.ts'

export interface StoredFile {
  readonly sha256: string
  readonly body: string
  readonly size: number
  /** Media type, decided by the content. */
  readonly type: string
}

/**
 * Stores a stream in constant memory and names it by its SHA-256; the same bytes are stored once.
 * Throws `Refused` for an empty stream or one over `most` bytes, leaving nothing behind.
 */
export async function storeFile(db: Queries, stream: Readable, most: number): Promise<StoredFile> {
  const body = randomUUID()
  const hash = createHash('sha256')
  let size = 0
  let start = Buffer.alloc(0)
  try {
    for await (const { number, bytes } of chunked(stream)) {
      size += bytes.length
      if (size > most) throw tooLarge(most)
      if (number === 0) start = Buffer.from(bytes)
      hash.update(bytes)
      await db.insert(fileChunks).values({ body, number, bytes })
    }
    if (size === 0) throw new Refused('This file is empty.', 422)
    return await nameBody(db, { sha256: hash.digest('hex'), body, size, type: await typeOf(start) })
  } catch (error) {
    await db.delete(fileChunks).where(eq(fileChunks.body, body))
    throw error
  }
}

/** What is said of a file of more than `most` bytes. */
export const tooLarge = (most: number): Refused =>
  new Refused(`This file is larger than ${Math.round(most / 1024 / 1024)} MB, which is the most.`, 413)

/** Names what came in chunks, of which all stand as chunks under `body`. */
export async function nameChunks(
  db: Queries,
  { body, size }: Pick<StoredFile, 'body' | 'size'>,
): Promise<StoredFile> {
  const hash = createHash('sha256')
  let start = Buffer.alloc(0)
  for await (const bytes of readFile(db, { body, size })) {
    if (start.length === 0) start = Buffer.from(bytes)
    hash.update(bytes)
  }
  return nameBody(db, { sha256: hash.digest('hex'), body, size, type: await typeOf(start) })
}

async function nameBody(db: Queries, file: StoredFile): Promise<StoredFile> {
  const [named] = await db.insert(files).values(file).onConflictDoNothing().returning()
  if (named) return named
  await db.delete(fileChunks).where(eq(fileChunks.body, file.body))
  return (await findFile(db, file.sha256))!
}

async function* chunked(stream: Readable): AsyncGenerator<{ number: number; bytes: Buffer }> {
  let waiting: Buffer[] = []
  let length = 0
  let number = 0
  // Who stops reading answers on the same connection.
  for await (const chunk of stream.iterator({ destroyOnReturn: false })) {
    waiting.push(chunk as Buffer)
    length += (chunk as Buffer).length
    while (length >= CHUNK_BYTES) {
      const whole = Buffer.concat(waiting)
      yield { number: number++, bytes: whole.subarray(0, CHUNK_BYTES) }
      waiting = [whole.subarray(CHUNK_BYTES)]
      length = whole.length - CHUNK_BYTES
    }
  }
  if (length > 0) yield { number, bytes: Buffer.concat(waiting) }
}

export async function findFile(db: Queries, sha256: string): Promise<StoredFile | undefined> {
  const [file] = await db.select().from(files).where(eq(files.sha256, sha256))
  return file
}

/** The bytes from `from` to `to` inclusive, a chunk at a time. */
export async function* readFile(
  db: Queries,
  file: Pick<StoredFile, 'body' | 'size'>,
  from = 0,
  to = file.size - 1,
): AsyncGenerator<Buffer> {
  const last = Math.floor(to / CHUNK_BYTES)
  for (let number = Math.floor(from / CHUNK_BYTES); number <= last; number++) {
    const [chunk] = await db
      .select({ bytes: fileChunks.bytes })
      .from(fileChunks)
      .where(and(eq(fileChunks.body, file.body), eq(fileChunks.number, number)))
    const start = number * CHUNK_BYTES
    yield chunk!.bytes.subarray(Math.max(0, from - start), to - start + 1)
  }
}

/** A whole file in memory. */
export async function wholeFile(db: Queries, sha256: string): Promise<Buffer> {
  const file = await findFile(db, sha256)
  if (!file) throw new Error(`no file ${sha256}`)
  const chunks = await db
    .select({ bytes: fileChunks.bytes })
    .from(fileChunks)
    .where(and(eq(fileChunks.body, file.body), gte(fileChunks.number, 0), lte(fileChunks.number, file.size)))
    .orderBy(asc(fileChunks.number))
  return Buffer.concat(chunks.map(({ bytes }) => bytes))
}

/** Clears away uploads that broke off more than a day ago, a week for those that come in chunks: chunks under no file's name. */
export async function clearBrokenUploads(db: Queries): Promise<void> {
  await db.execute(sql`DELETE FROM arriving_attachment WHERE at < now() - interval '7 days'`)
  await db.execute(sql`
    DELETE FROM file_chunk c WHERE c.at < now() - interval '1 day'
      AND NOT EXISTS (SELECT 1 FROM file f WHERE f.body = c.body)
      AND NOT EXISTS (SELECT 1 FROM arriving_attachment a WHERE a.body = c.body)`)
}

/** Removes a file that nothing points to, for instance one that turned out not to be a worksheet. */
export async function dropFile(db: Queries, sha256: string): Promise<void> {
  await db.execute(sql`
    WITH gone AS (
      DELETE FROM file f WHERE f.sha256 = ${sha256}
        AND NOT EXISTS (SELECT 1 FROM worksheet_file w WHERE w.file = f.sha256)
        AND NOT EXISTS (SELECT 1 FROM attachment a WHERE a.file = f.sha256)
        AND NOT EXISTS (SELECT 1 FROM spoken_direction d WHERE d.file = f.sha256)
        AND NOT EXISTS (SELECT 1 FROM sent_file s WHERE s.file = f.sha256)
      RETURNING body)
    DELETE FROM file_chunk c USING gone WHERE c.body = gone.body`)
}
