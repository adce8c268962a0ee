import {
  type Drawn,
  drawnInk,
  drawnPage,
  drawnPaper,
  type Item,
  type Point,
  shinesThrough,
  type WorksheetPage,
} from '@hand-back/core'
import { measure } from '../draw/letters.ts'
import type { Bitmaps } from '../draw/paint.ts'
import { paintedPage } from '../draw/paintedPage.ts'
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

async function regionIn(
  { page, items, copy, bitmaps }: Bounding,
  lines: readonly Drawn[],
  tap: Point,
): Promise<FillAnswer> {
  const scale = Math.min(FINE, Math.sqrt(MOST_PIXELS / (page.width * page.height)))
  const bounding = items.filter((item) => !isSeenThrough(item))
  const drawn = [...lines, ...drawnPage(page, bounding, copy, measure), ...drawnInk(bounding, measure)]
  const picture = (await paintedPage(page, drawn, scale, bitmaps)).transferToImageBitmap()
  return inWorker({ picture, tap, scale })
}

/** What was filled bounds nothing: it is filled anew in another colour. */
const isSeenThrough = (item: Item): boolean =>
  item.kind === 'stroke' ? shinesThrough(item) : item.kind === 'shape' && item.form === 'area'

function inWorker(task: FillTask): Promise<FillAnswer> {
  const worker = new FillWorker()
  return new Promise<FillAnswer>((done, failed) => {
    worker.onmessage = ({ data }: MessageEvent<FillAnswer>) => done(data)
    worker.onerror = () => failed(new Error('the worker cannot fill'))
    worker.postMessage(task, [task.picture])
  }).finally(() => worker.terminate())
}
