import { Refused } from '@hand-back/core'
import { and, eq, gt, lte } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { classes, classTeachers, invitations, people } from '../db/schema.ts'
import { teaches } from '../db/teaches.ts'
import { type Known, makeTeacher } from './queries.ts'
import { hashSecret, hashToken, newToken } from './secrets.ts'

const DAY = 24 * 60 * 60 * 1000
/** An invitation that nobody took for so long is over, in milliseconds. */
const LASTS = 7 * DAY
const since = (now: number) => new Date(now - LASTS)

/** Makes a link's token that lets one colleague into a class. It can be read this once. */
export async function makeInvitation(
  db: Queries,
  classId: string,
  madeBy: string,
  now: number,
): Promise<string> {
  await db.delete(invitations).where(lte(invitations.madeAt, since(now)))
  const token = newToken()
  await db.insert(invitations).values({ tokenHash: hashToken(token), classId, madeBy, madeAt: new Date(now) })
  return token
}

/** To which class an invitation is, and by whom. Throws `Refused` (404) for one that was taken, or is too old. */
export async function invitationOf(db: Queries, token: string, now: number) {
  const [found] = await db
    .select({ className: classes.name, by: people.name })
    .from(invitations)
    .innerJoin(classes, eq(classes.id, invitations.classId))
    .innerJoin(people, eq(people.id, invitations.madeBy))
    .where(isGood(token, now))
  if (!found) throw over()
  return found
}

/**
 * A teacher who is here takes an invitation: they teach the class from now on. Whoever teaches it already leaves it for
 * the colleague it was made for. Throws `Refused` (404).
 */
export function takeInvitation(db: Database, token: string, teacherId: string, now: number): Promise<string> {
  return db.transaction(async (tx) => {
    const [own] = await tx
      .select({ id: classes.id })
      .from(invitations)
      .innerJoin(classes, eq(classes.id, invitations.classId))
      .where(and(isGood(token, now), teaches(teacherId, classes.id)))
    return own?.id ?? take(tx, token, teacherId, now)
  })
}

/** Makes the account of a colleague who is not here yet, and lets them into the class. Throws `Refused`. */
export async function makeColleague(
  db: Database,
  { token, name, password }: { token: string; name: string; password: string },
  now: number,
): Promise<Known> {
  await invitationOf(db, token, now)
  const secretHash = await hashSecret(password)
  return db.transaction(async (tx) => {
    const made = await makeTeacher(tx, name, secretHash)
    await take(tx, token, made.id, now)
    return made
  })
}

/** Of two who take it at once, one gets it. */
async function take(tx: Queries, token: string, teacherId: string, now: number): Promise<string> {
  const [taken] = await tx.delete(invitations).where(isGood(token, now)).returning()
  if (!taken) throw over()
  await tx.insert(classTeachers).values({ classId: taken.classId, teacherId }).onConflictDoNothing()
  return taken.classId
}

const isGood = (token: string, now: number) =>
  and(eq(invitations.tokenHash, hashToken(token)), gt(invitations.madeAt, since(now)))

const over = () =>
  new Refused('This invitation was used already, or is older than a week. Ask for a new one.', 404)
