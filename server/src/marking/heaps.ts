import { type HeapAct, type Heaps, heapsAfter, noHeaps } from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { questionHeaps } from '../db/schema.ts'
import { ownHandout } from '../handouts/index.ts'
import { questionIn } from './answers.ts'

/** The heaps that the answers to a question of a hand-out lie in. Throws `Refused` (404) where it is not this teacher's. */
export async function heapsOf(
  db: Queries,
  teacherId: string,
  handoutId: string,
  questionId: string,
): Promise<Heaps> {
  const { versionId } = await ownHandout(db, teacherId, handoutId)
  await questionIn(db, versionId, questionId)
  return readHeaps(db, handoutId, questionId)
}

/**
 * Does something to the heaps of a question; returns them as they are then. Two teachers at once come one after the other.
 * Throws `Refused` (404) where the hand-out is not this teacher's or has no such question.
 */
export async function changeHeaps(
  { db, news }: Context,
  teacherId: string,
  handoutId: string,
  questionId: string,
  act: () => HeapAct,
): Promise<Heaps> {
  const { versionId } = await ownHandout(db, teacherId, handoutId)
  await questionIn(db, versionId, questionId)
  const wished = act()
  const after = await db.transaction(async (tx) => {
    await tx.insert(questionHeaps).values({ handoutId, questionId, heaps: noHeaps }).onConflictDoNothing()
    await tx.execute(
      sql`SELECT 1 FROM question_heaps WHERE handout_id = ${handoutId} AND question_id = ${questionId} FOR UPDATE`,
    )
    const heaps = heapsAfter(await readHeaps(tx, handoutId, questionId), wished)
    await tx.update(questionHeaps).set({ heaps }).where(ofQuestion(handoutId, questionId))
    return heaps
  })
  news.heapsChanged(handoutId, questionId)
  return after
}

const ofQuestion = (handoutId: string, questionId: string) =>
  and(eq(questionHeaps.handoutId, handoutId), eq(questionHeaps.questionId, questionId))

async function readHeaps(db: Queries, handoutId: string, questionId: string): Promise<Heaps> {
  const [row] = await db
    .select({ heaps: questionHeaps.heaps })
    .from(questionHeaps)
    .where(ofQuestion(handoutId, questionId))
  return row?.heaps ?? noHeaps
}
