import type { Meanwhile, Person } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { copyFor } from './place.ts'

/** What others did in a shared copy since a student closed it last; nothing, where they never did. Throws `Refused`. */
export async function meanwhileIn(db: Queries, person: Person, copyId: string): Promise<Meanwhile> {
  await copyFor(db, person, copyId)
  const { rows } = await db.execute<{ student: string; pages: string[] }>(sql`
    SELECT e.author_id AS student, json_agg(DISTINCT e.body->>'page') AS pages
    FROM copy_member m JOIN event e ON e.copy_id = m.copy_id AND e.layer = 'work' AND e.seq > m.read_seq
    WHERE m.copy_id = ${copyId} AND m.student_id = ${person.id} AND m.left_at IS NULL
      AND e.author_id <> m.student_id
    GROUP BY e.author_id ORDER BY e.author_id`)
  return rows
}

/** Notes how far a shared copy had come when a student closed it. */
export async function noteLeaving(db: Queries, studentId: string, copyId: string): Promise<void> {
  await db.execute(sql`
    UPDATE copy_member m SET read_seq = c.work_seq FROM copy c JOIN handout h ON h.id = c.handout_id
    WHERE m.copy_id = ${copyId} AND m.student_id = ${studentId} AND m.left_at IS NULL
      AND c.id = m.copy_id AND h.way IN ('group', 'all')`)
}
