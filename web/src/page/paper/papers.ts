import { type Bounds, CALLS, type Paper } from '@hand-back/core'
import { urlOf } from '../../api/ask.ts'
import { type Drawer, type Drawing, PaperQueue } from './paperQueue.ts'
import type { PaperAnswer, PaperSource } from './paperTasks.ts'
import PaperWorker from './paperWorker.ts?worker'
import paperWorkerUrl from './paperWorker.ts?worker&url'

export type { Drawing } from './paperQueue.ts'

/** Where the worker that draws papers is to be had. */
export const PAPER_WORKER: string = paperWorkerUrl

/** A paper that takes longer than this to draw never ends, in milliseconds: its worker is ended instead. */
const DRAWN_WITHIN = 30_000
/** While one paper takes longer than this, the others are drawn by a second worker. */
const SLOW = 2_000

const drawing = new PaperQueue(() => asDrawer(new PaperWorker()), { within: DRAWN_WITHIN, slow: SLOW })

/** Draws part of a page's paper off the main thread, `scale` pixels a point. Newest wishes come first. Rejects with `TooHeavy` for one that cannot be drawn. */
export function drawPaper(source: PaperSource, part: Bounds, scale: number): Drawing {
  return drawing.draw(source, part, scale)
}

/** Fetches and starts what draws papers, before the first is wanted. */
export function warmPapers(): void {
  drawing.warm()
}

function asDrawer(worker: Worker): Drawer {
  return {
    draw: (task) => worker.postMessage(task),
    onAnswer: (listener) => {
      worker.onmessage = ({ data }: MessageEvent<PaperAnswer>) => listener(data)
      // Out of memory, a worker ends without a word to its tasks.
      worker.onerror = () => listener(undefined)
    },
    end: () => worker.terminate(),
  }
}

type DrawnPaper = Exclude<Paper, { kind: 'ruled' }>
interface Size {
  readonly width: number
  readonly height: number
}

/** Where a paper is to be had; `whole` is its size as seen, in points. */
export function sourceOf(paper: DrawnPaper, whole: Size): PaperSource {
  const url = new URL(urlOf(CALLS.file, { file: paper.file }), location.href).href
  return paper.kind === 'pdf'
    ? { kind: 'pdf', url, number: paper.number, turn: paper.turn }
    : { kind: 'picture', url, ...whole, turn: paper.turn ?? 0 }
}

/** The most whole papers kept drawn, and the longest side of one in pixels. */
const MOST_WHOLE = 24
const WHOLE_SIDE = 1400
const wholes = new Map<string, Promise<ImageBitmap>>()

/** A whole paper at a middling size, drawn once and shared by everything that shows it: thumbnails, first sight, all copies. */
export function wholePaper(paper: DrawnPaper, size: Size): Promise<ImageBitmap> {
  const key = JSON.stringify(paper)
  let whole = wholes.get(key)
  if (whole) {
    wholes.delete(key)
  } else {
    const scale = WHOLE_SIDE / Math.max(size.width, size.height)
    whole = drawPaper(sourceOf(paper, size), { x0: 0, y0: 0, x1: size.width, y1: size.height }, scale).bitmap
    whole.catch(() => wholes.delete(key))
  }
  wholes.set(key, whole)
  if (wholes.size > MOST_WHOLE) wholes.delete(wholes.keys().next().value!)
  return whole
}
