import { MOST_QUESTIONS, type Question, Refused } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { worksheets, worksheetVersions } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { newestVersion, pagesOf } from '../worksheets/index.ts'

/**
 * Adds questions to a hand-out, for all its copies at once, and to the worksheet as it is now, where that is this
 * teacher's own and still has the pages. What was there stays: marks that were given keep their question. Sending the
 * same again changes nothing. Throws `Refused`.
 */
export function addQuestions(
  db: Database,
  teacherId: string,
  handoutId: string,
  questions: readonly Question[],
): Promise<void> {
  return db.transaction(async (tx) => {
    const { versionId } = await ownHandout(tx, teacherId, handoutId)
    if (!(await addTo(tx, versionId, questions)))
      throw new Refused('This question is not on a page that was handed out.', 422)
    const [version] = await tx
      .select({ worksheet: worksheets.id, teacher: worksheets.teacherId })
      .from(worksheetVersions)
      .innerJoin(worksheets, eq(worksheets.id, worksheetVersions.worksheetId))
      .where(eq(worksheetVersions.id, versionId))
    if (version?.teacher !== teacherId) return
    const newest = await newestVersion(tx, version.worksheet)
    if (newest.id === versionId || !(await addTo(tx, newest.id, questions))) return
    // Whoever prepares it in another tab is told that it is another now.
    await tx
      .update(worksheets)
      .set({ revision: sql`${worksheets.revision} + 1` })
      .where(eq(worksheets.id, version.worksheet))
  })
}

/** Adds to a version those that it has not; `false`: it has not all their pages. Throws `Refused` when it is full. */
async function addTo(tx: Queries, versionId: string, questions: readonly Question[]): Promise<boolean> {
  const pages = new Set((await pagesOf(tx, versionId)).map(({ id }) => id))
  if (!questions.every(({ areas }) => areas.every(({ page }) => pages.has(page)))) return false
  const [held] = await tx
    .select({ questions: worksheetVersions.questions })
    .from(worksheetVersions)
    .where(eq(worksheetVersions.id, versionId))
    .for('update')
  const there = held!.questions
  const fresh = questions.filter(({ id }) => !there.some((question) => question.id === id))
  if (there.length + fresh.length > MOST_QUESTIONS)
    throw new Refused(`A worksheet has at most ${MOST_QUESTIONS} questions.`, 422)
  await tx
    .update(worksheetVersions)
    .set({ questions: [...there, ...fresh] })
    .where(eq(worksheetVersions.id, versionId))
  return true
}
