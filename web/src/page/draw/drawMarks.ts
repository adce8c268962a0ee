import {
  type Box,
  HIGHLIGHTER_OPACITY,
  type Mark,
  type PieceMark,
  rulingMarks,
  shinesThrough,
} from '@hand-back/core'
import { cssFont, measure } from './letters.ts'
import { strokePath } from './strokePath.ts'

type Of<Kind extends Mark['kind']> = Extract<Mark, { kind: Kind }>

/** Where pictures and pieces of papers come from; nothing while they are on their way. */
export interface Bitmaps {
  picture(file: string): ImageBitmap | undefined
  /** `scale`: device pixels a point of the page. */
  piece(mark: PieceMark, scale: number): ImageBitmap | undefined
}

const paths = new WeakMap<Of<'path'>, Path2D>()

function pathOf(mark: Of<'path'>): Path2D {
  let path = paths.get(mark)
  if (!path) {
    path = new Path2D(mark.d)
    paths.set(mark, path)
  }
  return path
}

/** Draws marks on a canvas whose units are points of the page. `scale`: device pixels a point. */
export function drawMarks(
  context: CanvasRenderingContext2D,
  marks: readonly Mark[],
  scale: number,
  bitmaps: Bitmaps,
): void {
  for (const mark of marks) {
    switch (mark.kind) {
      case 'path':
        drawPath(context, mark)
        break
      case 'text':
        drawText(context, mark)
        break
      case 'picture':
        drawPicture(context, mark, bitmaps.picture(mark.file))
        break
      case 'piece':
        if (mark.paper.kind === 'ruled') drawRuledPiece(context, mark, scale, bitmaps)
        else drawBitmap(context, mark.box, bitmaps.piece(mark, scale))
        break
      case 'stroke':
        drawStroke(context, mark)
        break
      case 'laid': {
        const { a, b, e, f } = mark.by
        context.save()
        context.transform(a, b, -b, a, e, f)
        drawMarks(context, mark.marks, scale, bitmaps)
        context.restore()
      }
    }
  }
}

function drawRuledPiece(
  context: CanvasRenderingContext2D,
  { paper, whole, part, box }: PieceMark,
  scale: number,
  bitmaps: Bitmaps,
): void {
  if (paper.kind !== 'ruled') return
  context.save()
  context.beginPath()
  context.rect(box.x, box.y, box.width, box.height)
  context.clip()
  context.translate(box.x, box.y)
  context.scale(box.width / part.width, box.height / part.height)
  context.translate(-part.x, -part.y)
  drawMarks(context, rulingMarks(paper.ruling, whole, measure), scale, bitmaps)
  context.restore()
}

function drawPath(context: CanvasRenderingContext2D, mark: Of<'path'>): void {
  const path = pathOf(mark)
  if (mark.at) {
    context.save()
    context.translate(mark.at.x, mark.at.y)
    context.scale(mark.at.scale, mark.at.scale)
  }
  if (mark.fill) {
    context.fillStyle = mark.fill
    context.fill(path)
  }
  if (mark.stroke) {
    context.strokeStyle = mark.stroke
    context.lineWidth = mark.width ?? 1
    context.lineJoin = 'round'
    if (mark.dash) context.setLineDash(mark.dash as number[])
    context.stroke(path)
    if (mark.dash) context.setLineDash([])
  }
  if (mark.at) context.restore()
}

function drawText(context: CanvasRenderingContext2D, mark: Of<'text'>): void {
  context.font = cssFont(mark, mark.size)
  context.fillStyle = mark.colour
  context.fillText(mark.text, mark.x, mark.y)
}

function drawPicture(
  context: CanvasRenderingContext2D,
  { box, crop }: Of<'picture'>,
  bitmap: ImageBitmap | undefined,
): void {
  if (!bitmap) {
    drawBitmap(context, box, undefined)
    return
  }
  const { width, height } = bitmap
  const [sx, sy] = [crop.x * width, crop.y * height]
  const [sw, sh] = [crop.width * width, crop.height * height]
  context.imageSmoothingQuality = 'high'
  context.drawImage(bitmap, sx, sy, sw, sh, box.x, box.y, box.width, box.height)
}

/** A quiet field holds the place of what is on its way. */
function drawBitmap(context: CanvasRenderingContext2D, box: Box, bitmap: ImageBitmap | undefined): void {
  context.imageSmoothingQuality = 'high'
  if (bitmap) context.drawImage(bitmap, box.x, box.y, box.width, box.height)
  else {
    context.fillStyle = '#eceae3'
    context.fillRect(box.x, box.y, box.width, box.height)
  }
}

/** Ink that shines through is multiplied with what is under it. */
function drawStroke(context: CanvasRenderingContext2D, { stroke, lies }: Of<'stroke'>): void {
  context.save()
  if (lies) {
    const { inner, box } = lies
    const sx = inner.width > 0 ? box.width / inner.width : 1
    const sy = inner.height > 0 ? box.height / inner.height : 1
    context.translate(box.x - inner.x * sx, box.y - inner.y * sy)
    context.scale(sx, sy)
  }
  context.fillStyle = stroke.colour
  if (shinesThrough(stroke)) {
    context.globalCompositeOperation = 'multiply'
    context.globalAlpha = HIGHLIGHTER_OPACITY
  }
  context.fill(strokePath(stroke).path)
  context.restore()
}
