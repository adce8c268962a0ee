import { randomUUID } from 'node:crypto'
import { Readable } from 'node:stream'
import { MOST_FILE_BYTES, pictureSize, Refused, seenSize, type WorksheetPage } from '@hand-back/core'
import sharp from 'sharp'
import type { Queries } from '../db/connect.ts'
import { dropFile, type StoredFile, storeFile, wholeFile } from '../files/index.ts'
import { inWorker } from '../http/inWorker.ts'
import type { ReadPage, ReadPdf } from './readPdf.ts'
import type { UnlockTask } from './unlockPdf.ts'

const PICTURES = new Set(['image/png', 'image/jpeg', 'image/webp'])
/** A picture of more pixels than this cannot be shown by a tablet. */
const MOST_PIXELS = 100_000_000
/** The longest side of a picture that lies on a page, in pixels: 300 dots an inch over a sheet of A3. */
const LONGEST_SIDE = 4000
const SECONDS_TO_READ = 60

/** Pages made from one file, and the title that its name suggests. */
export interface BroughtIn {
  readonly title: string
  readonly pages: readonly WorksheetPage[]
}

/**
 * Stores a PDF or picture and makes worksheet pages of it. The bytes stay as they came. Throws
 * `Refused` with one sentence for what cannot be used, and then leaves nothing behind.
 */
export async function bringIn(
  db: Queries,
  name: string,
  stream: Readable,
  passwords: readonly string[] = [],
): Promise<BroughtIn> {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  try {
    const title = titleFrom(name)
    const pages =
      file.type === 'application/pdf'
        ? await pdfPages(db, file, title, passwords)
        : await picturePage(db, file)
    return { title, pages }
  } catch (error) {
    await dropFile(db, file.sha256)
    throw error
  }
}

async function pdfPages(
  db: Queries,
  file: StoredFile,
  title: string,
  passwords: readonly string[],
): Promise<WorksheetPage[]> {
  const bytes = new Uint8Array(await wholeFile(db, file.sha256))
  const read = await readInWorker(bytes)
  if ('locked' in read) {
    const open = await unlocked(bytes, passwords)
    if (!open) throw new Refused(lockedSentence(title, passwords.length > 0), 423)
    return unlockedPages(db, file, open)
  }
  if ('refused' in read) throw new Refused(read.refused, 422)
  return pagesOfPdf(file.sha256, read.pages)
}

function readInWorker(bytes: Uint8Array): Promise<ReadPdf> {
  const script = new URL('./readPdf.ts', import.meta.url)
  return inWorker<ReadPdf>(script, 'readPdf', bytes, SECONDS_TO_READ).catch(
    (): ReadPdf => ({ refused: 'This PDF is damaged, or too heavy to read.' }),
  )
}

/** What a PDF holds without its lock, opened by the first password that fits. */
async function unlocked(bytes: Uint8Array, passwords: readonly string[]): Promise<Uint8Array | undefined> {
  const script = new URL('./unlockPdf.ts', import.meta.url)
  for (const password of passwords) {
    const task: UnlockTask = { bytes, password }
    const open = await inWorker<Uint8Array | undefined>(script, 'unlockPdf', task, SECONDS_TO_READ)
    if (open) return open
  }
  return undefined
}

/** A locked PDF is kept without its lock: what is locked can be neither shown nor flattened. */
async function unlockedPages(db: Queries, file: StoredFile, open: Uint8Array): Promise<WorksheetPage[]> {
  const read = await readInWorker(open)
  if (!('pages' in read)) throw new Refused('This PDF cannot be unlocked here.', 422)
  const stored = await storeFile(db, Readable.from([Buffer.from(open)]), MOST_FILE_BYTES)
  await dropFile(db, file.sha256)
  return pagesOfPdf(stored.sha256, read.pages)
}

const lockedSentence = (title: string, tried: boolean) =>
  tried
    ? `That is not the password of “${title}”. Try it once more.`
    : `“${title}” is locked with a password.`

function pagesOfPdf(file: string, pages: readonly ReadPage[]): WorksheetPage[] {
  return pages.map((page) => ({
    id: randomUUID(),
    ...seenSize(page),
    paper: { kind: 'pdf', file, ...page },
    printed: [],
  }))
}

async function picturePage(db: Queries, file: StoredFile): Promise<WorksheetPage[]> {
  const { width, height } = await readPicture(db, file)
  const paper = { kind: 'picture', file: file.sha256 } as const
  return [{ id: randomUUID(), ...pictureSize(width, height), paper, printed: [] }]
}

/** Stores a picture to be put on a page, and tells its size in pixels as it is seen. Throws `Refused`. */
export async function bringInPicture(db: Queries, stream: Readable) {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  try {
    const { width, height } = await readPicture(db, file)
    const longest = Math.max(width, height)
    return longest > LONGEST_SIDE
      ? await smaller(db, file, LONGEST_SIDE / longest)
      : { file: file.sha256, width, height }
  } catch (error) {
    await dropFile(db, file.sha256)
    throw error
  }
}

/** More pixels than any page shows would only be carried about. */
async function smaller(db: Queries, file: StoredFile, factor: number) {
  const bytes = await wholeFile(db, file.sha256)
  const { width, height } = await readPicture(db, file)
  const size = {
    width: Math.max(1, Math.round(width * factor)),
    height: Math.max(1, Math.round(height * factor)),
  }
  const made = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).rotate().resize(size).toBuffer()
  const stored = await storeFile(db, Readable.from([made]), MOST_FILE_BYTES)
  await dropFile(db, file.sha256)
  return { file: stored.sha256, ...size }
}

async function readPicture(db: Queries, file: StoredFile): Promise<{ width: number; height: number }> {
  if (!PICTURES.has(file.type)) {
    throw new Refused(
      'Only PDFs and pictures (PNG, JPEG, WebP) can be brought in. This is something else.',
      422,
    )
  }
  const bytes = await wholeFile(db, file.sha256)
  const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS })
  const {
    width,
    height,
    orientation = 1,
  } = await picture.metadata().catch(() => ({ width: 0, height: 0, orientation: 1 }))
  // The header alone can lie: only a picture that decodes to its end is whole.
  const whole =
    width > 0 &&
    (await picture.stats().then(
      () => true,
      () => false,
    ))
  if (!whole) throw new Refused('This picture is damaged or too large, and cannot be shown.', 422)
  // EXIF orientations 5 to 8 lie on their side.
  return orientation >= 5 ? { width: height, height: width } : { width, height }
}

function titleFrom(name: string): string {
  const bare = name
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[_\s]+/g, ' ')
    .replace(/\p{C}/gu, '')
    .trim()
  return (bare || 'Worksheet').slice(0, 120)
}
