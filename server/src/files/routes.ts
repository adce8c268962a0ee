import { fileId, type Person } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { IS_OUT, PAGE_IS_ITS } from '../db/pageOfCopy.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { sendFile } from './serve.ts'
import { findFile } from './store.ts'

/**
 * Whether a person may read a worksheet's file: they brought it in for a worksheet of theirs, or it is
 * shown on a page of a copy that they received.
 */
async function mayReadPaper(db: Queries, person: Person, sha256: string): Promise<boolean> {
  const found =
    person.role === 'teacher'
      ? await db.execute(sql`
          SELECT 1 FROM worksheet_file f JOIN worksheet w ON w.id = f.worksheet_id
          WHERE f.file = ${sha256} AND w.teacher_id = ${person.id} LIMIT 1`)
      : await db.execute(sql`
          SELECT 1 FROM page_file f JOIN worksheet_page p ON p.version_id = f.version_id AND p.id = f.page_id
          JOIN handout h ON h.version_id = f.version_id
          JOIN copy_member m ON m.handout_id = h.id AND m.left_at IS NULL JOIN copy c ON c.id = m.copy_id
          WHERE f.file = ${sha256} AND m.student_id = ${person.id} AND ${IS_OUT} AND ${PAGE_IS_ITS} LIMIT 1`)
  return found.rows.length > 0
}

export function fileRoutes({ db }: Context): Router {
  const router = Router()
  router.get('/files/:file', as('anybody'), async (request, response) => {
    const sha256 = fileId.safeParse(request.params.file)
    if (!sha256.success || !(await mayReadPaper(db, whoAsks(request), sha256.data))) throw notHere()
    await sendFile(db, request, response, (await findFile(db, sha256.data))!)
  })
  return router
}
