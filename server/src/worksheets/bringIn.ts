import { randomUUID } from 'node:crypto'
import { Readable } from 'node:stream'
import {
  filesOfPages,
  MOST_FILE_BYTES,
  pictureSize,
  Refused,
  seenSize,
  type WorksheetPage,
} from '@hand-back/core'
import type { Database } from '../db/connect.ts'
import { dropFile, isFilm, isSound, type StoredFile, storeFile, wholeFile } from '../files/index.ts'
import { inTurn } from '../work/index.ts'
import type { ReadPage, ReadPdf } from './readPdf.ts'
import { isPictureType, type PictureRead, type PictureTask } from './readPicture.ts'
import type { UnlockTask } from './unlockPdf.ts'

/** The longest side of a picture that lies on a page, in pixels: 300 dots an inch over a sheet of A3. */
const LONGEST_SIDE = 4000
const SECONDS_TO_READ = 30

/** Pages made from one file, and the title that its name suggests. */
export interface BroughtIn {
  readonly title: string
  readonly pages: readonly WorksheetPage[]
  /** What is worth knowing of it, in sentences. */
  readonly said: readonly string[]
}

/**
 * Stores a PDF or picture and makes worksheet pages of it. The bytes stay as they came. Throws
 * `Refused` with one sentence for what cannot be used, and then leaves nothing behind.
 */
export async function bringIn(
  db: Database,
  person: string,
  name: string,
  stream: Readable,
  passwords: readonly string[] = [],
): Promise<BroughtIn> {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  try {
    const title = titleFrom(name)
    if (file.type !== 'application/pdf')
      return { title, pages: await picturePage(db, person, file), said: [] }
    const { pages, hasFields } = await pdfPages(db, person, file, title, passwords)
    return { title, pages, said: hasFields ? [fieldsSentence(title)] : [] }
  } catch (error) {
    await dropFile(db, file.sha256)
    throw error
  }
}

/** What became of one file of several. */
export type FileFate = { readonly brought: BroughtIn } | { readonly name: string; readonly refused: Refused }

/** The same for one of several files, so that a bad one does not cost the others their place. */
export async function bringInOne(...asked: Parameters<typeof bringIn>): Promise<FileFate> {
  try {
    return { brought: await bringIn(...asked) }
  } catch (error) {
    if (error instanceof Refused) return { name: asked[2], refused: error }
    throw error
  }
}

/**
 * The good ones among files, and what was wrong with the others. Throws `Refused`, with nothing left
 * behind, when none is good, and when one waits for its password.
 */
export async function goodOnes(
  db: Database,
  fates: readonly FileFate[],
): Promise<{ good: BroughtIn[]; refused: { name: string; sentence: string }[]; said: string[] }> {
  const good = fates.flatMap((fate) => ('brought' in fate ? [fate.brought] : []))
  const bad = fates.flatMap((fate) => ('refused' in fate ? [fate] : []))
  const locked = bad.find(({ refused }) => refused.status === 423)
  const [first] = bad
  if (locked || (first && good.length === 0)) {
    for (const file of filesOfPages(good.flatMap(({ pages }) => pages))) await dropFile(db, file)
    if (locked || bad.length === 1) throw (locked ?? first!).refused
    throw new Refused(bad.map(({ name, refused }) => `“${name}”: ${refused.message}`).join(' '), 422)
  }
  const refused = bad.map((each) => ({ name: each.name, sentence: each.refused.message }))
  return { good, refused, said: good.flatMap((file) => file.said) }
}

async function pdfPages(
  db: Database,
  person: string,
  file: StoredFile,
  title: string,
  passwords: readonly string[],
): Promise<Kept> {
  const read = await readInTurn(person, file.size, () => wholeFile(db, file.sha256))
  if ('locked' in read) {
    const open = await unlocked(db, person, file, passwords)
    if (!open) throw new Refused(lockedSentence(title, passwords.length > 0), 423)
    const unlockedRead = await readInTurn(person, open.length, () => open)
    if (!('pages' in unlockedRead)) throw new Refused('This PDF cannot be unlocked here.', 422)
    return keptInstead(db, file, { ...unlockedRead, open: unlockedRead.open ?? open })
  }
  if ('refused' in read) throw new Refused(read.refused, 422)
  return keptInstead(db, file, read)
}

