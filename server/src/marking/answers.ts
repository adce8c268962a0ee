import { type AnswersTold, pagesFor } from '@hand-back/core'
import { and, eq, inArray } from 'drizzle-orm'
import { ownPagesOf, questionsIn, readPagesOfAll } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { copies } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { notHere } from '../http/as.ts'
import { asSent } from '../papers/index.ts'
import { pagesOf } from '../worksheets/index.ts'

/**
 * What copies of a hand-out have for an answer to one question, as their teacher may read it. Copies that are not of this
 * hand-out, or have none of the question's pages, are left out. Throws `Refused` (404) for a hand-out that is not this
 * teacher's, and for a question that it has not.
 */
export async function answersOf(
  db: Queries,
  teacherId: string,
  handoutId: string,
  questionId: string,
  wanted: readonly string[],
): Promise<AnswersTold> {
  const { versionId } = await ownHandout(db, teacherId, handoutId)
  const question = await questionIn(db, versionId, questionId)
  const on = new Set(question.areas.map(({ page }) => page))
  const pages = (await pagesOf(db, versionId)).filter(({ id }) => on.has(id))
  const rows = await db
    .select({ id: copies.id, setId: copies.setId, dealt: copies.dealt })
    .from(copies)
    .where(and(eq(copies.handoutId, handoutId), inArray(copies.id, [...wanted])))
  const events = await readPagesOfAll(
    db,
    rows.map(({ id }) => id),
    pages.map(({ id }) => id),
  )
  return {
    question,
    sets: [...new Set(rows.map(({ setId }) => setId))].map((set) => ({
      set,
      pages: ownPagesOf(pages, { setId: set, dealt: null }).map(asSent),
    })),
    copies: rows.flatMap(({ id, setId, dealt }) => {
      const own = pagesFor(pages, setId, dealt)
      return own.length > 0 ? [{ copy: id, set: setId, pages: own, events: events.get(id) ?? [] }] : []
    }),
  }
}

/** A question of a version. Throws `Refused` (404) for one that it has not. */
export async function questionIn(db: Queries, versionId: string, id: string) {
  const question = (await questionsIn(db, versionId)).find((each) => each.id === id)
  if (!question) throw notHere()
  return question
}
