import type { PagesAnswer, PaperAnswer } from '../paper/paperTasks.ts'
import PaperWorker from '../paper/paperWorker.ts?worker'

/** The longest side of a page of a scan as it is read, in pixels: A4 at 220 dots an inch. */
const LONGEST = 2600

/** A scan as a PDF: its pages as pictures. */
export interface PdfPages {
  readonly count: number
  /** A page, from 1. Rejects for one that cannot be drawn. */
  picture(number: number): Promise<ImageBitmap>
  close(): void
}

/** Opens a PDF on this device. Rejects for what is none, and for one that is locked. */
export async function pdfPages(file: Blob): Promise<PdfPages> {
  const url = URL.createObjectURL(file)
  const worker = new PaperWorker()
  let last = 0
  const ask = <Answer extends PagesAnswer | PaperAnswer>(task: object): Promise<Answer> =>
    new Promise((done, failed) => {
      const id = ++last
      const heard = ({ data }: MessageEvent<PagesAnswer | PaperAnswer>) => {
        if (data.id !== id || 'begun' in data) return
        worker.removeEventListener('message', heard)
        if ('problem' in data) failed(new Error(data.problem))
        else done(data as Answer)
      }
      worker.addEventListener('message', heard)
      worker.postMessage({ id, ...task })
    })
  const close = () => {
    worker.terminate()
    URL.revokeObjectURL(url)
  }
  try {
    const { pages } = await ask<Extract<PagesAnswer, { pages: unknown }>>({ pagesOf: url })
    return {
      count: pages.length,
      async picture(number) {
        const { width, height } = pages[number - 1]!
        const { bitmap } = await ask<Extract<PaperAnswer, { bitmap: unknown }>>({
          source: { kind: 'pdf', url, number },
          part: { x0: 0, y0: 0, x1: width, y1: height },
          scale: LONGEST / Math.max(width, height),
        })
        return bitmap
      },
      close,
    }
  } catch (error) {
    close()
    throw error
  }
}
