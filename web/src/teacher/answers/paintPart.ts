import { paperPiece, scene } from '@hand-back/core'
import { bitmapsFor, whenBitmapsArrive } from '../../page/draw/bitmaps.ts'
import { lettersReady, measure } from '../../page/draw/letters.ts'
import { paint } from '../../page/draw/paint.ts'
import { wholePaper } from '../../page/paper/papers.ts'
import type { StripPart } from './strips.ts'

/**
 * Paints what is cut out of a copy's page, `scale` CSS pixels a point: now, and again as papers, pictures and letters
 * arrive. Returns how to stop.
 */
export function paintPart(
  canvas: HTMLCanvasElement,
  copy: string,
  part: StripPart,
  scale: number,
  photoUrl: (name: string) => string,
): () => void {
  let gone = false
  let paper: ImageBitmap | undefined
  const again = () => {
    if (!gone) paintNow(canvas, copy, part, scale, photoUrl, paper)
  }
  const piece = paperPiece(part.page)
  if (piece && piece.paper.kind !== 'ruled') {
    wholePaper(piece.paper, piece.whole).then(
      (bitmap) => {
        paper = bitmap
        again()
      },
      // What was written is seen without its paper too.
      () => {},
    )
  }
  const stop = whenBitmapsArrive(again)
  void lettersReady().then(again)
  again()
  return () => {
    gone = true
    stop()
  }
}

function paintNow(
  canvas: HTMLCanvasElement,
  copy: string,
  { page, cut, items }: StripPart,
  scale: number,
  photoUrl: (name: string) => string,
  paper: ImageBitmap | undefined,
): void {
  const fine = scale * devicePixelRatio
  canvas.width = Math.max(1, Math.round(cut.width * fine))
  canvas.height = Math.max(1, Math.round(cut.height * fine))
  const context = canvas.getContext('2d', { alpha: false })!
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.setTransform(fine, 0, 0, fine, -cut.x * fine, -cut.y * fine)
  context.imageSmoothingQuality = 'high'
  const box = paperPiece(page)?.box
  if (paper && box) context.drawImage(paper, box.x, box.y, box.width, box.height)
  paint(context, scene(page, items, copy, measure), fine, bitmapsFor(photoUrl))
}
