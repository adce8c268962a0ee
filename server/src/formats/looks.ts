import { type HandoutLooks, pagesFor } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { copies } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { pagesOf } from '../worksheets/index.ts'

/**
 * How each page of each copy of a hand-out looks now: a page looks otherwise when something was written on it, when a
 * picture that was on its way has arrived, and when the worksheet's pages were changed. Throws `Refused` (404) for a
 * hand-out that is not this teacher's.
 */
export async function looksOf(db: Queries, teacherId: string, handoutId: string): Promise<HandoutLooks> {
  const { versionId } = await ownHandout(db, teacherId, handoutId)
  const pages = await pagesOf(db, versionId)
  const all = await db.select().from(copies).where(eq(copies.handoutId, handoutId))
  const ids = sql.param(all.map(({ id }) => id))
  const { rows: written } = await db.execute<{ copy: string; page: string; events: number }>(sql`
    SELECT copy_id AS copy, body->>'page' AS page, count(*)::int AS events FROM event
    WHERE copy_id = ANY(${ids}::uuid[]) GROUP BY 1, 2`)
  const { rows: arrived } = await db.execute<{ copy: string; attachments: number }>(sql`
    SELECT copy_id AS copy, count(*)::int AS attachments FROM attachment WHERE copy_id = ANY(${ids}::uuid[]) GROUP BY 1`)
  const events = new Map(written.map(({ copy, page, events }) => [`${copy} ${page}`, events]))
  const attachments = new Map(arrived.map(({ copy, attachments }) => [copy, attachments]))
  return {
    pages: pages.map(({ id, width, height }) => ({ id, width, height })),
    looks: all.flatMap(({ id: copy, setId, dealt }) =>
      pagesFor(pages, setId, dealt).map((page) => ({
        copy,
        page,
        look: [versionId, setId, events.get(`${copy} ${page}`) ?? 0, attachments.get(copy) ?? 0].join('.'),
      })),
    ),
  }
}
