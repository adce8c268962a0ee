import { sql } from 'drizzle-orm'
import type { Database } from '../db/connect.ts'
import { noteParts } from './keepSheet.ts'
import { pagesOf } from './queries.ts'

/**
 * Notes what must be made for those who receive versions that were made before parts were noted. Those
 * that have some are left alone, so that it may run at every start.
 */
export async function noteOldVersions(db: Database): Promise<void> {
  const { rows } = await db.execute<{ id: string }>(sql`
    SELECT DISTINCT p.version_id AS id FROM worksheet_page p
    WHERE (p.paper->>'kind' <> 'ruled' OR p.printed::text LIKE '%"file"%')
      AND NOT EXISTS (SELECT 1 FROM sent_part s WHERE s.version_id = p.version_id)`)
  for (const { id } of rows) await noteParts(db, id, await pagesOf(db, id))
}
