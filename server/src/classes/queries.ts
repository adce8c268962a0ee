import { type ClassCard, type ClassWhole, Refused, type StudentWithPin } from '@hand-back/core'
import { and, count, eq, isNull, sql } from 'drizzle-orm'
import { brokeUnique, type Database, type Queries } from '../db/connect.ts'
import { classes, enrolments, people } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { hashSecret, newClassCode, newPin } from '../people/index.ts'

/** The classes of a teacher by name. */
export function classesOf(db: Queries, teacherId: string): Promise<ClassCard[]> {
  return db
    .select({ id: classes.id, name: classes.name, code: classes.code, students: count(enrolments.studentId) })
    .from(classes)
    .leftJoin(enrolments, and(eq(enrolments.classId, classes.id), isNull(enrolments.leftAt)))
    .where(eq(classes.teacherId, teacherId))
    .groupBy(classes.id)
    .orderBy(classes.name)
}

/** A new class with a code of its own. */
export async function makeClass(db: Queries, teacherId: string, name: string): Promise<ClassCard> {
  for (let tries = 0; ; tries++) {
    try {
      const [made] = await db.insert(classes).values({ name, teacherId, code: newClassCode() }).returning()
      return { id: made!.id, name: made!.name, code: made!.code, students: 0 }
    } catch (error) {
      if (!brokeUnique(error) || tries > 5) throw error
    }
  }
}

/** The teacher's class. Throws `Refused` (404) for one that is not theirs. */
export async function ownClass(db: Queries, teacherId: string, classId: string) {
  const [found] = await db
    .select()
    .from(classes)
    .where(and(eq(classes.id, classId), eq(classes.teacherId, teacherId)))
  if (!found) throw notHere()
  return found
}

/** The students in a class now, by name. */
export function rosterOf(db: Queries, classId: string): Promise<ClassWhole['students']> {
  return db
    .select({ id: people.id, name: people.name, rosterId: people.rosterId })
    .from(enrolments)
    .innerJoin(people, eq(people.id, enrolments.studentId))
    .where(and(eq(enrolments.classId, classId), isNull(enrolments.leftAt)))
    .orderBy(people.name)
}

export async function wholeClass(db: Queries, teacherId: string, classId: string): Promise<ClassWhole> {
  const { id, name, code } = await ownClass(db, teacherId, classId)
  return { id, name, code, students: await rosterOf(db, classId) }
}

export async function renameClass(
  db: Queries,
  teacherId: string,
  classId: string,
  name: string,
): Promise<void> {
  await ownClass(db, teacherId, classId)
  await db.update(classes).set({ name }).where(eq(classes.id, classId))
}

/** What else happens, in the same transaction, when students join a class: they get what the whole class has. */
export type WhenJoined = (
  tx: Queries,
  classId: string,
  students: readonly { id: string; name: string }[],
) => Promise<void>

/** Adds students, each with a PIN that can be read this once. */
export async function addStudentsTo(
  db: Database,
  teacherId: string,
  classId: string,
  names: readonly string[],
  whenJoined: WhenJoined = async () => {},
): Promise<StudentWithPin[]> {
  await ownClass(db, teacherId, classId)
  const coming = await withPins(names.map((name) => ({ name, rosterId: null })))
  return db.transaction((tx) => enrol(tx, classId, coming, whenJoined))
}

/** Somebody who is to come into a class, with a PIN made for them. */
interface Coming {
  readonly name: string
  readonly rosterId: string | null
  readonly pin: string
  readonly secretHash: string
}

/** Gives people PINs; hashing takes its time, so it is done before anything is held. */
export function withPins(
  list: readonly { readonly name: string; readonly rosterId: string | null }[],
): Promise<Coming[]> {
  return Promise.all(
    list.map(async (listed) => {
      const pin = newPin()
      return { ...listed, pin, secretHash: await hashSecret(pin) }
    }),
  )
}

/** Makes students of people and enrols them. */
export async function enrol(
  tx: Queries,
  classId: string,
  coming: readonly Coming[],
  whenJoined: WhenJoined,
): Promise<StudentWithPin[]> {
  if (coming.length === 0) return []
  const rows = coming.map(({ name, rosterId, secretHash }) => ({
    role: 'student' as const,
    name,
    rosterId,
    secretHash,
  }))
  const made = await tx.insert(people).values(rows).returning({ id: people.id, name: people.name })
  await tx.insert(enrolments).values(made.map(({ id }) => ({ classId, studentId: id })))
  await whenJoined(tx, classId, made)
  return made.map((student, index) => ({ ...student, pin: coming[index]!.pin }))
}

/** The student of a teacher's class. Throws `Refused` (404) when they are not in it. */
async function ownStudent(db: Queries, teacherId: string, classId: string, studentId: string) {
  await ownClass(db, teacherId, classId)
  const [found] = await db
    .select({ id: people.id, name: people.name })
    .from(enrolments)
    .innerJoin(people, eq(people.id, enrolments.studentId))
    .where(and(eq(enrolments.classId, classId), eq(people.id, studentId), isNull(enrolments.leftAt)))
  if (!found) throw new Refused('That student is not in this class any more.', 404)
  return found
}

export async function renameStudentOf(
  db: Queries,
  teacherId: string,
  classId: string,
  studentId: string,
  name: string,
) {
  await ownStudent(db, teacherId, classId, studentId)
  await db.update(people).set({ name }).where(eq(people.id, studentId))
}

/** Takes a student out of the class. Their copies stay, and stay with their teacher. */
export async function removeStudent(
  db: Queries,
  teacherId: string,
  classId: string,
  studentId: string,
  now: number,
) {
  await ownStudent(db, teacherId, classId, studentId)
  await db
    .update(enrolments)
    .set({ leftAt: new Date(now) })
    .where(and(eq(enrolments.classId, classId), eq(enrolments.studentId, studentId)))
}

/** Those of some students who are in no class any more: nothing is theirs to do here. */
export async function inNoClass(db: Queries, students: readonly string[]): Promise<string[]> {
  if (students.length === 0) return []
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT s.id FROM unnest(${sql.param([...students])}::uuid[]) AS s(id)
    WHERE NOT EXISTS (SELECT 1 FROM enrolment e WHERE e.student_id = s.id AND e.left_at IS NULL)`)
  return rows.map(({ id }) => id)
}

/** Gives a student a new PIN; the old one ends. */
export async function renewPin(
  db: Queries,
  teacherId: string,
  classId: string,
  studentId: string,
): Promise<StudentWithPin> {
  const student = await ownStudent(db, teacherId, classId, studentId)
  const pin = newPin()
  await db
    .update(people)
    .set({ secretHash: await hashSecret(pin) })
    .where(eq(people.id, studentId))
  return { ...student, pin }
}
