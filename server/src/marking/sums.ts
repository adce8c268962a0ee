import { type CopySum, type MarkingWhole, marksIn, sumOf } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { ownHandout } from '../handouts/index.ts'
import { markedCopies } from './markedCopies.ts'

/** What a teacher needs to mark a hand-out. Throws `Refused` (404) for one that is not theirs. */
export async function markingOf(db: Queries, teacherId: string, handoutId: string): Promise<MarkingWhole> {
  await ownHandout(db, teacherId, handoutId)
  const { rows } = await db.execute<Omit<MarkingWhole, 'sums'>>(sql`
    SELECT v.questions, v.keys, h.rubric FROM handout h JOIN worksheet_version v ON v.id = h.version_id WHERE h.id = ${handoutId}`)
  const { questions, keys, rubric } = rows[0]!
  return { questions, keys, rubric, sums: await sumsOf(db, handoutId) }
}

/** What the marks of the copies of a hand-out come to, of the log as it stands; with `copy`, only of that one. */
export async function sumsOf(db: Queries, handoutId: string, copy?: string): Promise<CopySum[]> {
  const copies = await markedCopies(db, [handoutId], copy)
  return copies.map(({ id, round, asked, marked }) => {
    const now = marksIn(marked.values(), (placed) => placed.round === round)
    return { copy: id, ...sumOf(asked, marksIn(marked.values())), leftNow: sumOf(asked, now).left }
  })
}
