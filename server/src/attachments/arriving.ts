import { randomUUID } from 'node:crypto'
import { CHUNK_BYTES, type Chunk } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { arrivingAttachments, fileChunks } from '../db/schema.ts'

/** An attachment of which chunks have arrived. */
export interface Arriving {
  readonly copy: string
  readonly author: string
  /** Under which its chunks stand. */
  readonly body: string
  readonly size: number
  readonly arrived: number
}

const FIELDS = {
  copy: arrivingAttachments.copyId,
  author: arrivingAttachments.authorId,
  body: arrivingAttachments.body,
  size: arrivingAttachments.size,
  arrived: arrivingAttachments.arrived,
}

export async function findArriving(db: Queries, id: string): Promise<Arriving | undefined> {
  const [there] = await db.select(FIELDS).from(arrivingAttachments).where(eq(arrivingAttachments.id, id))
  return there
}

/** The bytes that are announced for a copy and have not all arrived. */
export async function announcedBytes(db: Queries, copy: string): Promise<number> {
  const [sum] = await db
    .select({ bytes: sql<string>`coalesce(sum(${arrivingAttachments.size}), 0)` })
    .from(arrivingAttachments)
    .where(eq(arrivingAttachments.copyId, copy))
  return Number(sum!.bytes)
}

/** Makes room for an attachment of which the first chunk has come; two that begin it at once make one. */
export async function beginArriving(
  db: Queries,
  id: string,
  of: Pick<Arriving, 'copy' | 'author' | 'size'>,
): Promise<void> {
  await db
    .insert(arrivingAttachments)
    .values({
      id,
      copyId: of.copy,
      authorId: of.author,
      body: randomUUID(),
      size: of.size,
      arrived: 0,
    })
    .onConflictDoNothing()
}

/**
 * Keeps a chunk if it is the next. Returns how much has arrived; nothing when it is all gone meanwhile,
 * because another request brought the last chunk.
 */
export function keepChunk(
  db: Database,
  id: string,
  chunk: Chunk,
  bytes: Buffer,
): Promise<number | undefined> {
  return db.transaction(async (tx) => {
    const [there] = await tx
      .select(FIELDS)
      .from(arrivingAttachments)
      .where(eq(arrivingAttachments.id, id))
      .for('update')
    if (!there) return undefined
    if (there.arrived !== chunk.from || there.size !== chunk.size) return there.arrived
    await tx.insert(fileChunks).values({ body: there.body, number: chunk.from / CHUNK_BYTES, bytes })
    const arrived = chunk.to + 1
    await tx
      .update(arrivingAttachments)
      .set({ arrived, at: new Date() })
      .where(eq(arrivingAttachments.id, id))
    return arrived
  })
}

/** Takes an attachment of which all has arrived out of those on their way. Only one request gets it. */
export async function takeArrived(db: Queries, id: string): Promise<Arriving | undefined> {
  const [taken] = await db.delete(arrivingAttachments).where(eq(arrivingAttachments.id, id)).returning(FIELDS)
  return taken
}
