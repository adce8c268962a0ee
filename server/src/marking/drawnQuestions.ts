import { MOST_QUESTIONS, type Question, Refused } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { worksheets, worksheetVersions } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { notHere } from '../http/as.ts'
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
    await alsoOnWorksheet(tx, teacherId, versionId, (newest) => addTo(tx, newest, questions))
  })
}

/**
 * Takes a question away again from a hand-out and from its worksheet. Throws `Refused` (409) when marks were given for
 * it: they would count no more.
 */
export function dropQuestion(db: Database, teacherId: string, handoutId: string, id: string): Promise<void> {
  return db.transaction(async (tx) => {
    const { versionId } = await ownHandout(tx, teacherId, handoutId)
    const { rows } = await tx.execute(sql`
      SELECT 1 FROM event e JOIN copy c ON c.id = e.copy_id JOIN handout h ON h.id = c.handout_id
      WHERE h.version_id = ${versionId} AND e.layer = 'feedback'
        AND e.body->'items' @> jsonb_build_array(jsonb_build_object('kind', 'mark', 'question', ${id}::text)) LIMIT 1`)
    if (rows.length > 0) throw new Refused('Marks were given for this question already.', 409)
    const dropFrom = async (version: string) => {
      const questions = await questionsOf(tx, version)
      const left = questions.filter((question) => question.id !== id)
      await setQuestions(tx, version, left)
      return left.length < questions.length
    }
    if (!(await dropFrom(versionId))) throw notHere()
    await alsoOnWorksheet(tx, teacherId, versionId, dropFrom)
  })
}

/** Does the same to the worksheet as it is now, where that is this teacher's own; `change` says whether anything changed. */
async function alsoOnWorksheet(
  tx: Queries,
  teacherId: string,
  versionId: string,
  change: (version: string) => Promise<boolean>,
): Promise<void> {
  const [version] = await tx
    .select({ worksheet: worksheets.id, teacher: worksheets.teacherId })
    .from(worksheetVersions)
    .innerJoin(worksheets, eq(worksheets.id, worksheetVersions.worksheetId))
    .where(eq(worksheetVersions.id, versionId))
  if (version?.teacher !== teacherId) return
  const newest = await newestVersion(tx, version.worksheet)
  if (newest.id === versionId || !(await change(newest.id))) return
  // Whoever prepares it in another tab is told that it is another now.
  await tx
    .update(worksheets)
    .set({ revision: sql`${worksheets.revision} + 1` })
    .where(eq(worksheets.id, version.worksheet))
}

/** Adds to a version those that it has not; `false`: it has not all their pages. Throws `Refused` when it is full. */
async function addTo(tx: Queries, versionId: string, questions: readonly Question[]): Promise<boolean> {
  const pages = new Set((await pagesOf(tx, versionId)).map(({ id }) => id))
  if (!questions.every(({ areas }) => areas.every(({ page }) => pages.has(page)))) return false
  const there = await questionsOf(tx, versionId)
  const fresh = questions.filter(({ id }) => !there.some((question) => question.id === id))
  if (there.length + fresh.length > MOST_QUESTIONS)
    throw new Refused(`A worksheet has at most ${MOST_QUESTIONS} questions.`, 422)
  await setQuestions(tx, versionId, [...there, ...fresh])
  return true
}

/** The questions of a version, held against others until the transaction ends. */
async function questionsOf(tx: Queries, versionId: string): Promise<readonly Question[]> {
  const [held] = await tx
    .select({ questions: worksheetVersions.questions })
    .from(worksheetVersions)
    .where(eq(worksheetVersions.id, versionId))
    .for('update')
  return held!.questions
}

async function setQuestions(tx: Queries, versionId: string, questions: readonly Question[]): Promise<void> {
  await tx
    .update(worksheetVersions)
    .set({ questions: [...questions] })
    .where(eq(worksheetVersions.id, versionId))
}
