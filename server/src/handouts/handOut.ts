import {
  type HandoutPlan,
  type HandoutWish,
  type NewHandout,
  planHandout,
  type SpokenDirection,
} from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import { ownClass, rosterOf } from '../classes/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { handouts, spokenDirections, worksheetVersions } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { newestVersion, ownWorksheet, pagesOf } from '../worksheets/index.ts'

/**
 * Hands out to every class that is asked for: freezes the worksheet version and writes a small row for
 * each copy and each place in one, all or nothing. The same `request` again gives the same hand-outs and
 * writes nothing. Throws `Refused`.
 */
export async function handOut(
  db: Database,
  teacherId: string,
  asked: NewHandout,
): Promise<{ handouts: string[]; students: string[] }> {
  return db.transaction(async (tx) => {
    // Two presses of one button wait for each other here.
    await tx.execute(sql`SELECT pg_advisory_xact_lock(hashtextextended(${asked.request}, 0))`)
    const there = await handoutsByRequest(tx, teacherId, asked.request)
    if (there.length > 0) return { handouts: there, students: [] }
    const worksheet = await ownWorksheet(tx, teacherId, asked.worksheet)
    await ownSpoken(tx, teacherId, asked.spoken)
    // Held until the end, so that no page changes between the look at it and the freezing.
    await tx.execute(sql`SELECT 1 FROM worksheet WHERE id = ${worksheet.id} FOR UPDATE`)
    const version = await newestVersion(tx, worksheet.id)
    const pages = await pagesOf(tx, version.id)
    await tx
      .update(worksheetVersions)
      .set({ frozenAt: version.frozenAt ?? sql`now()` })
      .where(eq(worksheetVersions.id, version.id))
    const made: string[] = []
    const students: string[] = []
    for (const { class: id, ...wish } of asked.classes) {
      const { id: classId } = await ownClass(tx, teacherId, id)
      const plan = planHandout({ roster: await rosterOf(tx, classId), pages }, wish)
      const handout = await insertHandout(tx, teacherId, asked, wish, {
        classId,
        versionId: version.id,
        worksheet,
      })
      await insertCopies(tx, handout, plan)
      made.push(handout)
      students.push(...plan.copies.flatMap((copy) => copy.students.map((student) => student.id)))
    }
    return { handouts: made, students }
  })
}

async function insertHandout(
  tx: Queries,
  teacherId: string,
  {
    request,
    opensAt,
    dueAt,
    directions,
    spoken,
    counts,
    unit,
    rubric,
    longestVoice,
    longestFilm,
  }: NewHandout,
  wish: HandoutWish,
  of: { classId: string; versionId: string; worksheet: { title: string; unit: string } },
): Promise<string> {
  const [handout] = await tx
    .insert(handouts)
    .values({
      request,
      versionId: of.versionId,
      classId: of.classId,
      teacherId,
      title: of.worksheet.title,
      unit: unit ?? of.worksheet.unit,
      way: wish.way,
      wholeClass: wish.students === undefined && wish.way !== 'group',
      deal: wish.deal ?? null,
      only: wish.only ?? null,
      directions,
      spoken: spoken?.id ?? null,
      spokenSeconds: spoken?.seconds ?? null,
      counts: counts && wish.way !== 'read',
      rubric: rubric ?? null,
      longestVoice,
      longestFilm,
      opensAt: asDate(opensAt),
      dueAt: asDate(dueAt),
    })
    .returning({ id: handouts.id })
  return handout!.id
}

/** Writes the copies of a plan and everybody's place in them, in two statements however many they are. */
export async function insertCopies(tx: Queries, handoutId: string, { copies }: Pick<HandoutPlan, 'copies'>) {
  const rows = copies.map(({ name, students, set, dealt }) => ({
    id: crypto.randomUUID(),
    name,
    set,
    dealt,
    students: students.map(({ id }) => id),
  }))
  await tx.execute(sql`
    INSERT INTO copy (id, handout_id, name, set_id, dealt)
    SELECT r.id, ${handoutId}, r.name, r."set", r.dealt
    FROM jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) AS r(id uuid, name text, "set" uuid, dealt jsonb)`)
  await tx.execute(sql`
    INSERT INTO copy_member (copy_id, handout_id, student_id)
    SELECT r.id, ${handoutId}, s.student::uuid
    FROM jsonb_to_recordset(${JSON.stringify(rows)}::jsonb) AS r(id uuid, students jsonb),
      jsonb_array_elements_text(r.students) AS s(student)`)
}

async function handoutsByRequest(db: Queries, teacherId: string, request: string): Promise<string[]> {
  const found = await db
    .select({ id: handouts.id })
    .from(handouts)
    .where(and(eq(handouts.teacherId, teacherId), eq(handouts.request, request)))
    .orderBy(handouts.handedOutAt, handouts.id)
  return found.map(({ id }) => id)
}

async function ownSpoken(tx: Queries, teacherId: string, spoken: SpokenDirection | null): Promise<void> {
  if (!spoken) return
  const [found] = await tx
    .select()
    .from(spokenDirections)
    .where(and(eq(spokenDirections.id, spoken.id), eq(spokenDirections.teacherId, teacherId)))
  if (!found) throw notHere()
}

const asDate = (moment: number | null) => (moment === null ? null : new Date(moment))
