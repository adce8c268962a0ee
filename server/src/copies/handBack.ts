import { type CopyState, type GoWish, handedBackRound, type Person, Refused } from '@hand-back/core'
import { and, eq, inArray, lte } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { copies, handouts, people } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { causeOf } from '../http/errors.ts'
import { copyFor, holdCopyFor } from './place.ts'
import { takeStep } from './standing.ts'

interface HandingBack {
  readonly copies: readonly string[]
  /** In milliseconds since 1970; null: now. */
  readonly at: number | null
  /** For another go; null: to be read. */
  readonly again: GoWish | null
  /** With their marks. */
  readonly marks: boolean
}

/**
 * Hands copies of a hand-out back, now or at a moment. Returns the ids of those that go; those that the rules refuse
 * stay as they are. Throws `Refused` (404) for what is not this teacher's.
 */
export async function handBackMany(
  context: Context,
  person: Person,
  handoutId: string,
  { copies: ids, at, ...how }: HandingBack,
): Promise<string[]> {
  await allOf(context, person, handoutId, ids)
  if (at !== null && at > context.now()) return planned(context, handoutId, ids, at, how)
  const done: string[] = []
  for (const id of new Set(ids)) {
    try {
      await handBack(context, person, id, how)
      done.push(id)
    } catch (error) {
      if (!(error instanceof Refused) || error.status === 404) throw error
    }
  }
  return done
}

/** Throws `Refused` (404) unless each of these copies belongs to the hand-out, and this teacher may mark it. */
async function allOf(context: Context, person: Person, handoutId: string, ids: readonly string[]) {
  for (const id of ids)
    if ((await copyFor(context.db, person, id)).copy.handoutId !== handoutId) throw notHere()
}

type How = Pick<HandingBack, 'again' | 'marks'>

const handBack = (context: Context, person: Person, id: string, { again, marks }: How, only?: CopyState) =>
  takeStep(context, person, id, again ? 'anotherGo' : 'handBack', {
    marks,
    ...(again ? { go: again } : {}),
    ...(only ? { only } : {}),
  })

/** Gives the marks of copies that went back without them. Throws `Refused` (404) for what is not this teacher's. */
export async function giveMarks(
  context: Context,
  person: Person,
  handoutId: string,
  ids: readonly string[],
): Promise<void> {
  await allOf(context, person, handoutId, ids)
  for (const id of new Set(ids)) {
    const given = await context.db.transaction(async (tx) => {
      const { copy } = await holdCopyFor(tx, person, id)
      const kept = copy.withoutMarks.filter((round) => round > handedBackRound(copy))
      if (kept.length === copy.withoutMarks.length) return undefined
      await tx.update(copies).set({ withoutMarks: kept }).where(eq(copies.id, id))
      return { ...copy, withoutMarks: kept }
    })
    if (given) context.news.copyChanged(given)
  }
}

/** Only what is handed in can be planned: nothing is taken from under a working hand while nobody looks. */
async function planned(
  { db, news }: Context,
  handoutId: string,
  ids: readonly string[],
  at: number,
  { again, marks }: How,
): Promise<string[]> {
  const rows = await db
    .update(copies)
    .set({ handsBackAt: new Date(at), handsBackFor: again, handsBackMarks: marks })
    .where(and(eq(copies.handoutId, handoutId), inArray(copies.id, [...ids]), eq(copies.state, 'handed in')))
    .returning({ id: copies.id })
  for (const { id } of rows) news.rowChanged({ id, handoutId })
  return rows.map(({ id }) => id)
}

/** Hands back every copy whose moment has come, as its teacher would. What is not handed in any more stays. */
export async function handBackDue(context: Context): Promise<void> {
  const { db, log } = context
  const now = new Date(context.now())
  const due = await db
    .select({
      id: copies.id,
      again: copies.handsBackFor,
      marks: copies.handsBackMarks,
      teacher: people.id,
      name: people.name,
    })
    .from(copies)
    .innerJoin(handouts, eq(handouts.id, copies.handoutId))
    .innerJoin(people, eq(people.id, handouts.teacherId))
    .where(lte(copies.handsBackAt, now))
  for (const { id, again, marks, teacher, name } of due) {
    const person: Person = { id: teacher, name, role: 'teacher' }
    try {
      await handBack(context, person, id, { again, marks }, 'handed in')
    } catch (error) {
      // One that cannot go does not keep the others.
      log.warn({ cause: causeOf(error), copy: id }, 'not handed back')
    }
    await db
      .update(copies)
      .set({ handsBackAt: null, handsBackFor: null })
      .where(and(eq(copies.id, id), lte(copies.handsBackAt, now)))
  }
}
