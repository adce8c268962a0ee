import { type Person, Refused } from '@hand-back/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { brokeUnique, type Database, type Queries } from '../db/connect.ts'
import { classes, enrolments, people, slips } from '../db/schema.ts'
import { hashSecret, hashToken, isSecret } from './secrets.ts'

const asPerson = { id: people.id, name: people.name, role: people.role }

/** A person with what their sessions must know (`epoch`). */
export interface Known extends Person {
  readonly epoch: number
}
const asKnown = { ...asPerson, epoch: people.epoch }
const withSecret = { ...asKnown, secretHash: people.secretHash }

/** The person with this id, if there is one. */
export async function findPerson(db: Queries, id: string): Promise<Known | undefined> {
  const [person] = await db.select(asKnown).from(people).where(eq(people.id, id))
  return person
}

/** Whether there is no teacher yet: the first visitor becomes one. */
export async function isFirstVisit(db: Queries): Promise<boolean> {
  const rows = await db.select({ id: people.id }).from(people).where(eq(people.role, 'teacher')).limit(1)
  return rows.length === 0
}

/** Makes the first teacher's account. Throws `Refused` when there is a teacher already; of two at once one wins. */
export async function makeFirstTeacher(db: Database, name: string, password: string): Promise<Known> {
  const secretHash = await hashSecret(password)
  return db.transaction(async (tx) => {
    await tx.execute(sql`LOCK TABLE person IN SHARE ROW EXCLUSIVE MODE`)
    if (!(await isFirstVisit(tx))) throw new Refused('There is a teacher already. Please sign in.', 409)
    return makeTeacher(tx, name, secretHash)
  })
}

/** Makes a teacher's account. Throws `Refused` when the name is taken. */
export async function makeTeacher(db: Queries, name: string, secretHash: string): Promise<Known> {
  try {
    const [person] = await db
      .insert(people)
      .values({ role: 'teacher', name, signInName: foldName(name), secretHash })
      .returning(asKnown)
    return person!
  } catch (error) {
    if (brokeUnique(error)) throw new Refused('A teacher of that name is here already.')
    throw error
  }
}

/** The teacher with this name and password, or nobody. Takes as long for a name that does not exist. */
export async function teacherBy(
  db: Queries,
  name: string,
  password: string,
  knownDevice = false,
): Promise<Known | undefined> {
  const [found] = await db
    .select(withSecret)
    .from(people)
    .where(eq(people.signInName, foldName(name)))
  const right = await isSecret(found?.secretHash ?? (await nobodysHash), password, knownDevice)
  return found && right ? known(found) : undefined
}

const known = ({ id, name, role, epoch }: Known): Known => ({ id, name, role, epoch })

/** Gives somebody another password and ends all their sessions. Throws `Refused` when the one they have is not `now`. */
export async function changePassword(db: Database, id: string, now: string, to: string): Promise<Known> {
  const [found] = await db.select(withSecret).from(people).where(eq(people.id, id))
  if (!found || !(await isSecret(found.secretHash, now)))
    throw new Refused('That is not the password you have now.', 403)
  const secretHash = await hashSecret(to)
  const [changed] = await db
    .update(people)
    .set({ secretHash, epoch: sql`epoch + 1` })
    .where(and(eq(people.id, id), eq(people.secretHash, found.secretHash)))
    .returning(asKnown)
  if (!changed) throw new Refused('The password was changed elsewhere just now.', 409)
  return changed
}

/** The class with this code and the names in it, or nothing. */
export async function classByCode(db: Queries, code: string) {
  const [found] = await db
    .select({ id: classes.id, name: classes.name })
    .from(classes)
    .where(eq(classes.code, code))
  if (!found) return undefined
  const students = await db
    .select({ id: people.id, name: people.name })
    .from(enrolments)
    .innerJoin(people, eq(people.id, enrolments.studentId))
    .where(and(eq(enrolments.classId, found.id), isNull(enrolments.leftAt)))
    .orderBy(people.name)
  return { className: found.name, students }
}

/** The student of that class with this PIN, or nobody. */
export async function studentBy(
  db: Queries,
  code: string,
  student: string,
  pin: string,
  knownDevice = false,
): Promise<Known | undefined> {
  const [found] = await db
    .select(withSecret)
    .from(enrolments)
    .innerJoin(classes, eq(classes.id, enrolments.classId))
    .innerJoin(people, eq(people.id, enrolments.studentId))
    .where(and(eq(classes.code, code), eq(people.id, student), isNull(enrolments.leftAt)))
  const right = await isSecret(found?.secretHash ?? (await nobodysHash), pin, knownDevice)
  return found && right ? known(found) : undefined
}

/** How long a slip signs in after it was made, in days: a school year. */
export const SLIP_DAYS = 365

/** The student whom a printed slip signs in, while it lasts and they are in a class; or nobody. */
export async function studentBySlip(db: Queries, token: string): Promise<Known | undefined> {
  const [found] = await db
    .select(asKnown)
    .from(slips)
    .innerJoin(people, eq(people.id, slips.studentId))
    .innerJoin(enrolments, and(eq(enrolments.studentId, people.id), isNull(enrolments.leftAt)))
    .where(
      and(
        eq(slips.tokenHash, hashToken(token)),
        sql`${slips.madeAt} > now() - make_interval(days => ${SLIP_DAYS})`,
      ),
    )
    .limit(1)
  return found
}

/** Everybody, for the sign-in screen of the demo, with a class code to try. */
export async function demoPeople(db: Queries) {
  const everybody = await db.select(asPerson).from(people).orderBy(people.role, people.name)
  const [first] = await db.select({ code: classes.code }).from(classes).limit(1)
  const teachersFirst = everybody.sort((a, b) => b.role.localeCompare(a.role))
  return { people: teachersFirst, classCode: first?.code ?? '' }
}

const nobodysHash = hashSecret('nobody')

/** A name as it counts: case, spaces and the width of letters do not. */
export function foldName(name: string): string {
  return name.normalize('NFKC').toLocaleLowerCase('en').replace(/\s+/g, ' ').trim()
}
