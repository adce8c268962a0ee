import {
  MOST_PAGES,
  Refused,
  type WorksheetCard,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { and, asc, eq, isNull, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { worksheetPages, worksheets, worksheetVersions } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/** The teacher's worksheets that are not archived, newest change first. */
export async function worksheetsOf(db: Queries, teacherId: string): Promise<WorksheetCard[]> {
  const { rows } = await db.execute(sql`
    SELECT w.id, w.title, extract(epoch FROM w.changed_at) * 1000 AS "changedAt",
      (SELECT count(*)::int FROM worksheet_page p WHERE p.version_id = v.id) AS "pageCount",
      (SELECT json_build_object('id', p.id, 'width', p.width, 'height', p.height, 'paper', p.paper)
         FROM worksheet_page p WHERE p.version_id = v.id ORDER BY p.position LIMIT 1) AS "firstPage",
      (SELECT count(*)::int FROM handout h JOIN worksheet_version hv ON hv.id = h.version_id
         WHERE hv.worksheet_id = w.id) AS "timesHandedOut"
    FROM worksheet w
    JOIN LATERAL (SELECT id FROM worksheet_version WHERE worksheet_id = w.id ORDER BY number DESC LIMIT 1) v ON true
    WHERE w.teacher_id = ${teacherId} AND w.archived_at IS NULL
    ORDER BY w.changed_at DESC`)
  return rows.map((row) => ({ ...row, changedAt: Number(row.changedAt) })) as unknown as WorksheetCard[]
}

/** The teacher's worksheet. Throws `Refused` (404) for one that is not theirs. */
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
    .orderBy(sql`number DESC`)
    .limit(1)
  return version!
}

/** The pages of a version, in order. */
export function pagesOf(db: Queries, versionId: string): Promise<WorksheetPage[]> {
  return db
    .select({
      id: worksheetPages.id,
      width: worksheetPages.width,
      height: worksheetPages.height,
      paper: worksheetPages.paper,
    })
    .from(worksheetPages)
    .where(eq(worksheetPages.versionId, versionId))
    .orderBy(asc(worksheetPages.position))
}

export async function wholeWorksheet(db: Queries, teacherId: string, id: string): Promise<WorksheetWhole> {
  const worksheet = await ownWorksheet(db, teacherId, id)
  const version = await newestVersion(db, id)
  return {
    id,
    title: worksheet.title,
    pages: await pagesOf(db, version.id),
    frozen: version.frozenAt !== null,
  }
}

export async function makeWorksheet(
  db: Database,
  teacherId: string,
  title: string,
  pages: readonly WorksheetPage[],
): Promise<WorksheetWhole> {
  refuseTooMany(pages)
  return db.transaction(async (tx) => {
    const [worksheet] = await tx.insert(worksheets).values({ teacherId, title }).returning()
    const [version] = await tx
      .insert(worksheetVersions)
      .values({ worksheetId: worksheet!.id, number: 1 })
      .returning()
    await insertPages(tx, version!.id, pages)
    return { id: worksheet!.id, title, pages: [...pages], frozen: false }
  })
}

/** Makes the worksheet have these pages. One that was handed out gets a new version; its copies stay as they are. */
export async function setPages(
  db: Database,
  teacherId: string,
  id: string,
  change: (pages: WorksheetPage[]) => readonly WorksheetPage[],
): Promise<WorksheetWhole> {
  return db.transaction(async (tx) => {
    const { title } = await ownWorksheet(tx, teacherId, id)
    await tx.execute(sql`SELECT 1 FROM worksheet WHERE id = ${id} FOR UPDATE`)
    const newest = await newestVersion(tx, id)
    const pages = change(await pagesOf(tx, newest.id))
    if (pages.length === 0) throw new Refused('A worksheet keeps at least one page.', 422)
    refuseTooMany(pages)
    const versionId = newest.frozenAt ? await nextVersion(tx, id, newest.number) : newest.id
    await tx.delete(worksheetPages).where(eq(worksheetPages.versionId, versionId))
    await insertPages(tx, versionId, pages)
    await tx.update(worksheets).set({ changedAt: sql`now()` }).where(eq(worksheets.id, id))
    return { id, title, pages: [...pages], frozen: false }
  })
}

async function nextVersion(tx: Queries, worksheetId: string, number: number): Promise<string> {
  const [version] = await tx
    .insert(worksheetVersions)
    .values({ worksheetId, number: number + 1 })
    .returning()
  return version!.id
}

async function insertPages(tx: Queries, versionId: string, pages: readonly WorksheetPage[]): Promise<void> {
  await tx
    .insert(worksheetPages)
    .values(pages.map((page, position) => ({ ...page, versionId, position, file: page.paper.file })))
}

function refuseTooMany(pages: readonly WorksheetPage[]): void {
  if (pages.length > MOST_PAGES) throw new Refused(`A worksheet has at most ${MOST_PAGES} pages.`, 422)
}

export async function renameTo(db: Queries, teacherId: string, id: string, title: string): Promise<void> {
  await ownWorksheet(db, teacherId, id)
  await db.update(worksheets).set({ title, changedAt: sql`now()` }).where(eq(worksheets.id, id))
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
