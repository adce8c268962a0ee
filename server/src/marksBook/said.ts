import { inSight, remarksGiven, type SaidOfClass } from '@hand-back/core'
import { eq } from 'drizzle-orm'
import { eventsAbout, pagesAfter } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { copies, questionHeaps } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { remarksOf } from '../remarks/index.ts'

/**
 * What was said in feedback on the copies of a hand-out, and the named heaps that their answers lie in. Throws `Refused`
 * (404) for a hand-out that is not this teacher's.
 */
export async function saidOf(db: Queries, teacherId: string, handoutId: string): Promise<SaidOfClass> {
  await ownHandout(db, teacherId, handoutId)
  const rows = await db.select({ id: copies.id }).from(copies).where(eq(copies.handoutId, handoutId))
  const ids = rows.map(({ id }) => id)
  const [kept, events, heaps] = await Promise.all([
    remarksOf(db, teacherId),
    eventsAbout(db, ids, 'feedback'),
    db.select().from(questionHeaps).where(eq(questionHeaps.handoutId, handoutId)),
  ])
  const feedback = ids.map((copy) => ({
    copy,
    items: pagesAfter(events.get(copy) ?? []).flatMap((page) => inSight(page).map(({ item }) => item)),
  }))
  return {
    remarks: remarksGiven(kept, feedback),
    heaps: heaps.flatMap(({ questionId, heaps: { heaps: all, lies } }) =>
      all.flatMap(({ id, name }) => {
        const inIt = ids.filter((copy) => lies[copy] === id)
        return name !== '' && inIt.length > 0 ? [{ question: questionId, name, copies: inIt }] : []
      }),
    ),
  }
}
