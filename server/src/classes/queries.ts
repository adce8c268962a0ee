import {
  type ClassCard,
  type ClassWhole,
  type Listed,
  Refused,
  type StudentChange,
  type StudentWithPin,
} from '@hand-back/core'
import { and, count, eq, isNull, sql } from 'drizzle-orm'
import { brokeUnique, type Database, type Queries } from '../db/connect.ts'
import { classes, classTeachers, enrolments, people } from '../db/schema.ts'
import { teaches } from '../db/teaches.ts'
import { notHere } from '../http/as.ts'
import { hashSecret, newClassCode, newPin } from '../people/index.ts'

/** The classes of a teacher by name. */
export function classesOf(db: Queries, teacherId: string): Promise<ClassCard[]> {
  return db
    .select({ id: classes.id, name: classes.name, code: classes.code, students: count(enrolments.studentId) })
    .from(classes)
    .leftJoin(enrolments, and(eq(enrolments.classId, classes.id), isNull(enrolments.leftAt)))
    .where(teaches(teacherId, classes.id))
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

/** A class that this teacher teaches. Throws `Refused` (404) for any other. */
export async function ownClass(db: Queries, teacherId: string, classId: string) {
  const [found] = await db
    .select()
    .from(classes)
    .where(and(eq(classes.id, classId), teaches(teacherId, classes.id)))
  if (!found) throw notHere()
  return found
}

/** The students in a class now, by name. */
export function rosterOf(db: Queries, classId: string): Promise<ClassWhole['students']> {
  return db
    .select({ id: people.id, name: people.name, rosterId: people.rosterId, mail: people.mail })
    .from(enrolments)
    .innerJoin(people, eq(people.id, enrolments.studentId))
    .where(and(eq(enrolments.classId, classId), isNull(enrolments.leftAt)))
    .orderBy(people.name)
}

/** All who teach a class, whoever made it first. */
export async function teachersOf(db: Queries, classId: string): Promise<ClassWhole['teachers']> {
  const { rows } = await db.execute<ClassWhole['teachers'][number]>(sql`
    SELECT p.id, p.name, p.id = k.teacher_id AS made FROM class k JOIN person p ON p.id = k.teacher_id
      OR p.id IN (SELECT t.teacher_id FROM class_teacher t WHERE t.class_id = k.id)
    WHERE k.id = ${classId} ORDER BY made DESC, p.name`)
  return rows
}

/**
 * Somebody does not teach a class any more: whoever made it says so, or they themselves. Returns the hand-outs and
 * copies that they do not see any more. Throws `Refused`.
 */
export async function removeTeacher(
  db: Queries,
  teacherId: string,
  classId: string,
  colleague: string,
): Promise<{ handouts: string[]; copies: string[] }> {
  const found = await ownClass(db, teacherId, classId)
  if (colleague === found.teacherId) throw new Refused('Whoever made a class stays with it.', 409)
  if (teacherId !== found.teacherId && teacherId !== colleague)
    throw new Refused('Only whoever made the class can do that.', 403)
  await db
    .delete(classTeachers)
    .where(and(eq(classTeachers.classId, classId), eq(classTeachers.teacherId, colleague)))
  const { rows } = await db.execute<{ handout: string; copy: string | null }>(sql`
    SELECT h.id AS handout, c.id AS copy FROM handout h LEFT JOIN copy c ON c.handout_id = h.id
    WHERE h.class_id = ${classId} AND h.teacher_id <> ${colleague}`)
  return {
    handouts: [...new Set(rows.map(({ handout }) => handout))],
    copies: rows.flatMap(({ copy }) => copy ?? []),
  }
}

export async function wholeClass(db: Queries, teacherId: string, classId: string): Promise<ClassWhole> {
  const { id, name, code } = await ownClass(db, teacherId, classId)
  return { id, name, code, students: await rosterOf(db, classId), teachers: await teachersOf(db, id) }
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
  const coming = await withPins(names.map((name) => ({ name, rosterId: null, mail: null })))
  return db.transaction((tx) => enrol(tx, classId, coming, whenJoined))
}

/** Somebody who is to come into a class, with a PIN made for them. */
interface Coming extends Listed {
  readonly pin: string
  readonly secretHash: string
}

/** Gives people PINs; hashing takes its time, so it is done before anything is held. */
export function withPins(list: readonly Listed[]): Promise<Coming[]> {
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
  const rows = coming.map(({ name, rosterId, mail, secretHash }) => ({
    role: 'student' as const,
    name,
    rosterId,
    mail,
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

/** Gives a student another name or mail address. Throws `Refused` (404) as `ownStudent` does. */
export async function changeStudentOf(
  db: Queries,
  teacherId: string,
  classId: string,
  studentId: string,
  change: StudentChange,
) {
  await ownStudent(db, teacherId, classId, studentId)
  if (Object.keys(change).length > 0) await db.update(people).set(change).where(eq(people.id, studentId))
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
