import type { Bounds, Paper } from '@hand-back/core'
import { apiUrl } from '../../seat.ts'
import type { PaperAnswer, PaperSource, PaperTask } from './paperTasks.ts'
import PaperWorker from './paperWorker.ts?worker'
import paperWorkerUrl from './paperWorker.ts?worker&url'

/** A drawing of a paper under way. */
export interface Drawing {
  readonly bitmap: Promise<ImageBitmap>
  /** It is not wanted any more. */
  forget(): void
}

interface Waiting {
  done(bitmap: ImageBitmap): void
  failed(problem: Error): void
}

/** Where the worker that draws papers is to be had. */
export const PAPER_WORKER: string = paperWorkerUrl

let worker: Worker | undefined
let nextId = 1
const waiting = new Map<number, Waiting>()

/** Draws part of a page's paper off the main thread, `scale` pixels a point. Newest wishes come first. */
export function drawPaper(source: PaperSource, part: Bounds, scale: number): Drawing {
  const id = nextId++
  const bitmap = new Promise<ImageBitmap>((done, failed) => waiting.set(id, { done, failed }))
  const task: PaperTask = { id, source, part, scale }
  paperWorker().postMessage(task)
  return {
    bitmap,
    forget() {
      waiting.delete(id)
      paperWorker().postMessage({ forget: id })
    },
  }
}

/** Fetches and starts what draws papers, before the first is wanted. */
export function warmPapers(): void {
  paperWorker()
}

function paperWorker(): Worker {
  if (worker) return worker
  worker = new PaperWorker()
  worker.onmessage = ({ data }: MessageEvent<PaperAnswer>) => {
    const held = waiting.get(data.id)
    waiting.delete(data.id)
    if (!('bitmap' in data)) held?.failed(new Error(data.problem))
    else if (held) held.done(data.bitmap)
    else data.bitmap.close()
  }
  return worker
}

type DrawnPaper = Exclude<Paper, { kind: 'ruled' }>
interface Size {
  readonly width: number
  readonly height: number
}

/** Where a paper is to be had; `whole` is its size as seen, in points. */
export function sourceOf(paper: DrawnPaper, whole: Size): PaperSource {
  const url = new URL(apiUrl(`/files/${paper.file}`), location.href).href
  return paper.kind === 'pdf'
    ? { kind: 'pdf', url, number: paper.number, unit: paper.unit, turn: paper.turn }
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
