import { drawnCode, drawnPage, drawnPaper, type WorksheetPage } from '@hand-back/core'
import { bitmapsFor } from '../draw/bitmaps.ts'
import { lettersReady, measure } from '../draw/letters.ts'
import { paintedPage } from '../draw/paintedPage.ts'

/** A sheet is compared with its page at so many dots an inch, and as no more pixels than this at the longer side. */
const DOTS = 110
const LONGEST = 1800

/** A page of a copy as it was printed, empty and with its code. Rejects while its paper is out of reach. */
export async function printedToCompare(copy: string, page: WorksheetPage): Promise<ImageBitmap> {
  await lettersReady()
  const drawn = [
    ...drawnPaper(page, measure),
    ...drawnPage(page, [], copy, measure),
    ...drawnCode({ copy, page: page.id }, page),
  ]
  const scale = Math.min(DOTS / 72, LONGEST / Math.max(page.width, page.height))
  return (await paintedPage(page, drawn, scale, bitmapsFor())).transferToImageBitmap()
}
