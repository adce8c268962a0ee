import { marksIn, Refused, type Rubric } from '@hand-back/core'
import { eq } from 'drizzle-orm'
import { markEvents, pagesAfter } from '../copies/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { copies, handouts } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'

/**
 * Gives a hand-out a rubric, another one, or none. Throws `Refused`: 404 for a hand-out that is not this teacher's, 409
 * when levels were given for a criterion that would be gone: they would count no more, and nobody could say for what
 * they were.
 */
export function setRubric(
  db: Database,
  teacherId: string,
  handoutId: string,
  rubric: Rubric | null,
): Promise<void> {
  return db.transaction(async (tx) => {
    const { rubric: before } = await ownHandout(tx, teacherId, handoutId)
    const stays = new Set(rubric?.criteria.map(({ id }) => id))
    const gone = before?.criteria.filter(({ id }) => !stays.has(id)) ?? []
    const given = gone.length > 0 ? await givenIn(tx, handoutId) : new Set()
    const missed = gone.find(({ id }) => given.has(id))
    if (missed)
      throw new Refused(
        `Levels were given for “${missed.label}” already. Take them back first, or leave it in.`,
      )
    await tx.update(handouts).set({ rubric }).where(eq(handouts.id, handoutId))
  })
}

/** The questions and criteria for which marks stand in copies of a hand-out. */
async function givenIn(tx: Queries, handoutId: string): Promise<Set<string>> {
  const rows = await tx.select({ id: copies.id }).from(copies).where(eq(copies.handoutId, handoutId))
  const events = await markEvents(
    tx,
    rows.map(({ id }) => id),
  )
  return new Set([...events.values()].flatMap((own) => [...marksIn(pagesAfter(own)).keys()]))
}
