import { MOST_ATTACHMENT_BYTES } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Request } from 'express'
import type { Database } from '../db/connect.ts'
import { IS_OUT } from '../db/pageOfCopy.ts'
import { handouts, spokenDirections } from '../db/schema.ts'
import { teaches } from '../db/teaches.ts'
import { findFile, storeSound } from '../files/index.ts'
import { notHere } from '../http/as.ts'

/** Keeps a spoken direction under the id that the device made; sending it twice keeps it once. Throws `Refused`. */
export async function keepSpoken(db: Database, teacherId: string, id: string, body: Request): Promise<void> {
  const [there] = await db.select().from(spokenDirections).where(eq(spokenDirections.id, id))
  if (there && there.teacherId !== teacherId) throw notHere()
  if (there) return
  const file = await storeSound(db, body, MOST_ATTACHMENT_BYTES)
  await db.insert(spokenDirections).values({ id, teacherId, file: file.sha256 }).onConflictDoNothing()
}

/** The sound of a spoken direction, for the class's teachers and for those who have what it belongs to. Throws `Refused` (404). */
export async function spokenFor(db: Database, person: { id: string }, id: string) {
  const [found] = await db.select().from(spokenDirections).where(eq(spokenDirections.id, id))
  if (!found || !(found.teacherId === person.id || (await isToldTo(db, person.id, id)))) throw notHere()
  return (await findFile(db, found.file))!
}

async function isToldTo(db: Database, person: string, spoken: string): Promise<boolean> {
  const { rows } = await db.execute(sql`
    SELECT 1 FROM ${handouts} h WHERE h.spoken = ${spoken} AND ${teaches(person, sql.raw('h.class_id'))}
    UNION ALL SELECT 1 FROM ${handouts} h JOIN copy_member m ON m.handout_id = h.id JOIN copy c ON c.id = m.copy_id
    WHERE h.spoken = ${spoken} AND m.student_id = ${person} AND m.left_at IS NULL AND ${IS_OUT} LIMIT 1`)
  return rows.length > 0
}
