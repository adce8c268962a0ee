import { type Drawn, paperPiece, type WorksheetPage } from '@hand-back/core'
import { drawPaper, sourceOf } from '../paper/papers.ts'
import { type Bitmaps, paint } from './paint.ts'

/** A page painted at once, `scale` pixels a point: its paper with `drawn` over it. Rejects while the paper is out of reach. */
export async function paintedPage(
  page: WorksheetPage,
  drawn: readonly Drawn[],
  scale: number,
  bitmaps: Bitmaps,
): Promise<OffscreenCanvas> {
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
  paint(context, drawn, scale, bitmaps)
  return canvas
}

/** The paper drawn last: who fills one area fills the next. */
let last: { key: string; bitmap: Promise<ImageBitmap> } | undefined

/** The whole PDF or picture that a page is made of, `scale` pixels a point of the page. */
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
