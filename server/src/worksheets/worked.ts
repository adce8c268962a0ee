import { attachmentsOf, type KeptEvent, type PageEvent, Refused } from '@hand-back/core'
import { asc, eq, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { workedEvents, worksheets } from '../db/schema.ts'
import { ownWorksheet } from './queries.ts'

/** The most acts of one worked copy: far above what a hand does to a worksheet. */
const MOST_EVENTS = 20_000

/** Everything that was done to the worked copy of a worksheet, in order. */
export async function workedOf(db: Queries, worksheetId: string): Promise<KeptEvent[]> {
  const rows = await db
    .select()
    .from(workedEvents)
    .where(eq(workedEvents.worksheetId, worksheetId))
    .orderBy(asc(workedEvents.seq))
  return rows.map(({ event, seq, teacherId, keptAt }) => ({
    ...event,
    seq,
    author: teacherId,
    round: 1,
    keptAt: keptAt.getTime(),
  }))
}

/** Keeps what a teacher did to their worked copy; what is there already stays as it is. Throws `Refused`. */
export async function keepWorked(
  db: Database,
  teacherId: string,
  worksheetId: string,
  events: readonly PageEvent[],
  now: number,
): Promise<void> {
  await ownWorksheet(db, teacherId, worksheetId)
  if (events.some(({ layer }) => layer !== 'work')) throw new Refused('That is no work.', 422)
  if (events.some((event) => attachmentsOf(event).length > 0))
    throw new Refused('A worked copy takes no recordings and no photos.', 422)
  await db.transaction(async (tx) => {
    // One at a time: two tabs of one teacher number their acts one after the other.
    await tx.select().from(worksheets).where(eq(worksheets.id, worksheetId)).for('update')
    const there = await tx
      .select({ id: workedEvents.id, seq: workedEvents.seq })
      .from(workedEvents)
      .where(eq(workedEvents.worksheetId, worksheetId))
    const known = new Set(there.map(({ id }) => id))
    let seq = Math.max(0, ...there.map((row) => row.seq))
    const fresh = [...new Map(events.map((event) => [event.id, event])).values()].filter(
      ({ id }) => !known.has(id),
    )
    if (fresh.length === 0) return
    if (there.length + fresh.length > MOST_EVENTS) throw new Refused('This worked copy is full.')
    await tx.insert(workedEvents).values(
      fresh.map((event) => ({
        worksheetId,
        seq: ++seq,
        id: event.id,
        teacherId,
        event,
        keptAt: new Date(now),
      })),
    )
  })
}

/** Takes away what was done to a worked copy. Throws `Refused` (404) for another teacher's worksheet. */
export async function dropWorked(db: Queries, teacherId: string, worksheetId: string): Promise<void> {
  await ownWorksheet(db, teacherId, worksheetId)
  await db.delete(workedEvents).where(eq(workedEvents.worksheetId, worksheetId))
}

/** The worked copy of the worksheet that a version belongs to. */
export async function workedOfVersion(db: Queries, versionId: string): Promise<KeptEvent[]> {
  const { rows } = await db.execute<{ id: string }>(
    sql`SELECT worksheet_id AS id FROM worksheet_version WHERE id = ${versionId}`,
  )
  return rows[0] ? workedOf(db, rows[0].id) : []
}
