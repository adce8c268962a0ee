import { Refused, type Rubric, type RubricKept } from '@hand-back/core'
import { and, count, eq, ne, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { rubrics } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

const MOST_RUBRICS = 500

/** The rubrics that a teacher keeps, by name. */
export async function rubricsOf(db: Queries, teacherId: string): Promise<RubricKept[]> {
  const rows = await db
    .select({ id: rubrics.id, rubric: rubrics.rubric })
    .from(rubrics)
    .where(eq(rubrics.teacherId, teacherId))
  return rows.sort((a, b) => a.rubric.name.localeCompare(b.rubric.name) || (a.id < b.id ? -1 : 1))
}

/**
 * Keeps a rubric under its id, or keeps it otherwise. Throws `Refused`: 404 for another's, 422 when there are too many.
 */
export async function keepRubric(db: Queries, teacherId: string, id: string, rubric: Rubric): Promise<void> {
  const [there] = await db
    .select({ count: count() })
    .from(rubrics)
    .where(and(eq(rubrics.teacherId, teacherId), ne(rubrics.id, id)))
  if (there!.count >= MOST_RUBRICS)
    throw new Refused(`You can keep at most ${MOST_RUBRICS} rubrics. Remove some first.`, 422)
  const kept = await db
    .insert(rubrics)
    .values({ id, teacherId, rubric })
    .onConflictDoUpdate({
      target: rubrics.id,
      set: { rubric: sql`excluded.rubric` },
      setWhere: eq(rubrics.teacherId, teacherId),
    })
    .returning({ id: rubrics.id })
  if (kept.length === 0) throw notHere()
}

/** Removes a rubric from what a teacher keeps. Throws `Refused` (404) for one that is not theirs. */
export async function dropRubric(db: Queries, teacherId: string, id: string): Promise<void> {
  const gone = await db
    .delete(rubrics)
    .where(and(eq(rubrics.id, id), eq(rubrics.teacherId, teacherId)))
    .returning({ id: rubrics.id })
  if (gone.length === 0) throw notHere()
}
