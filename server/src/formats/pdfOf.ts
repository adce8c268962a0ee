import {
  type ArrangedSheet,
  type Box,
  type Item,
  type Person,
  type PrintedItem,
  paperFile,
  partsOfPage,
  picturesOfItem,
  type Recipe,
  Refused,
  type Role,
  sourceOfRecipe,
  type WorksheetPage,
} from '@hand-back/core'
import { inArray, sum } from 'drizzle-orm'
import sharp from 'sharp'
import type { Context } from '../context.ts'
import { seenAttachments } from '../copies/index.ts'
import { files } from '../db/schema.ts'
import { wholeFile } from '../files/index.ts'
import { nameOfRecipe, type SentFile, sentFile } from '../papers/index.ts'
import { GaveOut, inTurn, type Kind } from '../work/index.ts'
import type { FlatPage, FlattenTask, Origin } from './flatten.ts'

const SECONDS = 60
/** A whole class may take longer, by so much for each of its pages. */
const SECONDS_A_PAGE = 0.25
/** So many of the files of a copy are made at once, where they were not before. */
const AT_ONCE = 2
/** More pages make no PDF that anybody prints. */
const MOST_PAGES = 2000

/** A page of a bundle with what lies on it. `cuts`: the parts of it that are wanted, and what stands over each. */
export interface BundlePage {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
  readonly cuts?: readonly { readonly part: Box; readonly says: string }[]
}

/** How it goes on with what is being made, and when nobody wants it any more. */
export interface Watched {
  readonly onPage?: (done: number) => void
  readonly signal?: AbortSignal
  /** Lays the pages on sheets. */
  readonly arrange?: (pages: readonly (FlatPage & Pick<BundlePage, 'cuts'>)[]) => readonly ArrangedSheet[]
}

/** The pages of one copy, or of nobody's, on their way into a PDF. */
export interface Bundle {
  /** The id of the copy. */
  readonly copy: string
  /** As whom its pictures are seen; left out: nothing lies on it. */
  readonly role?: Role
  /** Its pages as the teacher made them. */
  readonly printed: readonly WorksheetPage[]
  /** The size of what lies on them, in bytes. */
  readonly bytes: number
  /** Whose it is, said at the head of every page. */
  readonly head?: string
  /** A code at the foot of every page says which of which copy it is. */
  readonly coded?: boolean
  /** What the outline calls it. */
  readonly chapter?: string
  /** The pages as they are sent, and what lies on them. Asked for when it is their turn. */
  pages(): Promise<readonly BundlePage[]>
}

/** What is made of flat pages, in a process of its own. */
interface Making {
  readonly script: URL
  readonly name: string
  /** In which line it stands; `long`, if left out. */
  readonly kind?: Kind
}

const PDF: Making = { script: new URL('./flatten.ts', import.meta.url), name: 'flatten' }

/** A PDF of bundles of pages, one after the other. Throws `Refused` with a sentence where it cannot be made. */
export const pdfOf = (
  db: Context['db'],
  person: Pick<Person, 'id'>,
  title: string,
  bundles: readonly Bundle[],
  watched: Watched = {},
): Promise<Uint8Array> => madeOf(db, person, title, bundles, PDF, watched)

/** The same for anything else that is made of flat pages. */
export async function madeOf<Result = Uint8Array>(
  db: Context['db'],
  person: Pick<Person, 'id'>,
  title: string,
  bundles: readonly Bundle[],
  making: Making,
  { onPage, signal, arrange }: Watched = {},
): Promise<Result> {
  const printed = bundles.flatMap((bundle) => bundle.printed)
  if (printed.length > MOST_PAGES)
    throw new Refused(`That is more than ${MOST_PAGES} pages. Take fewer copies at once.`, 422)
  const made = await madeFor(db, printed, person.id)
  const task = async (): Promise<FlattenTask> => {
    const pages: (FlatPage & Pick<BundlePage, 'cuts'>)[] = []
    const files: Files = new Map()
    for (const bundle of bundles) {
      const own = (await bundle.pages()).map(({ page, items, cuts }, index, all) => ({
        // A page of its own for everybody: each is written once.
        page: { ...withPaper(page, made) },
        items,
        copy: bundle.copy,
        coded: bundle.coded ?? false,
        ...(cuts ? { cuts } : {}),
        ...(index === 0 && bundle.chapter !== undefined ? { chapter: bundle.chapter } : {}),
        ...(bundle.head ? { head: `${bundle.head}   page ${index + 1} of ${all.length}` } : {}),
      }))
      pages.push(...own)
      if (bundle.role)
        for (const [name, bytes] of await photosOn(db, bundle.copy, bundle.role, own)) files.set(name, bytes)
    }
    const origins = originsOf(printed, pages, made)
    for (const [name, bytes] of await filesOf(db, pages, made, origins)) files.set(name, bytes)
    return { title, pages, files, origins, ...(arrange ? { sheets: arrange(pages) } : {}) }
  }
  return inTurn<Result>({
    kind: 'long',
    ...making,
    task,
    bytes: bundles.reduce((all, { bytes }) => all + bytes, 0) + (await sizeOfSources(db, printed)),
    seconds: SECONDS + printed.length * SECONDS_A_PAGE,
    onProgress: onPage,
    signal,
    person: person.id,
  }).catch((error) => {
    if (error instanceof GaveOut)
      throw new Refused('This copy is too heavy to make a PDF of. Nothing of it is lost.', 422)
    throw error
  })
}

