import { MOST_PAGES, type PdfPaper, type QuarterTurn } from '@hand-back/core'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'

/** What a PDF page is, without its file. */
export type ReadPage = Omit<PdfPaper, 'kind' | 'file'>
export type ReadPdf = { pages: ReadPage[] } | { refused: string } | { locked: true }

/** A whole PDF says so in its last bytes (ISO 32000-2, 7.5.5); two kilobytes allow for what senders append. */
const END_WITHIN = 2048
/** Pages wider than 200 inches cannot be shown or printed (ISO 32000-2, annex C: 14,400 units). */
const MOST_POINTS = 14_400

/**
 * Reads the size, turn and box of every page. The boxes are those that are seen: the crop box within
 * the media box. What cannot be used is refused with one sentence.
 */
export async function readPdf(bytes: Uint8Array): Promise<ReadPdf> {
  if (!Buffer.from(bytes.buffer, bytes.byteOffset, bytes.length).subarray(-END_WITHIN).includes('%%EOF')) {
    return { refused: 'This PDF is not complete: its end is missing. Get it again and try once more.' }
  }
  const loading = getDocument({ data: bytes, verbosity: 0, isEvalSupported: false, stopAtErrors: true })
  try {
    const document = await loading.promise
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
      if (!(longest > 0 && longest <= MOST_POINTS && x1 > x0 && y1 > y0)) {
        return { refused: `Page ${number} of this PDF has a size that cannot be used.` }
      }
      pages.push({
        number,
        box: [x0, y0, x1, y1],
        turn: (((page.rotate % 360) + 360) % 360) as QuarterTurn,
        unit,
      })
      page.cleanup()
    }
    return pages.length > 0 ? { pages } : { refused: 'This PDF has no pages.' }
  } catch (error) {
    if ((error as Error).name === 'PasswordException') return { locked: true }
    return { refused: 'This PDF is damaged and cannot be read.' }
  } finally {
    await loading.destroy()
  }
}
