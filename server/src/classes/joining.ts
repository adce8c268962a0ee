import { type JoinRequest, type JoinStanding, Refused } from '@hand-back/core'
import { and, asc, count, eq, isNull } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { classes, enrolments, joinRequests, people } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { hashSecret } from '../people/index.ts'
import { ownClass, type WhenJoined } from './queries.ts'

/** The most who wait to be let into one class. */
const MOST_WAITING = 40

/** Asks to be let into the class with this code. Throws `Refused`. */
export async function askToJoin(
  db: Queries,
  asked: { code: string; name: string; pin: string },
): Promise<JoinStanding & { classId: string }> {
  const [found] = await db.select().from(classes).where(eq(classes.code, asked.code))
  if (!found) throw new Refused('No class has that code. Look at it again, or ask your teacher.', 404)
  const [{ waiting }] = (await db
    .select({ waiting: count() })
    .from(joinRequests)
    .where(and(eq(joinRequests.classId, found.id), isNull(joinRequests.answeredAt)))) as [{ waiting: number }]
  if (waiting >= MOST_WAITING)
    throw new Refused('Too many are waiting to be let into this class. Ask your teacher.', 429)
  const [made] = await db
    .insert(joinRequests)
    .values({ classId: found.id, name: asked.name, secretHash: await hashSecret(asked.pin) })
    .returning({ id: joinRequests.id })
  return { id: made!.id, state: 'waiting', student: null, classId: found.id }
}

/** How a request stands, for whoever made it. Throws `Refused` (404). */
export async function joinStandingOf(db: Queries, id: string): Promise<JoinStanding> {
  const [found] = await db.select().from(joinRequests).where(eq(joinRequests.id, id))
  if (!found) throw notHere()
  const state = found.answeredAt === null ? 'waiting' : found.studentId ? 'let in' : 'not let in'
  return { id, state, student: found.studentId }
}

/** Those who wait to be let into a teacher's class, first come first. */
export async function waitingToJoin(db: Queries, teacherId: string, classId: string): Promise<JoinRequest[]> {
  await ownClass(db, teacherId, classId)
  const rows = await db
    .select({ id: joinRequests.id, name: joinRequests.name, askedAt: joinRequests.askedAt })
    .from(joinRequests)
    .where(and(eq(joinRequests.classId, classId), isNull(joinRequests.answeredAt)))
    .orderBy(asc(joinRequests.askedAt))
  return rows.map((row) => ({ ...row, askedAt: row.askedAt.getTime() }))
}

/** Lets somebody in, or not; answered once, it stays so. Returns the new student. Throws `Refused`. */
export async function answerJoin(
  db: Database,
  teacherId: string,
  classId: string,
  id: string,
  letIn: boolean,
  whenJoined: WhenJoined,
): Promise<string | undefined> {
  await ownClass(db, teacherId, classId)
  return db.transaction(async (tx) => {
    const [asked] = await tx
      .select()
      .from(joinRequests)
      .where(and(eq(joinRequests.id, id), eq(joinRequests.classId, classId)))
      .for('update')
    if (!asked) throw notHere()
    if (asked.answeredAt !== null) return asked.studentId ?? undefined
    let student: string | undefined
    if (letIn) {
      const { name, secretHash } = asked
      const [made] = await tx
        .insert(people)
        .values({ role: 'student', name, secretHash })
        .returning({ id: people.id })
      student = made!.id
      await tx.insert(enrolments).values({ classId, studentId: student })
      await whenJoined(tx, classId, [{ id: student, name }])
    }
    await tx
      .update(joinRequests)
      .set({ answeredAt: new Date(), studentId: student ?? null })
      .where(eq(joinRequests.id, id))
    return student
  })
}
