import {
  emptyPage,
  inSight,
  marksIn,
  marksPages,
  overallIn,
  type Page,
  type Person,
  pagesAt,
  pagesNow,
} from '@hand-back/core'
import type { Context } from '../context.ts'
import { copyFor, labelOfCopy, ownPagesIn, readWholeLog, rubricOf } from '../copies/index.ts'
import { asSent } from '../papers/index.ts'
import { measure } from '../pdf/index.ts'
import type { Made, Wanted } from './made.ts'
import { type Bundle, pdfOf } from './pdfOf.ts'

/**
 * A copy as a PDF: its pages with everything on them that this person may read, and nothing that they may not.
 * Throws `Refused` (404) for somebody without a place in the copy, and with a sentence where it cannot be made.
 */
export async function copyAsPdf({ db }: Context, person: Person, id: string, wanted: Wanted): Promise<Made> {
  const bundle = await bundleOf(db, person, id, wanted)
  return { name: bundle.title, bytes: await pdfOf(db, person, bundle.title, [bundle]) }
}

/** Sheets behind the pages: the rubric with what was reached, and words about the whole, of what is in the log as it is read. */
async function aboutAll(
  db: Context['db'],
  { handoutId }: { handoutId: string },
  now: ReadonlyMap<string, Page>,
) {
  const pages = [...now.values()]
  const rubric = await rubricOf(db, handoutId)
  const said = { rubric, marks: marksIn(pages), words: overallIn(pages)?.words ?? '' }
  return marksPages(said, measure).map((page) => ({ page, items: [] }))
}

/** The pages of a copy for a PDF, or only one of them, as this person may read them. Throws `Refused` (404) as `copyFor` does. */
export async function bundleOf(
  db: Context['db'],
  person: Person,
  id: string,
  { empty, named }: Wanted,
  only?: string,
): Promise<Bundle & { title: string }> {
  const { copy, role } = await copyFor(db, person, id)
  const { title, name, className } = await labelOfCopy(db, copy, role)
  const printed = (await ownPagesIn(db, copy)).filter(({ id: page }) => only === undefined || page === only)
  return {
    title: `${title}, ${name}`,
    copy: copy.id,
    role,
    printed,
    bytes: empty ? 0 : copy.bytes,
    ...(named ? { head: `${name}   ${className}   ${title}` } : {}),
    async pages() {
      const log = empty ? [] : await readWholeLog(db, copy, role, only)
      const now = pagesAt(log, log.length)
      const own = pagesNow(printed.map(asSent), now).map((page) => ({
        page,
        items: inSight(now.get(page.id) ?? emptyPage).map(({ item }) => item),
      }))
      return only === undefined ? [...own, ...(await aboutAll(db, copy, now))] : own
    },
  }
}
