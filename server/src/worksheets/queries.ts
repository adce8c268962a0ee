import type { WorksheetCard, WorksheetPage, WorksheetWhole } from '@hand-back/core'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { worksheetPages, worksheets, worksheetVersions } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/** A page as JSON, for questions that fetch it along with other things; `p` is its row. */
export const PAGE_AS_JSON = sql.raw(`json_strip_nulls(json_build_object('id', p.id, 'width', p.width,
  'height', p.height, 'paperBox', p.paper_box, 'sets', p.sets))::jsonb
  || jsonb_build_object('paper', p.paper, 'printed', p.printed)`)

/** The teacher's worksheets, newest change first: those on the shelf, or those put away. */
export async function worksheetsOf(
  db: Queries,
  teacherId: string,
  archived: boolean,
): Promise<WorksheetCard[]> {
  const { rows } = await db.execute(sql`
    SELECT w.id, w.title, w.unit, w.archived_at IS NOT NULL AS archived,
      extract(epoch FROM w.changed_at) * 1000 AS "changedAt",
      (SELECT count(*)::int FROM worksheet_page p WHERE p.version_id = v.id) AS "pageCount",
      (SELECT ${PAGE_AS_JSON} FROM worksheet_page p WHERE p.version_id = v.id ORDER BY p.position LIMIT 1) AS "firstPage",
      (SELECT md5((${PAGE_AS_JSON})::text) FROM worksheet_page p WHERE p.version_id = v.id ORDER BY p.position LIMIT 1) AS "look",
      (SELECT count(*)::int FROM handout h JOIN worksheet_version hv ON hv.id = h.version_id
         WHERE hv.worksheet_id = w.id) AS "timesHandedOut"
    FROM worksheet w
    JOIN LATERAL (SELECT id FROM worksheet_version WHERE worksheet_id = w.id ORDER BY number DESC NULLS LAST LIMIT 1) v ON true
    WHERE w.teacher_id = ${teacherId} AND (w.archived_at IS NOT NULL) = ${archived}
    ORDER BY w.changed_at DESC`)
  return rows.map((row) => ({ ...row, changedAt: Number(row.changedAt) })) as unknown as WorksheetCard[]
}

/** The teacher's worksheet on the shelf. Throws `Refused` (404) for one that is not theirs. */
export async function ownWorksheet(db: Queries, teacherId: string, id: string) {
  const [found] = await db
    .select()
    .from(worksheets)
    .where(and(eq(worksheets.id, id), eq(worksheets.teacherId, teacherId), isNull(worksheets.archivedAt)))
  if (!found) throw notHere()
  return found
}

/** The newest version of a worksheet. */
export async function newestVersion(db: Queries, worksheetId: string) {
  const [version] = await db
    .select()
    .from(worksheetVersions)
    .where(eq(worksheetVersions.worksheetId, worksheetId))
    .orderBy(sql`number DESC NULLS LAST`)
    .limit(1)
  return version!
}

/** The first page of a worksheet as it is now, and what tells this state of it from others. */
export async function firstPageOf(
  db: Queries,
  worksheetId: string,
): Promise<{ page: WorksheetPage; look: string } | undefined> {
  const { rows } = await db.execute(sql`
    SELECT ${PAGE_AS_JSON} AS page, md5((${PAGE_AS_JSON})::text) AS look FROM worksheet_page p
    WHERE p.version_id = (SELECT id FROM worksheet_version WHERE worksheet_id = ${worksheetId}
      ORDER BY number DESC NULLS LAST LIMIT 1)
    ORDER BY p.position LIMIT 1`)
  return rows[0] as { page: WorksheetPage; look: string } | undefined
}

/** The pages of a version, in order. */
export async function pagesOf(db: Queries, versionId: string): Promise<WorksheetPage[]> {
  const rows = await db
    .select()
    .from(worksheetPages)
    .where(eq(worksheetPages.versionId, versionId))
    .orderBy(asc(worksheetPages.position))
  return rows.map(({ id, width, height, paper, paperBox, printed, sets }) => ({
    id,
    width,
    height,
    paper,
    printed,
    ...(paperBox ? { paperBox } : {}),
    ...(sets ? { sets } : {}),
  }))
}

export async function wholeWorksheet(db: Queries, teacherId: string, id: string): Promise<WorksheetWhole> {
  const { title, unit, revision } = await ownWorksheet(db, teacherId, id)
  const { id: versionId, frozenAt, questions, keys, sets } = await newestVersion(db, id)
  const pages = await pagesOf(db, versionId)
  return { id, title, unit, revision, frozen: frozenAt !== null, sheet: { pages, questions, keys, sets } }
}

/** Gives a worksheet another title, or puts it in another unit. */
export async function rename(
  db: Queries,
  teacherId: string,
  id: string,
  to: { title?: string | undefined; unit?: string | undefined },
): Promise<void> {
  await ownWorksheet(db, teacherId, id)
  await db
    .update(worksheets)
    .set({ ...to, changedAt: sql`now()` })
    .where(eq(worksheets.id, id))
}

/** Takes a worksheet off the shelf, or puts it back. What was handed out stays. */
export async function archive(
  db: Queries,
  teacherId: string,
  id: string,
  archivedAt: Date | null,
): Promise<void> {
  const changed = await db
    .update(worksheets)
    .set({ archivedAt })
    .where(and(eq(worksheets.id, id), eq(worksheets.teacherId, teacherId)))
    .returning({ id: worksheets.id })
  if (changed.length === 0) throw notHere()
}
