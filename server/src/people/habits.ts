import { CALLS, type Habits } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { personHabits } from '../db/schema.ts'
import { answering } from '../http/answering.ts'

/** How somebody likes to work; what they never chose is left out. */
export async function habitsOf(db: Queries, person: string): Promise<Habits> {
  const [row] = await db.select().from(personHabits).where(eq(personHabits.personId, person))
  return row?.habits ?? {}
}

/** Everybody asks for their own habits, and changes some of them; nobody sees another's. */
export function habitRoutes({ db }: Context): Router {
  const router = Router()
  answering(router, CALLS.habits, ({ person }) => habitsOf(db, person.id))
  answering(router, CALLS.changeHabits, async ({ person, sent }) => {
    await db
      .insert(personHabits)
      .values({ personId: person.id, habits: sent })
      .onConflictDoUpdate({
        target: personHabits.personId,
        set: { habits: sql`${personHabits.habits} || excluded.habits` },
      })
  })
  return router
}
