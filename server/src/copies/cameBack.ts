import {
  type CameBack,
  handedBackRound,
  inSight,
  type KeptEvent,
  marksIn,
  sumGiven,
  type Telling,
  toldTo,
} from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { pagesAfter } from './pagesAfter.ts'
import { fromStoredByCopy } from './storedEvent.ts'

interface Returned extends Telling {
  readonly copy: string
}

/** What came back on each of these copies, as its student may know it; nothing of one on which nothing did. */
export async function cameBackOn(
  db: Queries,
  copies: readonly Returned[],
): Promise<ReadonlyMap<string, CameBack>> {
  const returned = copies.filter((copy) => handedBackRound(copy) > 0)
  const found = new Map<string, CameBack>()
  if (returned.length === 0) return found
  const events = await feedbackWithoutInk(
    db,
    returned.map(({ copy }) => copy),
  )
  for (const standing of returned) {
    const told = (events.get(standing.copy) ?? []).flatMap(
      (event) => toldTo('student', standing, event) ?? [],
    )
    const pages = pagesAfter(told).filter((page) => inSight(page).length > 0)
    if (pages.length > 0) found.set(standing.copy, { pages: pages.length, ...sumGiven(marksIn(pages)) })
  }
  return found
}

/** The feedback on copies, in order, by copy; strokes without their points, which take most of the room. */
async function feedbackWithoutInk(
  db: Queries,
  copies: readonly string[],
): Promise<ReadonlyMap<string, KeptEvent[]>> {
  const { rows } = await db.execute(sql`
    SELECT copy_id AS copy, id, layer, seq, author_id AS author, round, extract(epoch FROM kept_at) * 1000 AS "keptAt",
      body, ''::bytea AS ink, log_version AS version
    FROM event WHERE copy_id = ANY(${sql.param([...copies])}::uuid[]) AND layer = 'feedback'
    ORDER BY copy_id, seq`)
  return fromStoredByCopy(rows)
}
