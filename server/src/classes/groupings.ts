import { type Grouping, groupsNow, Refused } from '@hand-back/core'
import { and, asc, eq } from 'drizzle-orm'
import { brokeUnique, type Queries } from '../db/connect.ts'
import { groupings } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { ownClass, rosterOf } from './queries.ts'

/** The groups that a teacher keeps for a class, by name, with those who are in the class now. */
export async function groupingsOf(db: Queries, teacherId: string, classId: string): Promise<Grouping[]> {
  await ownClass(db, teacherId, classId)
  const roster = await rosterOf(db, classId)
  const rows = await db
    .select()
    .from(groupings)
    .where(eq(groupings.classId, classId))
    .orderBy(asc(groupings.name))
  return rows.map(({ id, name, groups }) => ({ id, name, groups: groupsNow(groups, roster) }))
}

/** Keeps groups under a name; the same id again keeps them anew. Throws `Refused` when the name is taken. */
export async function keepGrouping(
  db: Queries,
  teacherId: string,
  classId: string,
  kept: Grouping,
): Promise<void> {
  await ownClass(db, teacherId, classId)
  const roster = await rosterOf(db, classId)
  const groups = groupsNow(kept.groups, roster)
  const [there] = await db.select().from(groupings).where(eq(groupings.id, kept.id))
  if (there && there.classId !== classId) throw notHere()
  try {
    await db
      .insert(groupings)
      .values({ id: kept.id, classId, name: kept.name, groups })
      .onConflictDoUpdate({ target: groupings.id, set: { name: kept.name, groups } })
  } catch (error) {
    if (brokeUnique(error)) throw new Refused(`There are groups called “${kept.name}” already.`)
    throw error
  }
}

export async function dropGrouping(
  db: Queries,
  teacherId: string,
  classId: string,
  id: string,
): Promise<void> {
  await ownClass(db, teacherId, classId)
  await db.delete(groupings).where(and(eq(groupings.id, id), eq(groupings.classId, classId)))
}
