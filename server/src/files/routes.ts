import { fileId, type Person } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { Router } from 'express'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { as, notHere, whoAsks } from '../http/as.ts'
import { sendFile } from './serve.ts'
import { findFile } from './store.ts'

/**
 * Whether a person may read a worksheet's file: its pages stand on a worksheet of theirs, or on one of
 * which they received a copy.
 */
async function mayReadPaper(db: Queries, person: Person, sha256: string): Promise<boolean> {
  const found =
    person.role === 'teacher'
      ? await db.execute(sql`
          SELECT 1 FROM worksheet_page p JOIN worksheet_version v ON v.id = p.version_id
          JOIN worksheet w ON w.id = v.worksheet_id
          WHERE p.file = ${sha256} AND w.teacher_id = ${person.id} LIMIT 1`)
      : await db.execute(sql`
          SELECT 1 FROM worksheet_page p JOIN handout h ON h.version_id = p.version_id
          JOIN copy c ON c.handout_id = h.id
          WHERE p.file = ${sha256} AND c.student_id = ${person.id} LIMIT 1`)
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
