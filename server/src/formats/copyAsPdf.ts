import {
  areasOn,
  cutOf,
  emptyPage,
  inSight,
  type Page,
  type Person,
  pagesAt,
  pagesNow,
  type Question,
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
} from '../copies/index.ts'
import { notHere } from '../http/as.ts'
import { asSent } from '../papers/index.ts'
import { pagesOf } from '../worksheets/index.ts'
import type { Made, Wanted } from './made.ts'
import { type Bundle, type BundlePage, pdfOf } from './pdfOf.ts'
import { sheetsBefore, sheetsBehind } from './sheetsAround.ts'

/**
 * A copy as a PDF: its pages with everything on them that this person may read, and nothing that they may not.
 * Throws `Refused` (404) for somebody without a place in the copy, and with a sentence where it cannot be made.
 */
export async function copyAsPdf({ db }: Context, person: Person, id: string, wanted: Wanted): Promise<Made> {
  const bundle = await bundleOf(db, person, id, wanted)
  return { name: bundle.title, bytes: await pdfOf(db, person, bundle.title, [bundle]) }
}

/** What is wanted of a copy, and whether only the answers to one question are. */
interface WantedOfCopy extends Wanted {
  readonly question?: Question | undefined
}

/** The pages of a copy, with what it is called and whose it is. */
export interface BundleNamed extends Bundle {
  readonly title: string
  readonly name: string
}

/** A page without the marks at its edge. */
const bare = ({ page, items }: BundlePage): BundlePage => ({
  page,
  items: items.filter(({ kind }) => kind !== 'mark'),
})

/** What of a page is an answer to a question, and whose it is. */
const cutsOf = (question: Question, { page, items }: BundlePage, name: string) =>
  areasOn(question, [page]).map(({ area }) => ({ part: cutOf(area, items, page), says: name }))

/** The pages of a copy for a PDF, as this person may read them. Throws `Refused` (404) as `copyFor` does. */
export async function bundleOf(
  db: Context['db'],
  person: Person,
  id: string,
  { empty, named, coded, withoutMarks = false, cover = false, question }: WantedOfCopy,
): Promise<BundleNamed> {
  const { copy, role } = await copyFor(db, person, id)
  const { title, name, className } = await labelOfCopy(db, copy, role)
  const all = await ownPagesIn(db, copy)
  const printed = question ? all.filter((page) => areasOn(question, [page]).length > 0) : all
  return {
    title: `${title}, ${name}`,
    name,
    copy: copy.id,
    role,
    printed,
    bytes: empty ? 0 : copy.bytes,
    coded,
    ...(named ? { head: `${name}   ${className}   ${title}` } : {}),
    async pages() {
      const log = empty ? [] : await readWholeLog(db, copy, role)
      const now = pagesAt(log, log.length)
      const laid = withoutMarks ? laidOut(printed, now).map(bare) : laidOut(printed, now)
      if (question) return laid.map((each) => ({ ...each, cuts: cutsOf(question, each, name) }))
      if (!cover) return [...laid, ...(await sheetsBehind(db, copy, now, withoutMarks))]
      const label = { title, name, className }
      return [...(await sheetsBefore(db, copy, label, laid, now, withoutMarks)), ...laid]
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
