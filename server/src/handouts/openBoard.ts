import type { NewBoard } from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import { ownClass } from '../classes/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { copies, handouts, worksheetVersions } from '../db/schema.ts'
import { newestVersion, ownWorksheet } from '../worksheets/index.ts'
import { insertCopies } from './handOut.ts'
import { ownHandout } from './queries.ts'

/**
 * Opens pages to write on at the front: a hand-out to read, whose one copy nobody has yet. Asked twice by one request it
 * is opened once. Throws `Refused` (404) for a worksheet, class or hand-out of others.
 */
export async function openBoard(
  db: Database,
  teacherId: string,
  { request, of }: NewBoard,
): Promise<{ handout: string; copy: string }> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`SELECT pg_advisory_xact_lock(hashtextextended(${request}, 0))`)
    const there = await openedBefore(tx, teacherId, request)
    if (there) return there
    const pages =
      'handout' in of ? await pagesOfHandout(tx, teacherId, of.handout) : await newestOf(tx, teacherId, of)
    const [made] = await tx
      .insert(handouts)
      .values({ request, teacherId, ...pages, way: 'read', wholeClass: false, directions: '', counts: false })
      .returning({ id: handouts.id })
    const handout = made!.id
    await insertCopies(tx, handout, {
      copies: [{ name: 'Everybody', students: [], set: null, dealt: null, pages: [] }],
    })
    return { handout, copy: (await copyOf(tx, handout))! }
  })
}

async function openedBefore(tx: Queries, teacherId: string, request: string) {
  const [there] = await tx
    .select({ id: handouts.id })
    .from(handouts)
    .where(and(eq(handouts.teacherId, teacherId), eq(handouts.request, request)))
  const copy = there && (await copyOf(tx, there.id))
  return copy && { handout: there.id, copy }
}

async function copyOf(tx: Queries, handoutId: string): Promise<string | undefined> {
  const [row] = await tx
    .select({ id: copies.id })
    .from(copies)
    .where(eq(copies.handoutId, handoutId))
    .limit(1)
  return row?.id
}

/** The pages that the class has in its hands. */
async function pagesOfHandout(tx: Queries, teacherId: string, id: string) {
  const { versionId, classId, title, unit } = await ownHandout(tx, teacherId, id)
  return { versionId, classId, title, unit }
}

/** The pages of a worksheet as it is now: they stay as they are from here on. */
async function newestOf(tx: Queries, teacherId: string, of: { worksheet: string; class: string }) {
  const { id, title, unit } = await ownWorksheet(tx, teacherId, of.worksheet)
  const { id: classId } = await ownClass(tx, teacherId, of.class)
  await tx.execute(sql`SELECT 1 FROM worksheet WHERE id = ${id} FOR UPDATE`)
  const version = await newestVersion(tx, id)
  await tx
    .update(worksheetVersions)
    .set({ frozenAt: version.frozenAt ?? sql`now()` })
    .where(eq(worksheetVersions.id, version.id))
  return { versionId: version.id, classId, title, unit }
}

/**
 * The hand-outs to read that this class has of the same worksheet as a hand-out, and the other way round: what is written
 * at the front of one lies on the copies of the other, on the pages that both have, whatever was changed in one since.
 */
export async function samePagesAs(db: Queries, handoutId: string): Promise<string[]> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT other.id FROM handout h JOIN worksheet_version v ON v.id = h.version_id
      JOIN worksheet_version same ON same.worksheet_id = v.worksheet_id
      JOIN handout other ON other.version_id = same.id AND other.class_id = h.class_id AND other.id <> h.id
        AND (other.way = 'read') <> (h.way = 'read')
    WHERE h.id = ${handoutId}`)
  return rows.map(({ id }) => id)
}

/** The copy to read of the same worksheet that a student has beside their own: what their teacher writes at the front. */
export async function boardBeside(db: Queries, studentId: string, handoutId: string): Promise<string | null> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT c.id FROM handout own JOIN worksheet_version v ON v.id = own.version_id
      JOIN worksheet_version same ON same.worksheet_id = v.worksheet_id
      JOIN handout h ON h.version_id = same.id AND h.class_id = own.class_id AND h.way = 'read'
      JOIN copy c ON c.handout_id = h.id
      JOIN copy_member m ON m.copy_id = c.id AND m.student_id = ${studentId} AND m.left_at IS NULL
    WHERE own.id = ${handoutId} AND own.way <> 'read' AND h.withdrawn_at IS NULL AND c.withdrawn_at IS NULL
    ORDER BY h.handed_out_at DESC LIMIT 1`)
  return rows[0]?.id ?? null
}

/** The page at the front on which a student is asked to write, of those that they have to read. */
export async function boardToWriteOn(db: Queries, studentId: string): Promise<string | null> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT c.id FROM copy_member m
      JOIN copy c ON c.id = m.copy_id AND c.withdrawn_at IS NULL
      JOIN handout h ON h.id = c.handout_id AND h.way = 'read' AND h.withdrawn_at IS NULL
      JOIN lesson l ON l.handout_id = h.id AND l.said->>'writer' = ${studentId}::text
    WHERE m.student_id = ${studentId} AND m.left_at IS NULL ORDER BY h.handed_out_at DESC LIMIT 1`)
  return rows[0]?.id ?? null
}

/** The other hand-outs that the class of a hand-out has. */
export async function inSameClass(db: Queries, handoutId: string): Promise<string[]> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT other.id FROM handout h JOIN handout other
      ON other.class_id = h.class_id AND other.id <> h.id AND other.withdrawn_at IS NULL
    WHERE h.id = ${handoutId}`)
  return rows.map(({ id }) => id)
}
