import {
  type CopySum,
  criteriaOf,
  type MarkingWhole,
  marksIn,
  pagesFor,
  type Question,
  questionsOn,
  type Rubric,
  sumOf,
} from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { markEvents, pagesAfter } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { ownHandout } from '../handouts/index.ts'

/** What a teacher needs to mark a hand-out. Throws `Refused` (404) for one that is not theirs. */
export async function markingOf(db: Queries, teacherId: string, handoutId: string): Promise<MarkingWhole> {
  await ownHandout(db, teacherId, handoutId)
  const { rows } = await db.execute<Omit<MarkingWhole, 'sums'>>(sql`
    SELECT v.questions, v.keys, h.rubric FROM handout h JOIN worksheet_version v ON v.id = h.version_id WHERE h.id = ${handoutId}`)
  const { questions, keys, rubric } = rows[0]!
  return { questions, keys, rubric, sums: await sumsOf(db, handoutId) }
}

interface Row extends Record<string, unknown> {
  readonly id: string
  readonly setId: string | null
  readonly dealt: string[] | null
  readonly round: number
  readonly questions: Question[]
  readonly rubric: Rubric | null
  readonly pages: { id: string; sets: string[] | null }[]
}

/** What the marks of the copies of a hand-out come to, of the log as it stands; with `copy`, only of that one. */
export async function sumsOf(db: Queries, handoutId: string, copy?: string): Promise<CopySum[]> {
  const { rows } = await db.execute<Row>(sql`
    SELECT c.id, c.set_id AS "setId", c.dealt, c.round, v.questions, h.rubric,
      (SELECT json_agg(json_build_object('id', p.id, 'sets', p.sets) ORDER BY p.position)
         FROM worksheet_page p WHERE p.version_id = h.version_id) AS pages
    FROM copy c JOIN handout h ON h.id = c.handout_id JOIN worksheet_version v ON v.id = h.version_id
    WHERE c.handout_id = ${handoutId} ${copy ? sql`AND c.id = ${copy}` : sql``}`)
  const events = await markEvents(
    db,
    rows.map(({ id }) => id),
  )
  return rows.map(({ id, setId, dealt, round, questions, rubric, pages }) => {
    const stubs = pages.map((page) => ({ id: page.id, sets: page.sets ?? undefined }))
    const own = pagesFor(stubs, setId, dealt).map((page) => ({ id: page }))
    const asked = [...questionsOn(own, questions), ...criteriaOf(rubric)]
    const marked = pagesAfter(events.get(id) ?? [])
    const now = marksIn(marked, (placed) => placed.round === round)
    return { copy: id, ...sumOf(asked, marksIn(marked)), leftNow: sumOf(asked, now).left }
  })
}
