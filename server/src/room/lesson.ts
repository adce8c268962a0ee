import {
  copiesNamed,
  type Lesson,
  type LessonTold,
  lesson,
  lessonAfter,
  quietLesson,
  Refused,
  type Saying,
} from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { lessons } from '../db/schema.ts'
import { inSameClass, ownHandout } from '../handouts/index.ts'

/** What was said to the class that works on a hand-out. */
export async function lessonOf(db: Queries, handoutId: string): Promise<Lesson> {
  const [row] = await db.select({ said: lessons.said }).from(lessons).where(eq(lessons.handoutId, handoutId))
  return row ? lesson.parse(row.said) : quietLesson
}

/**
 * Says something to the class that works on a hand-out. Two teachers who speak at once are heard one after the other.
 * Throws `Refused`: 404 for a hand-out that is not theirs, 422 where a copy is named that is not of it.
 */
export async function say(
  { db, news, now }: Context,
  teacherId: string,
  handoutId: string,
  said: Saying,
): Promise<LessonTold> {
  await ownHandout(db, teacherId, handoutId)
  const told = await db.transaction(async (tx) => {
    await tx.insert(lessons).values({ handoutId, said: quietLesson }).onConflictDoNothing()
    await tx.execute(sql`SELECT 1 FROM lesson WHERE handout_id = ${handoutId} FOR UPDATE`)
    await refuseStrangers(tx, handoutId, new Set(copiesNamed(said)))
    const after = lessonAfter(await lessonOf(tx, handoutId), said, now())
    await tx.update(lessons).set({ said: after }).where(eq(lessons.handoutId, handoutId))
    return after
  })
  news.lessonChanged(handoutId)
  // Whoever is asked to the front may have anything of the class open.
  if (said.say === 'let write')
    for (const other of await inSameClass(db, handoutId)) news.lessonChanged(other)
  return { now: now(), lesson: told }
}

/** Copies of this hand-out can be named, and what its class has to read: pages written on at the front. */
async function refuseStrangers(db: Queries, handoutId: string, named: ReadonlySet<string>): Promise<void> {
  if (named.size === 0) return
  const { rows } = await db.execute(sql`
    SELECT c.id FROM copy c JOIN handout h ON h.id = c.handout_id JOIN handout own ON own.id = ${handoutId}
    WHERE c.id = ANY(${sql.param([...named])}::uuid[])
      AND (h.id = own.id OR (h.way = 'read' AND h.class_id = own.class_id))`)
  if (rows.length < named.size) throw new Refused('These are not copies of this hand-out.', 422)
}
