import { CALLS } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { personHabits } from '../db/schema.ts'
import { answering } from '../http/answering.ts'

/** Everybody asks for their own habits, and changes some of them; nobody sees another's. */
export function habitRoutes({ db }: Context): Router {
  const router = Router()
  answering(router, CALLS.habits, async ({ person }) => {
    const [row] = await db.select().from(personHabits).where(eq(personHabits.personId, person.id))
    return row?.habits ?? {}
  })
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
