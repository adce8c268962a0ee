import { type ElsewhereKept, MOST_ELSEWHERE, Refused } from '@hand-back/core'
import { and, count, eq, sql } from 'drizzle-orm'
import { rosterOf } from '../classes/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { elsewhere, elsewhereMarks } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/**
 * Keeps marks from elsewhere of a class; the same id again changes them. Marks of students who are not named stay as they
 * are. Throws `Refused`: (404) an id of another class, (422) somebody who is not in the class, less than somebody has
 * already, or more of them than one class has.
 */
export async function keepElsewhere(
  db: Database,
  classId: string,
  id: string,
  { marks, at, ...head }: ElsewhereKept,
): Promise<void> {
  await db.transaction(async (tx) => {
    const [there] = await tx.select().from(elsewhere).where(eq(elsewhere.id, id)).for('update')
    if (there && there.classId !== classId) throw notHere()
    if (!there) await refuseTooMany(tx, classId)
    const roster = new Set((await rosterOf(tx, classId)).map((student) => student.id))
    if (marks.some(({ student }) => !roster.has(student)))
      throw new Refused('Somebody is not in this class any more. Look at the list again.', 422)
    const values = { ...head, at: new Date(at) }
    await tx
      .insert(elsewhere)
      .values({ id, classId, ...values })
      .onConflictDoUpdate({ target: elsewhere.id, set: values })
    for (const { student, given } of marks) await setMark(tx, id, student, given)
    const { rows } = await tx.execute(
      sql`SELECT 1 FROM elsewhere_mark WHERE elsewhere_id = ${id} AND given > ${head.full} LIMIT 1`,
    )
    if (rows.length > 0) throw new Refused('Somebody has more marks than that already.', 422)
  })
}

async function refuseTooMany(tx: Queries, classId: string): Promise<void> {
  const [found] = await tx.select({ n: count() }).from(elsewhere).where(eq(elsewhere.classId, classId))
  if ((found?.n ?? 0) >= MOST_ELSEWHERE)
    throw new Refused(`A class has marks from elsewhere ${MOST_ELSEWHERE} times at most.`, 422)
}

async function setMark(
  tx: Queries,
  elsewhereId: string,
  studentId: string,
  given: number | null,
): Promise<void> {
  const { elsewhereId: of, studentId: whose } = elsewhereMarks
  if (given === null) await tx.delete(elsewhereMarks).where(and(eq(of, elsewhereId), eq(whose, studentId)))
  else
    await tx
      .insert(elsewhereMarks)
      .values({ elsewhereId, studentId, given })
      .onConflictDoUpdate({ target: [of, whose], set: { given } })
}

/** Removes marks from elsewhere. What is not there is removed already. */
export async function dropElsewhere(db: Queries, classId: string, id: string): Promise<void> {
  await db.delete(elsewhere).where(and(eq(elsewhere.id, id), eq(elsewhere.classId, classId)))
}
