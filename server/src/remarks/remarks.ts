import { MOST_REMARKS, Refused, type Remark, type RemarkChange, type RemarkKept } from '@hand-back/core'
import { and, asc, count, eq, isNull, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { remarks } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/** The remarks that a teacher keeps, by name. */
export async function remarksOf(db: Queries, teacherId: string): Promise<Remark[]> {
  const rows = await db
    .select()
    .from(remarks)
    .where(and(eq(remarks.teacherId, teacherId), isNull(remarks.goneAt)))
    .orderBy(asc(remarks.name), asc(remarks.id))
  return rows.map(({ id, name, unit, items, carries, uses, usesAt }) => ({
    id,
    name,
    unit,
    items,
    carries,
    uses,
    usesAt,
  }))
}

/** Keeps remarks; those whose id is there already stay as they are. Throws `Refused` (422) when there are too many. */
export async function keepRemarks(
  db: Queries,
  teacherId: string,
  kept: readonly RemarkKept[],
): Promise<void> {
  const [there] = await db
    .select({ count: count() })
    .from(remarks)
    .where(and(eq(remarks.teacherId, teacherId), isNull(remarks.goneAt)))
  if (there!.count + kept.length > MOST_REMARKS)
    throw new Refused(`You can keep at most ${MOST_REMARKS} remarks. Remove some first.`, 422)
  await db
    .insert(remarks)
    .values(kept.map((remark) => ({ ...remark, teacherId })))
    .onConflictDoNothing({ target: remarks.id })
}

/** Changes what of a remark is named. Throws `Refused` (404) for one that is not the teacher's. */
export async function changeRemark(
  db: Queries,
  teacherId: string,
  id: string,
  { gone, ...change }: RemarkChange,
): Promise<void> {
  const set = { ...change, ...(gone === undefined ? {} : { goneAt: gone ? new Date() : null }) }
  if (Object.keys(set).length === 0) return
  const changed = await db
    .update(remarks)
    .set(set)
    .where(and(eq(remarks.id, id), eq(remarks.teacherId, teacherId)))
    .returning({ id: remarks.id })
  if (changed.length === 0) throw notHere()
}

/** Counts one more use of a remark, at a question or at none. Throws `Refused` (404) for one that is not the teacher's. */
export async function countUse(
  db: Queries,
  teacherId: string,
  id: string,
  question: string | null,
): Promise<void> {
  const usesAt =
    question === null
      ? remarks.usesAt
      : sql`${remarks.usesAt} || jsonb_build_object(${question}::text,
          coalesce((${remarks.usesAt} ->> ${question}::text)::int, 0) + 1)`
  const counted = await db
    .update(remarks)
    .set({ uses: sql`${remarks.uses} + 1`, usesAt })
    .where(and(eq(remarks.id, id), eq(remarks.teacherId, teacherId)))
    .returning({ id: remarks.id })
  if (counted.length === 0) throw notHere()
}