function readInTurn(
  person: string,
  size: number,
  bytes: () => Promise<Uint8Array> | Uint8Array,
): Promise<ReadPdf> {
  return inTurn<ReadPdf>({
    kind: 'quick',
    script: new URL('./readPdf.ts', import.meta.url),
    name: 'readPdf',
    task: async () => new Uint8Array(await bytes()),
    bytes: size,
    seconds: SECONDS_TO_READ,
    person,
  }).catch((error): ReadPdf => {
    if (error instanceof Refused) throw error
    return { refused: 'This PDF is damaged, or too heavy to read.' }
  })
}

/** What a PDF holds without its lock, opened by the first password that fits. */
async function unlocked(
  db: Database,
  person: string,
  file: StoredFile,
  passwords: readonly string[],
): Promise<Uint8Array | undefined> {
  for (const password of passwords) {
    const open = await inTurn<Uint8Array | undefined>({
      kind: 'quick',
      script: new URL('./unlockPdf.ts', import.meta.url),
      name: 'unlockPdf',
      task: async (): Promise<UnlockTask> => ({
        bytes: new Uint8Array(await wholeFile(db, file.sha256)),
        password,
      }),
      bytes: file.size,
      seconds: SECONDS_TO_READ,
      person,
    })
    if (open) return open
  }
  return undefined
}

/** A PDF is kept as it can be used later: what is locked can be neither shown nor flattened. */
async function keptInstead(
  db: Database,
  file: StoredFile,
  { pages, open, hasFields }: Extract<ReadPdf, { pages: unknown }>,
): Promise<Kept> {
  if (!open) return { pages: pagesOfPdf(file.sha256, pages), hasFields }
  const stored = await storeFile(db, Readable.from([Buffer.from(open)]), MOST_FILE_BYTES)
  await dropFile(db, file.sha256)
  return { pages: pagesOfPdf(stored.sha256, pages), hasFields }
}

interface Kept {
  readonly pages: WorksheetPage[]
  readonly hasFields: boolean
}

const fieldsSentence = (title: string) =>
  `“${title}” has form fields. They are printed as they look; lay boxes to type in over them.`

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

async function picturePage(db: Database, person: string, file: StoredFile): Promise<WorksheetPage[]> {
  const { width, height } = await readPicture(db, person, file)
  const paper = { kind: 'picture', file: file.sha256 } as const
  return [{ id: randomUUID(), ...pictureSize(width, height), paper, printed: [] }]
}

/** Stores a picture to be put on a page, and tells its size in pixels as it is seen. Throws `Refused`. */
export async function bringInPicture(db: Database, person: string, stream: Readable) {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  try {
    const { width, height, smaller } = await readPicture(db, person, file, LONGEST_SIDE)
    if (!smaller) return { file: file.sha256, width, height }
    const stored = await storeFile(db, Readable.from([Buffer.from(smaller)]), MOST_FILE_BYTES)
    await dropFile(db, file.sha256)
    return { file: stored.sha256, width, height }
  } catch (error) {
    await dropFile(db, file.sha256)
    throw error
  }
}

/** Stores a film, or a voice, to be put on a page as it came. Throws `Refused`. */
export async function bringInFilm(db: Database, stream: Readable): Promise<{ file: string }> {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  if (isFilm(file) || isSound(file)) return { file: file.sha256 }
  await dropFile(db, file.sha256)
  throw new Refused('This is not a film or a sound that can be played.', 422)
}

async function readPicture(db: Database, person: string, file: StoredFile, longest?: number) {
  const read = await inTurn<PictureRead>({
    kind: 'quick',
    script: new URL('./readPicture.ts', import.meta.url),
    name: 'readPicture',
    task: async (): Promise<PictureTask> => ({
      type: file.type,
      bytes: isPictureType(file.type) ? new Uint8Array(await wholeFile(db, file.sha256)) : new Uint8Array(),
      longest,
    }),
    bytes: file.size,
    seconds: SECONDS_TO_READ,
    person,
  }).catch((error): PictureRead => {
    if (error instanceof Refused) throw error
    return { refused: 'This picture is too heavy to read. Make it smaller first.' }
  })
  if ('refused' in read) throw new Refused(read.refused, 422)
  return read
}

function titleFrom(name: string): string {
  const bare = name
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[_\s]+/g, ' ')
    .replace(/\p{C}/gu, '')
    .trim()
  return (bare || 'Worksheet').slice(0, 120)
}
