import { type HandUp, type Person, Refused, worksOn } from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { copyFor } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { handsUp } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/** Whose hands are up in the copies of a hand-out that lie with students, the first first. */
export async function handsOf(db: Queries, handoutId: string): Promise<HandUp[]> {
  const { rows } = await db.execute<{ copy: string; student: string; at: number }>(sql`
    SELECT h.copy_id AS copy, h.student_id AS student, (extract(epoch FROM h.at) * 1000)::float8 AS at
    FROM hand_up h JOIN copy c ON c.id = h.copy_id
      JOIN copy_member m ON m.copy_id = c.id AND m.student_id = h.student_id AND m.left_at IS NULL
    WHERE c.handout_id = ${handoutId} AND c.state IN ('waiting', 'working', 'another go')
    ORDER BY h.at, h.student_id`)
  return rows
}

/** Since when this student's hand is up in a copy, in milliseconds since 1970; null: it is down. Throws `Refused` (404). */
export async function ownHandUpAt(db: Queries, person: Person, copyId: string): Promise<number | null> {
  const { copy } = await copyFor(db, person, copyId)
  if (!worksOn(copy.state)) return null
  const [row] = await db
    .select({ at: handsUp.at })
    .from(handsUp)
    .where(and(eq(handsUp.copyId, copyId), eq(handsUp.studentId, person.id)))
  return row?.at.getTime() ?? null
}

/** Puts a student's hand up, where it is not up already. Throws `Refused` for a copy that does not lie with them. */
export async function putHandUp({ db, news, now }: Context, person: Person, copyId: string): Promise<void> {
  const { copy, role } = await copyFor(db, person, copyId)
  if (role !== 'student') throw notHere()
  if (copy.way === 'read' || !worksOn(copy.state)) throw new Refused('This lies with your teacher now.')
  await db
    .insert(handsUp)
    .values({ copyId, studentId: person.id, at: new Date(now()) })
    .onConflictDoNothing()
  news.handsChanged(copy, [person.id])
}

/** Takes hands down: a student's own; as a teacher that of one student, or all of the copy. Throws `Refused` (404). */
export async function takeHandDown(
  { db, news }: Context,
  person: Person,
  copyId: string,
  student?: string,
): Promise<void> {
  const { copy, role } = await copyFor(db, person, copyId)
  const whose = role === 'student' ? person.id : student
  const ofCopy = eq(handsUp.copyId, copyId)
  const gone = await db
    .delete(handsUp)
    .where(whose === undefined ? ofCopy : and(ofCopy, eq(handsUp.studentId, whose)))
    .returning({ student: handsUp.studentId })
  if (gone.length > 0)
    news.handsChanged(
      copy,
      gone.map((row) => row.student),
    )
}
