import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'

/** The ways in which a thing names an attachment `r` (kinds/, `attachmentsOfItem`). */
const NAMES = [
  ...['recording', 'file', 'still', 'taken'].map((field) => `jsonb_build_object('${field}', r.id)`),
  "jsonb_build_object('behind', jsonb_build_object('file', r.id))",
]

/**
 * Whether students may see attachment `r` of copy `c`, for SQL: it is a student's, or a teacher has put it on a page
 * where they may read it. That somebody else names it opens nothing.
 */
export const SEEN_BY_STUDENTS = `(SELECT p.role <> 'teacher' FROM person p WHERE p.id = r.author_id) OR EXISTS (
  SELECT 1 FROM event e JOIN person p ON p.id = e.author_id AND p.role = 'teacher' WHERE e.copy_id = c.id
    AND (e.layer <> 'feedback' OR e.round <= CASE WHEN c.state = 'handed back' THEN c.round ELSE c.round - 1 END)
    AND (${NAMES.map((names) => `e.body->'items' @> jsonb_build_array(${names}) OR e.body->'set'->'thing' @> ${names}`).join(' OR ')}))`

export interface SeenAttachment {
  readonly id: string
  readonly file: string
}

/** The attachments of a copy, of those named, that this role may see. */
export async function seenAttachments(
  db: Queries,
  copy: string,
  role: 'student' | 'teacher',
  ids: readonly string[],
): Promise<SeenAttachment[]> {
  if (ids.length === 0) return []
  const { rows } = await db.execute(sql`
    SELECT r.id, r.file FROM attachment r JOIN copy c ON c.id = r.copy_id JOIN handout h ON h.id = c.handout_id
    WHERE r.copy_id = ${copy} AND r.id = ANY(${sql.param([...ids])}::uuid[])
      AND (${role === 'teacher'} OR ${sql.raw(SEEN_BY_STUDENTS)})`)
  return rows as unknown as SeenAttachment[]
}
