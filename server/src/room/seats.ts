import { type SeatingPlan, seatedNow } from '@hand-back/core'
import { and, eq } from 'drizzle-orm'
import { rosterOf } from '../classes/index.ts'
import type { Queries } from '../db/connect.ts'
import { seatingPlans } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'

/** Where the class of a hand-out sits, with those only who are in it now; null: its teacher has made no plan. */
export async function seatsOf(
  db: Queries,
  teacherId: string,
  handoutId: string,
): Promise<SeatingPlan | null> {
  const { classId } = await ownHandout(db, teacherId, handoutId)
  const [row] = await db
    .select({ plan: seatingPlans.plan })
    .from(seatingPlans)
    .where(and(eq(seatingPlans.classId, classId), eq(seatingPlans.teacherId, teacherId)))
  if (!row) return null
  const roster = await rosterOf(db, classId)
  return seatedNow(
    row.plan,
    roster.map(({ id }) => id),
  ).plan
}

/** Keeps where the class of a hand-out sits, for this teacher. Who is not in the class gets no seat. */
export async function keepSeats(
  db: Queries,
  teacherId: string,
  handoutId: string,
  wished: SeatingPlan,
): Promise<void> {
  const { classId } = await ownHandout(db, teacherId, handoutId)
  const roster = await rosterOf(db, classId)
  const { plan } = seatedNow(
    wished,
    roster.map(({ id }) => id),
  )
  await db
    .insert(seatingPlans)
    .values({ classId, teacherId, plan })
    .onConflictDoUpdate({ target: [seatingPlans.classId, seatingPlans.teacherId], set: { plan } })
}
