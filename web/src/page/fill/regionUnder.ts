import {
  type Drawn,
  drawnInk,
  drawnPage,
  drawnPaper,
  type Item,
  type Point,
  paperPiece,
  shinesThrough,
  type WorksheetPage,
} from '@hand-back/core'
import { measure } from '../draw/letters.ts'
import { type Bitmaps, paint } from '../draw/paint.ts'
import { drawPaper, sourceOf } from '../paper/papers.ts'
import type { FillAnswer, FillTask } from './fillTask.ts'
import FillWorker from './fillWorker.ts?worker'

/** How finely a page is looked at: 150 dots an inch, and at most so many in all. */
const FINE = 150 / 72
const MOST_PIXELS = 4_000_000

/** A page and what lies on it. */
export interface Bounding {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
  readonly copy: string
  readonly bitmaps: Bitmaps
}

/**
 * The rings of the region that a tap on a page means, bounded by all that is printed and drawn there but for what
 * shines through. The lines of a ruled paper bound it only where nothing else does. Rejects while the paper is out
 * of reach.
 */
export async function regionUnder(on: Bounding, tap: Point): Promise<FillAnswer> {
  const found = await regionIn(on, [], tap)
  const lines = drawnPaper(on.page, measure)
  return found ?? (lines.length > 0 ? regionIn(on, lines, tap) : undefined)
}

async function regionIn(on: Bounding, lines: readonly Drawn[], tap: Point): Promise<FillAnswer> {
  const { width, height } = on.page
  const scale = Math.min(FINE, Math.sqrt(MOST_PIXELS / (width * height)))
  return inWorker({ picture: await pictureOf(on, lines, scale), tap, scale })
}

async function pictureOf(
  { page, items, copy, bitmaps }: Bounding,
  lines: readonly Drawn[],
  scale: number,
): Promise<ImageBitmap> {
  const canvas = new OffscreenCanvas(Math.round(page.width * scale), Math.round(page.height * scale))
  const context = canvas.getContext('2d', { alpha: false })! as unknown as CanvasRenderingContext2D
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.scale(scale, scale)
  const piece = paperPiece(page)
  if (piece) {
    const paper = await paperAt(page, scale)
    context.drawImage(paper, piece.box.x, piece.box.y, piece.box.width, piece.box.height)
  }
  const bounding = items.filter((item) => !isSeenThrough(item))
  const drawn = [...lines, ...drawnPage(page, bounding, copy, measure), ...drawnInk(bounding, measure)]
  paint(context, drawn, scale, bitmaps)
  return canvas.transferToImageBitmap()
}

/** What was filled bounds nothing: it is filled anew in another colour. */
const isSeenThrough = (item: Item): boolean =>
  item.kind === 'stroke' ? shinesThrough(item) : item.kind === 'shape' && item.form === 'area'

/** The paper drawn last: who fills one area fills the next. */
let last: { key: string; bitmap: Promise<ImageBitmap> } | undefined

function paperAt(page: WorksheetPage, scale: number): Promise<ImageBitmap> {
  const { paper, whole, box } = paperPiece(page)!
  const key = JSON.stringify([paper, box, scale])
  if (last?.key === key) return last.bitmap
  if (paper.kind === 'ruled') throw new Error('ruled papers have no picture')
  const part = { x0: 0, y0: 0, x1: whole.width, y1: whole.height }
  const { bitmap } = drawPaper(sourceOf(paper, whole), part, (scale * box.width) / whole.width)
  last = { key, bitmap }
  bitmap.catch(() => {
    last = undefined
  })
  return bitmap
}

function inWorker(task: FillTask): Promise<FillAnswer> {
  const worker = new FillWorker()
  return new Promise<FillAnswer>((done, failed) => {
    worker.onmessage = ({ data }: MessageEvent<FillAnswer>) => done(data)
    worker.onerror = () => failed(new Error('the worker cannot fill'))
    worker.postMessage(task, [task.picture])
  }).finally(() => worker.terminate())
}
