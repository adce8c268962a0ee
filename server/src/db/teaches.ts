import { type SQL, type SQLWrapper, sql } from 'drizzle-orm'

/** Whether a teacher teaches the class with this id, for SQL: they made it, or a colleague let them in. */
export const teaches = (teacherId: string | SQLWrapper, classId: SQLWrapper): SQL<boolean> =>
  sql`EXISTS (SELECT 1 FROM class k WHERE k.id = ${classId} AND (k.teacher_id = ${teacherId}
    OR EXISTS (SELECT 1 FROM class_teacher t WHERE t.class_id = k.id AND t.teacher_id = ${teacherId})))`

/** The ids of all who teach what hand-out `h` is part of, for SQL: whoever handed it out, and the class's teachers. */
export const TEACHERS_OF_HANDOUT = `array(SELECT h.teacher_id UNION SELECT k.teacher_id FROM class k WHERE k.id = h.class_id
  UNION SELECT t.teacher_id FROM class_teacher t WHERE t.class_id = h.class_id)::text[]`
