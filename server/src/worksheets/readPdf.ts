import { MOST_PAGES, type PdfPaper, type QuarterTurn } from '@hand-back/core'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { openPdf } from '../pdf/openPdf.ts'

/** What a PDF page is, without its file. */
export type ReadPage = Omit<PdfPaper, 'kind' | 'file'>
export type ReadPdf =
  | { pages: ReadPage[]; open?: Uint8Array; hasFields: boolean }
  | { refused: string }
  | { locked: true }

/** Pages wider than 200 inches cannot be shown or printed (ISO 32000-2, annex C: 14,400 units). */
const MOST_POINTS = 14_400
/** No program puts a page so far from its origin. */
const FARTHEST = 1e6

/**
 * Reads the size, turn and box of every page. The boxes are those that are seen: the crop box within
 * the media box. What cannot be used is refused with one sentence. `open` is there when the bytes to be
 * kept are others than those that came: without what stood before and after, or without a lock that
 * opens by itself.
 */
export async function readPdf(came: Uint8Array): Promise<ReadPdf> {
  const bytes = withoutRest(came)
  if (!bytes)
    return { refused: 'This PDF is not complete: its end is missing. Get it again and try once more.' }
  const read = await readPages(bytes)
  if (!('pages' in read)) return read
  try {
    const document = await openPdf(bytes)
    if (document.getPageCount() !== read.pages.length) return DAMAGED
    const { pages, hasFields } = read
    if (read.encrypted) return { pages, hasFields, open: await document.save() }
    return { pages, hasFields, ...(bytes === came ? {} : { open: bytes }) }
  } catch {
    return DAMAGED
  }
}

const DAMAGED = { refused: 'This PDF is damaged and cannot be read.' } as const

/**
 * The bytes from the header to the last end mark (ISO 32000-2, 7.5.2 and 7.5.5): mail and web programs
 * put theirs before and after. Nothing when what follows the last end mark is more of the PDF: it was cut short.
 */
function withoutRest(came: Uint8Array): Uint8Array | undefined {
  const bytes = Buffer.from(came.buffer, came.byteOffset, came.length)
  const start = Math.max(0, bytes.indexOf('%PDF-'))
  const end = bytes.lastIndexOf('%%EOF')
  if (end < start) return undefined
  const rest = bytes.subarray(end + 5)
  if (/\d+ \d+ obj\b|\bendstream\b|\bstartxref\b/.test(rest.toString('latin1'))) return undefined
  return start === 0 && rest.length <= 2 ? came : new Uint8Array(bytes.subarray(start, end + 5))
}

async function readPages(
  bytes: Uint8Array,
): Promise<
  { pages: ReadPage[]; encrypted: boolean; hasFields: boolean } | Exclude<ReadPdf, { pages: unknown }>
> {
  // pdf.js takes the bytes for itself.
  const loading = getDocument({
    data: bytes.slice(),
    verbosity: 0,
    isEvalSupported: false,
    stopAtErrors: true,
  })
  try {
    const document = await loading.promise
    const { info } = await document.getMetadata()
    const hasFields = (await document.getFieldObjects()) !== null
    const encrypted = Boolean((info as { EncryptFilterName?: string | null }).EncryptFilterName)
    if (document.numPages > MOST_PAGES) {
      return {
        refused: `This PDF has ${document.numPages} pages; ${MOST_PAGES} is the most. Take out a part of it first.`,
      }
    }
    const pages: ReadPage[] = []
    for (let number = 1; number <= document.numPages; number++) {
      const page = await document.getPage(number)
      const [x0, y0, x1, y1] = page.view as [number, number, number, number]
      const unit = page.userUnit || 1
      const longest = Math.max(x1 - x0, y1 - y0) * unit
      const near = [x0, y0, x1, y1].every((value) => Math.abs(value) <= FARTHEST)
      if (!(near && longest >= 1 && longest <= MOST_POINTS && x1 > x0 && y1 > y0)) {
        return {
          refused: `Page ${number} of this PDF has a size that cannot be used: 200 inches is the most.`,
        }
      }
      pages.push({
        number,
        box: [x0, y0, x1, y1],
        turn: (((page.rotate % 360) + 360) % 360) as QuarterTurn,
        unit,
      })
      page.cleanup()
    }
    return pages.length > 0 ? { pages, encrypted, hasFields } : { refused: 'This PDF has no pages.' }
  } catch (error) {
    if ((error as Error).name === 'PasswordException') return { locked: true }
    return DAMAGED
  } finally {
    await loading.destroy()
  }
}
