import {
  type CopyRow,
  type HandoutCard,
  type HandoutWhole,
  type NewHandout,
  planHandout,
  type TrayEntry,
} from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import { ownClass, rosterOf } from '../classes/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { classes, copies, handouts, people, worksheetPages, worksheetVersions } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { newestVersion, ownWorksheet, PAGE_AS_JSON } from '../worksheets/index.ts'

const millis = (moment: Date | null) => moment?.getTime() ?? null

/**
 * Hands out: freezes the worksheet version and writes one small row a copy, all or nothing. The same
 * `request` again gives the same hand-out and writes nothing. Throws `Refused`.
 */
export async function handOut(
  db: Database,
  teacherId: string,
  asked: NewHandout,
): Promise<{ id: string; students: string[] }> {
  return db.transaction(async (tx) => {
    const worksheet = await ownWorksheet(tx, teacherId, asked.worksheet)
    const { id: classId } = await ownClass(tx, teacherId, asked.class)
    const plan = planHandout(await rosterOf(tx, classId), asked.students)
    // Held until the end, so that no page changes between the look at it and the freezing.
    await tx.execute(sql`SELECT 1 FROM worksheet WHERE id = ${worksheet.id} FOR UPDATE`)
    const version = await newestVersion(tx, worksheet.id)
    const [handout] = await tx
      .insert(handouts)
      .values({
        request: asked.request,
        versionId: version.id,
        classId,
        teacherId,
        title: worksheet.title,
        instructions: asked.instructions,
        dueAt: asked.dueAt === null ? null : new Date(asked.dueAt),
      })
      .onConflictDoNothing()
      .returning({ id: handouts.id })
    if (!handout) return { id: await handoutByRequest(tx, teacherId, asked.request), students: [] }
    if (!version.frozenAt) {
      await tx
        .update(worksheetVersions)
        .set({ frozenAt: sql`now()` })
        .where(eq(worksheetVersions.id, version.id))
    }
    const students = plan.copies.map(({ id }) => id)
    await tx.execute(sql`
      INSERT INTO copy (handout_id, student_id)
      SELECT ${handout.id}, student FROM unnest(${sql.param(students)}::uuid[]) AS student`)
    return { id: handout.id, students }
  })
}

async function handoutByRequest(db: Queries, teacherId: string, request: string): Promise<string> {
  const [found] = await db
    .select({ id: handouts.id })
    .from(handouts)
    .where(and(eq(handouts.teacherId, teacherId), eq(handouts.request, request)))
  return found!.id
}

/** The teacher's hand-outs with the state of every copy, newest first. */
export async function handoutsOf(db: Queries, teacherId: string): Promise<HandoutCard[]> {
  const rows = await db
    .select({
      id: handouts.id,
      title: handouts.title,
      className: classes.name,
      dueAt: handouts.dueAt,
      handedOutAt: handouts.handedOutAt,
      states: sql<
        HandoutCard['states']
      >`(SELECT json_agg(c.state) FROM copy c WHERE c.handout_id = ${handouts.id})`,
    })
    .from(handouts)
    .innerJoin(classes, eq(classes.id, handouts.classId))
    .where(eq(handouts.teacherId, teacherId))
    .orderBy(sql`handed_out_at DESC`)
  return rows.map((row) => ({ ...row, dueAt: millis(row.dueAt), handedOutAt: row.handedOutAt.getTime() }))
}

/** The teacher's hand-out. Throws `Refused` (404) for one that is not theirs. */
export async function ownHandout(db: Queries, teacherId: string, id: string) {
  const [found] = await db
    .select()
    .from(handouts)
    .where(and(eq(handouts.id, id), eq(handouts.teacherId, teacherId)))
  if (!found) throw notHere()
  return found
}

export async function wholeHandout(db: Queries, teacherId: string, id: string): Promise<HandoutWhole> {
  const handout = await ownHandout(db, teacherId, id)
  const [about] = await db
    .select({ className: classes.name, worksheetId: worksheetVersions.worksheetId })
    .from(handouts)
    .innerJoin(classes, eq(classes.id, handouts.classId))
    .innerJoin(worksheetVersions, eq(worksheetVersions.id, handouts.versionId))
    .where(eq(handouts.id, id))
  const [{ pageCount }] = (await db
    .select({ pageCount: sql<number>`count(*)::int` })
    .from(worksheetPages)
    .where(eq(worksheetPages.versionId, handout.versionId))) as [{ pageCount: number }]
  return {
    id,
    title: handout.title,
    instructions: handout.instructions,
    dueAt: millis(handout.dueAt),
    handedOutAt: handout.handedOutAt.getTime(),
    className: about!.className,
    worksheetId: about!.worksheetId,
    pageCount,
    copies: await copyRows(db, id),
  }
}

/** The copies of a hand-out by student's name; with `copy`, only that one. */
export async function copyRows(db: Queries, handoutId: string, copy?: string): Promise<CopyRow[]> {
  const rows = await db
    .select({
      id: copies.id,
      student: { id: people.id, name: people.name },
      state: copies.state,
      round: copies.round,
      markingBegan: copies.markingBegan,
      handedInAt: copies.handedInAt,
    })
    .from(copies)
    .innerJoin(people, eq(people.id, copies.studentId))
    .where(and(eq(copies.handoutId, handoutId), copy ? eq(copies.id, copy) : undefined))
    .orderBy(people.name)
  return rows.map((row) => ({ ...row, handedInAt: millis(row.handedInAt) }))
}

/** What lies in a student's tray: every copy they received, newest hand-out first. */
export async function trayOf(db: Queries, studentId: string): Promise<TrayEntry[]> {
  const { rows } = await db.execute(sql`
    SELECT c.id AS copy, h.title, k.name AS "className", h.instructions,
      extract(epoch FROM h.due_at) * 1000 AS "dueAt", c.state, c.round,
      (SELECT count(*)::int FROM worksheet_page p WHERE p.version_id = h.version_id) AS "pageCount",
      (SELECT ${PAGE_AS_JSON} FROM worksheet_page p WHERE p.version_id = h.version_id ORDER BY p.position LIMIT 1) AS "firstPage"
    FROM copy c JOIN handout h ON h.id = c.handout_id JOIN class k ON k.id = h.class_id
    WHERE c.student_id = ${studentId} ORDER BY h.handed_out_at DESC`)
  return rows.map((row) => ({
    ...row,
    dueAt: row.dueAt === null ? null : Number(row.dueAt),
  })) as unknown as TrayEntry[]
}
