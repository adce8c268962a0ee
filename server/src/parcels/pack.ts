import {
  FileNames,
  fileName,
  type ParcelWish,
  type Person,
  Refused,
  stripsOnSheets,
  twoASheet,
} from '@hand-back/core'
import type { Context } from '../context.ts'
import { type Bundle, type BundleNamed, bundleOf, pdfOf } from '../formats/index.ts'
import { ownHandout } from '../handouts/index.ts'
import { notHere } from '../http/as.ts'
import { measure } from '../pdf/index.ts'
import type { Pieces } from './pieces.ts'
import { recordingsOn } from './recordings.ts'
import { copiesWished, ownCopiesOf, questionWished } from './wishes.ts'
import { ZipWriter } from './zipWriter.ts'

type OfHandout = Extract<ParcelWish, { of: 'handout' }>

/** On what a parcel is packed, for whom, and where to. */
export interface Packing {
  readonly context: Context
  readonly person: Person
  readonly pieces: Pieces
  /** Nobody wants it any more. */
  readonly signal: AbortSignal
}

/**
 * Packs what is wished for into pieces, with what this person may read of it now. Throws `Refused` with a sentence where it
 * cannot be packed, and `Stopped` where nobody wants it any more.
 */
export async function pack(packing: Packing, wish: ParcelWish): Promise<void> {
  if (wish.of === 'own') return packOwn(packing)
  return wish.form === 'one' ? packInOne(packing, wish) : packEach(packing, wish)
}

const plain = { empty: false, named: false, coded: false } as const

/** All copies in one PDF, one after the other, with an outline; or the answers to one question of all of them. */
async function packInOne({ context, person, pieces, signal }: Packing, wish: OfHandout): Promise<void> {
  const { db } = context
  const { title } = await ownHandout(db, person.id, wish.handout)
  const question = await questionWished(db, person, wish)
  const wanted = { ...plain, withoutMarks: !wish.marks, cover: wish.cover && !question, question }
  const bundles: Bundle[] = []
  for (const { id } of await copiesWished(db, wish)) {
    const bundle = await bundleOf(db, person, id, wanted)
    if (bundle.printed.length > 0) bundles.push({ ...bundle, chapter: bundle.name })
  }
  if (question && bundles.length === 0)
    throw new Refused(`None of these copies has question ${question.label}.`, 422)
  const all = bundles.reduce((sum, { printed }) => sum + printed.length, 0)
  const name = question ? `${title}, question ${question.label}` : title
  await pieces.tell(0, all)
  const bytes = await pdfOf(db, person, name, bundles, {
    signal,
    // Who wants it no more is heard of by the signal.
    onPage: (done) => void pieces.tell(Math.min(done, all), all).catch(() => {}),
    ...(question
      ? {
          arrange: (pages) =>
            stripsOnSheets(
              name,
              pages.flatMap(({ cuts = [] }, page) => cuts.map((cut) => ({ page, ...cut }))),
              measure,
            ),
        }
      : wish.twoASheet
        ? {
            arrange: (pages) =>
              twoASheet(pages.map(({ page: { width, height }, chapter }) => ({ width, height, chapter }))),
          }
        : {}),
  })
  await pieces.write(bytes)
}

/** A file for each copy, in an archive. */
async function packEach(packing: Packing, wish: OfHandout): Promise<void> {
  const { db } = packing.context
  const { title } = await ownHandout(db, packing.person.id, wish.handout)
  const copies = await copiesWished(db, wish)
  const wanted = { ...plain, withoutMarks: !wish.marks, cover: wish.cover }
  const names = new FileNames()
  const folder = fileName(title)
  await inZip(packing, copies, async (zip, { id }) => {
    const bundle = await bundleOf(db, packing.person, id, wanted)
    const { twoASheet: two, recordings } = wish
    await addCopy(packing, zip, bundle, { names, folder, called: bundle.name, two, recordings })
  })
}

/** Everything that a student has, a folder for each class. */
async function packOwn(packing: Packing): Promise<void> {
  const { person } = packing
  if (person.role !== 'student') throw notHere()
  const { db } = packing.context
  const names = new FileNames()
  await inZip(packing, await ownCopiesOf(db, person.id), async (zip, { id, title, className }) => {
    const bundle = await bundleOf(db, person, id, plain)
    const folder = fileName(className)
    await addCopy(packing, zip, bundle, { names, folder, called: title, two: false, recordings: true })
  })
}

async function inZip<Of>(
  { pieces, signal }: Packing,
  all: readonly Of[],
  add: (zip: ZipWriter, each: Of) => Promise<void>,
): Promise<void> {
  const zip = new ZipWriter((bytes) => pieces.write(bytes))
  for (const [done, each] of all.entries()) {
    signal.throwIfAborted()
    await pieces.tell(done, all.length)
    await add(zip, each)
  }
  await zip.end()
  await pieces.tell(all.length, all.length)
}

interface InZip {
  readonly names: FileNames
  readonly folder: string
  readonly called: string
  readonly two: boolean
  readonly recordings: boolean
}

/** Adds a copy as PDF, and beside it what is to be heard on it. */
async function addCopy(
  { context: { db }, person, signal }: Packing,
  zip: ZipWriter,
  bundle: BundleNamed,
  { names, folder, called, two, recordings }: InZip,
): Promise<void> {
  // Read once, for the pages and for what lies on them.
  const pages = await bundle.pages()
  const bytes = await pdfOf(db, person, bundle.title, [{ ...bundle, pages: async () => pages }], {
    signal,
    ...(two ? { arrange: (flat) => twoASheet(flat.map(({ page }) => page)) } : {}),
  })
  await zip.add(names.take(called, 'pdf', folder), [bytes])
  if (!recordings || !bundle.role) return
  const items = pages.flatMap((page) => page.items)
  for await (const { name, pieces } of recordingsOn(db, bundle.copy, bundle.role, items, {
    names,
    called,
    folder,
  }))
    await zip.add(name, pieces)
}
