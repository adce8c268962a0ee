import type { Recipe } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { sentFile } from './sentFiles.ts'

/**
 * Makes what students of these hand-outs will ask for, before they do: a class opens its copies all at
 * once. One after the other, in the teacher's turn; what fails is tried again when somebody asks for it.
 */
export async function makeAhead(
  { db, log }: Context,
  teacher: string,
  handouts: readonly string[],
): Promise<void> {
  try {
    const { rows } = await db.execute(sql`
      SELECT DISTINCT ON (s.name) s.recipe FROM sent_part s JOIN handout h ON h.version_id = s.version_id
      WHERE h.id = ANY(${sql.param(handouts)}) AND s.recipe->>'kind' <> 'film'
        AND NOT EXISTS (SELECT 1 FROM sent_file f WHERE f.name = s.name)`)
    for (const { recipe } of rows) await sentFile(db, recipe as Recipe, teacher).catch(() => {})
  } catch (error) {
    log.warn({ err: error }, 'papers could not be made ahead')
  }
}
