import type { CopyWhole, Person } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { handouts } from '../db/schema.ts'
import { pagesOf } from '../worksheets/index.ts'
import { copyFor } from './place.ts'

/** A copy with its pages, for whoever has a place in it. Throws `Refused` (404) for others. */
export async function wholeCopy(db: Queries, person: Person, id: string): Promise<CopyWhole> {
  const { copy } = await copyFor(db, person, id)
  const [handout] = await db.select().from(handouts).where(eq(handouts.id, copy.handoutId))
  const names = await db.execute<{ id: string; name: string }>(
    sql`SELECT id, name FROM person WHERE id IN (${copy.studentId}, ${copy.teacherId})`,
  )
  const nameOf = (who: string) => names.rows.find((row) => row.id === who)?.name ?? ''
  return {
    id,
    handout: copy.handoutId,
    title: handout!.title,
    instructions: handout!.instructions,
    dueAt: handout!.dueAt?.getTime() ?? null,
    student: { id: copy.studentId, name: nameOf(copy.studentId) },
    teacher: { name: nameOf(copy.teacherId) },
    state: copy.state,
    round: copy.round,
    pages: await pagesOf(db, copy.versionId),
  }
}
