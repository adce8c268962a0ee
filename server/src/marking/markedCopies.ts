import { criteriaOf, type Page, pagesFor, type Question, questionsOn, type Rubric } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { markEvents, pagesById } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'

/** A copy with what it can be given marks for, and where marks lie on it. */
export interface MarkedCopy {
  readonly id: string
  readonly handout: string
  readonly round: number
  /** Its questions, and the criteria of the rubric. */
  readonly asked: readonly Question[]
  /** The pages that it has, by their ids. */
  readonly own: readonly string[]
  /** Its pages as far as marks lie on them, by their ids. */
  readonly marked: ReadonlyMap<string, Page>
}

interface Row extends Record<string, unknown> {
  readonly id: string
  readonly handout: string
  readonly setId: string | null
  readonly dealt: string[] | null
  readonly round: number
  readonly questions: Question[]
  readonly rubric: Rubric | null
  readonly pages: { id: string; sets: string[] | null }[]
}

/** The copies of some hand-outs with their marks, of the log as it stands; with `copy`, only that one. */
export async function markedCopies(
  db: Queries,
  handoutIds: readonly string[],
  copy?: string,
): Promise<MarkedCopy[]> {
  const { rows } = await db.execute<Row>(sql`
    SELECT c.id, c.handout_id AS handout, c.set_id AS "setId", c.dealt, c.round, v.questions, h.rubric,
      (SELECT json_agg(json_build_object('id', p.id, 'sets', p.sets) ORDER BY p.position)
         FROM worksheet_page p WHERE p.version_id = h.version_id) AS pages
    FROM copy c JOIN handout h ON h.id = c.handout_id JOIN worksheet_version v ON v.id = h.version_id
    WHERE c.handout_id = ANY(${sql.param([...handoutIds])}::uuid[]) ${copy ? sql`AND c.id = ${copy}` : sql``}`)
  const events = await markEvents(
    db,
    rows.map(({ id }) => id),
  )
  return rows.map(({ id, handout, setId, dealt, round, questions, rubric, pages }) => {
    const stubs = pages.map((page) => ({ id: page.id, sets: page.sets ?? undefined }))
    const own = pagesFor(stubs, setId, dealt)
    const onThese = questionsOn(
      own.map((page) => ({ id: page })),
      questions,
    )
    const asked = [...onThese, ...criteriaOf(rubric)]
    return { id, handout, round, asked, own, marked: pagesById(events.get(id) ?? []) }
  })
}
