import { CALLS, type Person, type Recipe } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { IS_OUT, PAGE_IS_ITS } from '../db/pageOfCopy.ts'
import { teaches } from '../db/teaches.ts'
import { findFile, sendFilm } from '../files/index.ts'
import { streamed } from '../http/answering.ts'
import { notHere } from '../http/as.ts'
import { sentFile } from './sentFiles.ts'

/** Whether a teacher brought a file in for a worksheet of theirs. */
async function isOnShelf(db: Queries, teacher: string, file: string): Promise<boolean> {
  const { rows } = await db.execute(sql`
    SELECT 1 FROM worksheet_file f JOIN worksheet w ON w.id = f.worksheet_id
    WHERE f.file = ${file} AND w.teacher_id = ${teacher} LIMIT 1`)
  return rows.length > 0
}

/**
 * How what stands on a page under a name is made, for those who may see it: the teacher whose worksheet it
 * is, and those who teach a class that has it; a student who has a copy with that page, where the thing on it is for the copy's set.
 */
async function recipeFor(db: Queries, person: Person, name: string): Promise<Recipe | undefined> {
  const { rows } =
    person.role === 'teacher'
      ? await db.execute(sql`
          SELECT s.recipe FROM sent_part s JOIN worksheet_version v ON v.id = s.version_id
          JOIN worksheet w ON w.id = v.worksheet_id
          WHERE s.name = ${name} AND (w.teacher_id = ${person.id} OR EXISTS (
            SELECT 1 FROM handout h WHERE h.version_id = v.id AND ${teaches(person.id, sql.raw('h.class_id'))})) LIMIT 1`)
      : await db.execute(sql`
          SELECT s.recipe FROM sent_part s JOIN worksheet_page p ON p.version_id = s.version_id AND p.id = s.page_id
          JOIN handout h ON h.version_id = s.version_id
          JOIN copy_member m ON m.handout_id = h.id AND m.left_at IS NULL JOIN copy c ON c.id = m.copy_id
          WHERE s.name = ${name} AND m.student_id = ${person.id} AND ${IS_OUT} AND ${PAGE_IS_ITS}
            AND (s.sets IS NULL OR s.sets ? c.set_id::text) LIMIT 1`)
  return rows[0]?.recipe as Recipe | undefined
}

export function paperRoutes({ db }: Context): Router {
  const router = Router()
  /** A file of a teacher's shelf as it is; or what was made of one for those who receive it. */
  streamed(router, CALLS.file, async ({ person, ids, request, response }) => {
    if (person.role === 'teacher' && (await isOnShelf(db, person.id, ids.file)))
      return sendFilm(db, request, response, (await findFile(db, ids.file))!)
    const recipe = await recipeFor(db, person, ids.file)
    if (!recipe) throw notHere()
    await sendFilm(db, request, response, await sentFile(db, recipe, person.id))
  })
  return router
}
