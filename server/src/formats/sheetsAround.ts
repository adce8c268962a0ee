import {
  coverPages,
  inSight,
  marksIn,
  marksPages,
  overallIn,
  type Page,
  questionsOn,
  remarksOn,
} from '@hand-back/core'
import { eq } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { type CopyRecord, questionsIn, rubricOf } from '../copies/index.ts'
import { handouts } from '../db/schema.ts'
import { measure } from '../pdf/fonts.ts'
import type { BundlePage } from './pdfOf.ts'

type Now = ReadonlyMap<string, Page>

/** What is said about the whole of a copy, of what is in the log as it is read; `bare`: no marks among it. */
async function aboutAll(db: Context['db'], { handoutId }: CopyRecord, now: Now, bare: boolean) {
  const pages = [...now.values()]
  const rubric = bare ? null : await rubricOf(db, handoutId)
  return { rubric, marks: marksIn(pages), words: overallIn(pages)?.words ?? '' }
}

/** Sheets behind the pages: the rubric with what was reached, and words about the whole. */
export const sheetsBehind = async (
  db: Context['db'],
  copy: CopyRecord,
  now: Now,
  bare: boolean,
): Promise<BundlePage[]> =>
  marksPages(await aboutAll(db, copy, now, bare), measure).map((page) => ({ page, items: [] }))

const DAY = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' })

/** The cover of a copy: whose it is, what its marks come to, what is said about all of it and on each page. */
export async function sheetsBefore(
  db: Context['db'],
  copy: CopyRecord,
  label: { title: string; name: string; className: string },
  laid: readonly BundlePage[],
  now: Now,
  bare: boolean,
): Promise<BundlePage[]> {
  const [handout] = await db.select().from(handouts).where(eq(handouts.id, copy.handoutId))
  const pages = laid.map(({ page }) => page)
  const questions = questionsOn(pages, await questionsIn(db, copy.versionId))
  const feedback = pages.map(({ id }) => {
    const page = now.get(id)
    const placed = page ? inSight(page).filter(({ layer }) => layer === 'feedback') : []
    return { id, feedback: placed.map(({ item }) => item) }
  })
  const round = copy.round > 1 ? `, round ${copy.round}` : ''
  const told = {
    ...label,
    ...(await aboutAll(db, copy, now, bare)),
    standing: `handed out ${DAY.format(handout!.handedOutAt)}, ${copy.state}${round}`,
    questions,
    remarks: remarksOn(feedback, questions),
    withMarks: !bare,
  }
  return coverPages(told, measure).map((page) => ({ page, items: [] }))
}
