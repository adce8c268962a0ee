import { type CopyWork, countWatched, inSight, pinsOn, timeWorked } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { eventsAbout, pagesAfter } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { ownHandout } from '../handouts/index.ts'
import { habitsOf } from '../people/index.ts'

interface Row extends Record<string, unknown> {
  readonly copy: string
  readonly pages: string[]
  /** The seconds, since 1970, in which this author did something. */
  readonly seconds: number[]
}

/** What was done so far on each copy of a hand-out. Throws `Refused` (404) for one that is not this teacher's. */
export async function workOf(db: Queries, teacherId: string, handoutId: string): Promise<CopyWork[]> {
  await ownHandout(db, teacherId, handoutId)
  const { rows: copies } = await db.execute<{ id: string }>(
    sql`SELECT id FROM copy WHERE handout_id = ${handoutId}`,
  )
  const ids = copies.map(({ id }) => id)
  // What students say to feedback is on the layer of work, and is not work.
  const { rows } = await db.execute<Row>(sql`
    SELECT copy_id AS copy, array_agg(DISTINCT body->>'page') AS pages,
      array_agg(DISTINCT (body->>'madeAt')::bigint / 1000)::float8[] AS seconds
    FROM event WHERE copy_id = ANY(${sql.param(ids)}::uuid[]) AND layer = 'work'
      AND NOT (coalesce(body->'items', '[]') @> '[{"kind": "reply"}]' OR coalesce(body->'set', '{}') ? 'reply')
    GROUP BY copy_id, author_id`)
  const recordings = await recordingsOn(db, ids)
  const { watchedWords = [] } = await habitsOf(db, teacherId)
  const pins = await pinsOnCopies(db, ids, watchedWords)
  return ids.map((copy) => {
    const authors = rows.filter((row) => row.copy === copy)
    return {
      copy,
      pages: new Set(authors.flatMap(({ pages }) => pages)).size,
      recordings: recordings.get(copy) ?? 0,
      pins: pins.get(copy)?.open ?? 0,
      watched: pins.get(copy)?.watched ?? 0,
      worked: timeWorked(authors.map(({ seconds }) => seconds.map((second) => second * 1000))),
    }
  })
}

/** How many recordings of students lie on copies now. */
async function recordingsOn(db: Queries, copies: readonly string[]): Promise<ReadonlyMap<string, number>> {
  const events = await eventsAbout(db, copies, 'work', 'voice')
  return new Map(
    [...events].map(([copy, some]) => [
      copy,
      pagesAfter(some).reduce(
        (sum, page) => sum + inSight(page).filter(({ item }) => item.kind === 'voice').length,
        0,
      ),
    ]),
  )
}

/** How many pins on copies are not done, and how much of what is pinned has watched words in it. */
async function pinsOnCopies(
  db: Queries,
  copies: readonly string[],
  watched: readonly string[],
): Promise<ReadonlyMap<string, { open: number; watched: number }>> {
  const events = await eventsAbout(db, copies, 'pins')
  return new Map(
    [...events].map(([copy, some]) => {
      const pins = pagesAfter(some).flatMap(pinsOn)
      const open = pins.filter(({ done }) => done.length === 0).length
      return [copy, { open, watched: countWatched(pins, watched) }]
    }),
  )
}
