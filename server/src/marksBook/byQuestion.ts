import { type MarksByQuestion, marksGivenIn } from '@hand-back/core'
import type { Queries } from '../db/connect.ts'
import { ownHandout } from '../handouts/index.ts'
import { type MarkedCopy, markedCopies } from '../marking/index.ts'
import { pagesOf } from '../worksheets/index.ts'

/** The marks of every copy of a hand-out by question. Throws `Refused` (404) for one that is not this teacher's. */
export async function marksByQuestionOf(
  db: Queries,
  teacherId: string,
  handoutId: string,
): Promise<MarksByQuestion> {
  const { versionId } = await ownHandout(db, teacherId, handoutId)
  const [pages, copies] = await Promise.all([pagesOf(db, versionId), markedCopies(db, [handoutId])])
  return {
    pages: pages.map(({ id, width }) => ({ id, width })),
    copies: copies.map((copy) => ({
      copy: copy.id,
      asked: copy.asked.map(({ id }) => id),
      pages: [...copy.own],
      marks: marksOf(copy),
    })),
  }
}

/** What a copy was given for what it is asked. */
function marksOf({ asked, marked }: MarkedCopy): MarksByQuestion['copies'][number]['marks'] {
  const idOf = new Map([...marked].map(([id, page]) => [page, id]))
  const given = marksGivenIn(marked.values())
  return asked.flatMap(({ id: question }) => {
    const found = given.get(question)
    if (!found) return []
    const { mark, round, page } = found
    return [{ question, given: mark.given, full: mark.full, round, page: idOf.get(page)! }]
  })
}
