import type { Item, KeptEvent, Layer } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { fromStoredByCopy } from './storedEvent.ts'

/** The feedback events of copies that may concern marks, in order: those that lay marks down, change or take things. */
export const markEvents = (db: Queries, copies: readonly string[]) =>
  eventsAbout(db, copies, 'feedback', 'mark')

/** The events of a layer of copies, or those of them that may concern items of a kind, in order, by copy. */
export async function eventsAbout(
  db: Queries,
  copies: readonly string[],
  layer: Layer,
  kind?: Item['kind'],
): Promise<ReadonlyMap<string, KeptEvent[]>> {
  const ofKind =
    kind === undefined
      ? sql``
      : sql`AND (body->'items' @> ${JSON.stringify([{ kind }])}::jsonb OR body->>'act' IN ('take', 'bring', 'change'))`
  const { rows } = await db.execute(sql`
    SELECT copy_id AS copy, id, layer, seq, author_id AS author, round, extract(epoch FROM kept_at) * 1000 AS "keptAt",
      body, ink, log_version AS version
    FROM event WHERE copy_id = ANY(${sql.param([...copies])}::uuid[]) AND layer = ${layer} ${ofKind}
    ORDER BY copy_id, seq`)
  return fromStoredByCopy(rows)
}

/** Whether an event may change what marks a copy has. */
export function concernsMarks(event: KeptEvent): boolean {
  if (event.layer !== 'feedback') return false
  if (event.act === 'add') return event.items.some(({ kind }) => kind === 'mark')
  if (event.act === 'change') return event.set.given !== undefined
  return event.act === 'take' || event.act === 'bring'
}
