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
  type WorksheetPage,
} from '@hand-back/core'
import type { Context } from '../context.ts'
import {
  copiesFor,
  copyFor,
  labelOfCopy,
  ownPagesIn,
  ownPagesOf,
  readPagesOfAll,
  readWholeLog,
  rubricOf,
} from '../copies/index.ts'
import { notHere } from '../http/as.ts'
import { asSent } from '../papers/index.ts'
import { measure } from '../pdf/fonts.ts'
import { pagesOf } from '../worksheets/index.ts'
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

/** The pages of a copy for a PDF, as this person may read them. Throws `Refused` (404) as `copyFor` does. */
export async function bundleOf(
  db: Context['db'],
  person: Person,
  id: string,
  { empty, named, coded }: Wanted,
): Promise<Bundle & { title: string }> {
  const { copy, role } = await copyFor(db, person, id)
  const { title, name, className } = await labelOfCopy(db, copy, role)
  const printed = await ownPagesIn(db, copy)
  return {
    title: `${title}, ${name}`,
    copy: copy.id,
    role,
    printed,
    bytes: empty ? 0 : copy.bytes,
    coded,
    ...(named ? { head: `${name}   ${className}   ${title}` } : {}),
    async pages() {
      const log = empty ? [] : await readWholeLog(db, copy, role)
      const now = pagesAt(log, log.length)
      return [...laidOut(printed, now), ...(await aboutAll(db, copy, now))]
    },
  }
}

/**
 * One page of each of these copies, as their teacher sees it: read together, since a class looks at one page of all.
 * Throws `Refused` (404) where one of them is not theirs.
 */
export async function pageOfAll(
  db: Context['db'],
  person: Person,
  copies: readonly string[],
  page: string,
): Promise<Bundle[]> {
  const all = await copiesFor(db, person, copies)
  if (all.some(({ role }) => role !== 'teacher')) throw notHere()
  const versions = [...new Set(all.map(({ copy }) => copy.versionId))]
  const pages = new Map(
    await Promise.all(versions.map(async (version) => [version, await pagesOf(db, version)] as const)),
  )
  // Read when it is their turn, once for all of them.
  let reading: ReturnType<typeof readPagesOfAll> | undefined
  const logs = () => {
    reading ??= readPagesOfAll(db, copies, [page])
    return reading
  }
  return all.map(({ copy, role }) => {
    const printed = ownPagesOf(pages.get(copy.versionId) ?? [], copy).filter(({ id }) => id === page)
    return {
      copy: copy.id,
      role,
      printed,
      bytes: copy.bytes,
      async pages() {
        const log = (await logs()).get(copy.id) ?? []
        return laidOut(printed, pagesAt(log, log.length))
      },
    }
  })
}

/** Pages with what lies on them now. */
const laidOut = (printed: readonly WorksheetPage[], now: ReadonlyMap<string, Page>) =>
  pagesNow(printed.map(asSent), now).map((page) => ({
    page,
    items: inSight(now.get(page.id) ?? emptyPage).map(({ item }) => item),
  }))
