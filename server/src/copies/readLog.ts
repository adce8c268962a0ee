import { handedBackRound, type KeptEvent, type ReadTo, type Role, readNothing, toldTo } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import type { CopyRecord } from './place.ts'
import { type EventRow, fromStored, fromStoredByCopy } from './storedEvent.ts'

/** The most events of one answer; who reads asks again while there are more. */
export const MOST_READ_AT_ONCE = 1000

// A teacher may read every round of feedback.
const EVERY_ROUND = 1_000_000

/**
 * What somebody has not read yet of a copy, each layer in sequence: only what `mayRead` in core lets
 * them read, which for feedback is every round up to the last handed back, as it may be told to them.
 */
export async function readLog(
  db: Queries,
  copy: CopyRecord,
  role: Role,
  readTo: ReadTo,
  most = MOST_READ_AT_ONCE,
): Promise<{ events: KeptEvent[]; more: boolean }> {
  const rounds = role === 'teacher' ? EVERY_ROUND : handedBackRound(copy)
  const { rows } = await db.execute(sql`
    SELECT id, layer, seq, author_id AS author, round, extract(epoch FROM kept_at) * 1000 AS "keptAt", body, ink,
      log_version AS version
    FROM event WHERE copy_id = ${copy.id} AND (
      (layer = 'work' AND seq > ${readTo.work}) OR
      (layer = 'help' AND seq > ${readTo.help}) OR
      (layer = 'pins' AND seq > ${readTo.pins}) OR
      (layer = 'feedback' AND seq > ${readTo.feedback} AND round <= ${rounds}))
    ORDER BY layer DESC, seq LIMIT ${most + 1}`)
  const events = rows.slice(0, most).flatMap((row) => {
    const event = fromStored({ ...row, keptAt: Number(row.keptAt) } as unknown as EventRow)
    return toldTo(role, copy, event) ?? []
  })
  return { events, more: rows.length > most }
}

/** Everything of a copy that somebody may read. */
export async function readWholeLog(db: Queries, copy: CopyRecord, role: Role): Promise<KeptEvent[]> {
  const { events } = await readLog(db, copy, role, readNothing, 1_000_000)
  return events
}

/** Everything that lies on pages of copies, as their teacher may read it, by copy. */
export async function readPagesOfAll(
  db: Queries,
  copies: readonly string[],
  pages: readonly string[],
): Promise<ReadonlyMap<string, KeptEvent[]>> {
  const { rows } = await db.execute(sql`
    SELECT copy_id AS copy, id, layer, seq, author_id AS author, round, extract(epoch FROM kept_at) * 1000 AS "keptAt",
      body, ink, log_version AS version
    FROM event WHERE copy_id = ANY(${sql.param([...copies])}::uuid[]) AND body->>'page' = ANY(${sql.param([...pages])})
    ORDER BY copy_id, layer DESC, seq`)
  return fromStoredByCopy(rows)
}