/** The size of all files that pages are made of, in bytes. */
async function sizeOfSources(db: Context['db'], pages: readonly WorksheetPage[]): Promise<number> {
  const names = pages.flatMap(partsOfPage).map(({ recipe }) => sourceOfRecipe(recipe))
  const [{ size } = { size: 0 }] = await db
    .select({ size: sum(files.size).mapWith(Number) })
    .from(files)
    .where(inArray(files.sha256, names))
  return size ?? 0
}

type Files = Map<string, Uint8Array>
type Made = ReadonlyMap<string, SentFile>

/** What is made of files for these pages, by name. */
async function madeFor(db: Context['db'], pages: readonly WorksheetPage[], person: string): Promise<Made> {
  const recipes = new Map<string, Recipe>()
  for (const { recipe } of pages.flatMap(partsOfPage)) recipes.set(nameOfRecipe(recipe), recipe)
  const made = new Map<string, SentFile>()
  const left = [...recipes]
  const makeSome = async () => {
    for (let next = left.shift(); next; next = left.shift()) {
      const [name, recipe] = next
      try {
        made.set(name, await sentFile(db, recipe, person))
      } catch (error) {
        // One page that cannot be drawn does not cost the others their place.
        if (!(error instanceof Refused) || error.status !== 422) throw error
      }
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, makeSome))
  return made
}

/** A page whose paper cannot be drawn says so in its place. */
function withPaper(page: WorksheetPage, made: Made): WorksheetPage {
  const file = paperFile(page.paper)
  if (file === undefined || made.has(file)) return page
  const { paperBox: _box, ...rest } = page
  const told: PrintedItem = {
    id: page.id,
    kind: 'direction',
    tone: 'madder',
    size: 12,
    x: 20,
    y: 20,
    width: Math.min(300, page.width),
    height: 24,
    text: 'The printed page cannot be drawn.',
  }
  return {
    ...rest,
    paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
    printed: [told, ...page.printed],
  }
}

/** The PDF pages that fill a page as they are, and were not drawn: those are taken from where they come from, together. */
function originsOf(
  printed: readonly WorksheetPage[],
  pages: readonly FlatPage[],
  made: Made,
): Map<string, Origin> {
  const origins = new Map<string, Origin>()
  const own = new Map(printed.map((page) => [page.id, page.paper]))
  for (const { page } of pages) {
    const paper = own.get(page.id)
    const sent = page.paper
    if (paper?.kind !== 'pdf' || sent.kind !== 'pdf' || page.paperBox || made.get(sent.file)?.drawn) continue
    origins.set(sent.file, { file: paper.file, number: paper.number })
  }
  return origins
}

/** The bytes of papers, pictures and pieces. A picture paper stands under its name and turn. */
async function filesOf(
  db: Context['db'],
  pages: readonly FlatPage[],
  made: Made,
  origins: ReadonlyMap<string, Origin>,
): Promise<Files> {
  const files: Files = new Map()
  const placed = new Set(
    pages.flatMap(({ page }) => (page.paperBox && page.paper.kind === 'pdf' ? [page.paper.file] : [])),
  )
  for (const [name, file] of made) {
    const source = origins.get(name)?.file
    if (source === undefined) files.set(name, await wholeFile(db, file.sha256))
    else if (!files.has(source)) files.set(source, await wholeFile(db, source))
    // The same paper may lie on another page where it does not fill it.
    if (source !== undefined && placed.has(name)) files.set(name, await wholeFile(db, file.sha256))
  }
  for (const { page } of pages) {
    const { paper } = page
    if (paper.kind !== 'picture') continue
    const turn = paper.turn ?? 0
    const bytes = files.get(paper.file)!
    files.set(`${paper.file} ${turn}`, turn === 0 ? bytes : await sharp(bytes).rotate(turn).toBuffer())
  }
  return files
}

/** The photos and pictures that lie on pages, by name: those of this copy that this role may see. */
async function photosOn(
  db: Context['db'],
  copy: string,
  role: Role,
  pages: readonly FlatPage[],
): Promise<Files> {
  const named = pages.flatMap(({ items }) => items.flatMap(picturesOfItem))
  const files: Files = new Map()
  for (const { id, file } of await seenAttachments(db, copy, role, named)) {
    const bytes = await wholeFile(db, file)
    const { format } = await sharp(bytes).metadata()
    // A PDF holds PNG and JPEG; what was kept before attachments were made so may be another.
    files.set(
      id,
      format === 'png' || format === 'jpeg' ? bytes : await sharp(bytes).rotate().png().toBuffer(),
    )
  }
  return files
}
