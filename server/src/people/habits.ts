import { type Habits, habits } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import { personHabits } from '../db/schema.ts'
import { as, whoAsks } from '../http/as.ts'

/** Everybody asks for their own habits, and changes some of them; nobody sees another's. */
export function habitRoutes({ db }: Context): Router {
  const router = Router()
  router.get('/habits', as('anybody'), async (request, response) => {
    const [row] = await db
      .select()
      .from(personHabits)
      .where(eq(personHabits.personId, whoAsks(request).id))
    response.json(row?.habits ?? ({} satisfies Habits))
  })
  router.patch('/habits', as('anybody'), async (request, response) => {
    const changed = habits.parse(request.body)
    await db
      .insert(personHabits)
      .values({ personId: whoAsks(request).id, habits: changed })
      .onConflictDoUpdate({
        target: personHabits.personId,
        set: { habits: sql`${personHabits.habits} || excluded.habits` },
      })
    response.status(204).end()
  })
  return router
}
