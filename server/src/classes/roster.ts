import { Refused, type RosterTaken, type StudentWithPin, writeCsv } from '@hand-back/core'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { enrolments, people } from '../db/schema.ts'
import { enrol, ownClass, rosterOf, type WhenJoined, withPins } from './queries.ts'

/** Takes over what was chosen of a list, all or nothing. Returns the new students with their PINs. Throws `Refused`. */
export async function takeRoster(
  db: Database,
  teacherId: string,
  classId: string,
  { add, rename, mail, leave }: RosterTaken,
  whenJoined: WhenJoined,
): Promise<StudentWithPin[]> {
  await ownClass(db, teacherId, classId)
  const coming = await withPins(add)
  return db.transaction(async (tx) => {
    const here = new Set((await rosterOf(tx, classId)).map(({ id }) => id))
    if ([...[...rename, ...mail].map(({ id }) => id), ...leave].some((id) => !here.has(id)))
      throw new Refused('The class has changed meanwhile. Look at the list again.')
    for (const { id, to } of rename) await tx.update(people).set({ name: to }).where(eq(people.id, id))
    for (const { id, to } of mail) await tx.update(people).set({ mail: to }).where(eq(people.id, id))
    await leaveClass(tx, classId, leave)
    return enrol(tx, classId, coming, whenJoined)
  })
}

async function leaveClass(tx: Queries, classId: string, students: readonly string[]): Promise<void> {
  if (students.length === 0) return
  await tx
    .update(enrolments)
    .set({ leftAt: new Date() })
    .where(
      and(
        eq(enrolments.classId, classId),
        inArray(enrolments.studentId, [...students]),
        isNull(enrolments.leftAt),
      ),
    )
}

/** The students of a class as CSV. */
export async function rosterAsCsv(
  db: Queries,
  teacherId: string,
  classId: string,
): Promise<{ name: string; csv: string }> {
  const { name } = await ownClass(db, teacherId, classId)
  const roster = await rosterOf(db, classId)
  const rows = roster.map((student) => [student.name, student.rosterId ?? '', student.mail ?? ''])
  return { name, csv: writeCsv(['name', 'id', 'mail'], rows) }
}
