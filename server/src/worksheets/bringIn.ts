import { randomUUID } from 'node:crypto'
import type { Readable } from 'node:stream'
import { MOST_FILE_BYTES, pictureSize, Refused, seenSize, type WorksheetPage } from '@hand-back/core'
import sharp from 'sharp'
import type { Queries } from '../db/connect.ts'
import { dropFile, type StoredFile, storeFile, wholeFile } from '../files/index.ts'
import { inWorker } from '../http/inWorker.ts'
import type { ReadPdf } from './readPdf.ts'

const PICTURES = new Set(['image/png', 'image/jpeg', 'image/webp'])
/** A picture of more pixels than this cannot be shown by a tablet. */
const MOST_PIXELS = 100_000_000
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
export async function bringIn(db: Queries, name: string, stream: Readable): Promise<BroughtIn> {
  const file = await storeFile(db, stream, MOST_FILE_BYTES)
  try {
    const pages = file.type === 'application/pdf' ? await pdfPages(db, file) : await picturePage(db, file)
    return { title: titleFrom(name), pages }
  } catch (error) {
    await dropFile(db, file.sha256)
    throw error
  }
}

async function pdfPages(db: Queries, file: StoredFile): Promise<WorksheetPage[]> {
  const bytes = new Uint8Array(await wholeFile(db, file.sha256))
  const script = new URL('./readPdf.ts', import.meta.url)
  const read = await inWorker<ReadPdf>(script, 'readPdf', bytes, SECONDS_TO_READ).catch(
    (): ReadPdf => ({ refused: 'This PDF is damaged, or too heavy to read.' }),
  )
  if ('refused' in read) throw new Refused(read.refused, 422)
  return read.pages.map((page) => ({
    id: randomUUID(),
    ...seenSize(page),
    paper: { kind: 'pdf', file: file.sha256, ...page },
  }))
}

async function picturePage(db: Queries, file: StoredFile): Promise<WorksheetPage[]> {
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
  const size = orientation >= 5 ? pictureSize(height, width) : pictureSize(width, height)
  return [{ id: randomUUID(), ...size, paper: { kind: 'picture', file: file.sha256 } }]
}

function titleFrom(name: string): string {
  const bare = name
    .replace(/\.[a-z0-9]{1,5}$/i, '')
    .replace(/[_\s]+/g, ' ')
    .replace(/\p{C}/gu, '')
    .trim()
  return (bare || 'Worksheet').slice(0, 120)
}
