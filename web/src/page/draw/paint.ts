import {
  type Box,
  type Drawn,
  type DrawnPiece,
  drawnRuling,
  HIGHLIGHTER_OPACITY,
  shinesThrough,
} from '@hand-back/core'
import { inkFill } from './inkFill.ts'
import { cssFont, measure } from './letters.ts'
import { strokePath } from './strokePath.ts'

type Of<Kind extends Drawn['kind']> = Extract<Drawn, { kind: Kind }>

/** Where pictures and pieces of papers come from; nothing while they are on their way. */
export interface Bitmaps {
  picture(file: string): ImageBitmap | undefined
  /** `scale`: device pixels a point of the page. */
  piece(one: DrawnPiece, scale: number): ImageBitmap | undefined
}

const paths = new WeakMap<Of<'path'>, Path2D>()

function pathOf(one: Of<'path'>): Path2D {
  let path = paths.get(one)
  if (!path) {
    path = new Path2D(one.d)
    paths.set(one, path)
  }
  return path
}

/** Paints what is drawn on a canvas whose units are points of the page. `scale`: device pixels a point. */
export function paint(
  context: CanvasRenderingContext2D,
  drawn: readonly Drawn[],
  scale: number,
  bitmaps: Bitmaps,
): void {
  for (const one of drawn) {
    switch (one.kind) {
      case 'path':
        drawPath(context, one)
        break
      case 'text':
        drawText(context, one)
        break
      case 'picture':
        drawPicture(context, one, bitmaps.picture(one.file))
        break
      case 'piece':
        if (one.paper.kind === 'ruled') drawRuledPiece(context, one, scale, bitmaps)
        else drawBitmap(context, one.box, bitmaps.piece(one, scale))
        break
      case 'stroke':
        drawStroke(context, one)
        break
      case 'laid': {
        const { a, b, e, f } = one.by
        context.save()
        context.transform(a, b, -b, a, e, f)
        paint(context, one.drawn, scale, bitmaps)
        context.restore()
      }
    }
  }
}

function drawRuledPiece(
  context: CanvasRenderingContext2D,
  { paper, whole, part, box }: DrawnPiece,
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
  paint(context, drawnRuling(paper.ruling, whole, measure), scale, bitmaps)
  context.restore()
}

function drawPath(context: CanvasRenderingContext2D, one: Of<'path'>): void {
  const path = pathOf(one)
  if (one.at) {
    context.save()
    context.translate(one.at.x, one.at.y)
    context.scale(one.at.scale, one.at.scale)
  }
  if (one.fill) {
    context.save()
    if (one.shines) shine(context)
    context.fillStyle = one.fill
    context.fill(path)
    context.restore()
  }
  if (one.stroke) {
    context.strokeStyle = one.stroke
    context.lineWidth = one.width ?? 1
    context.lineJoin = 'round'
    if (one.dash) context.setLineDash(one.dash as number[])
    context.stroke(path)
    if (one.dash) context.setLineDash([])
  }
  if (one.at) context.restore()
}

function drawText(context: CanvasRenderingContext2D, one: Of<'text'>): void {
  context.font = cssFont(one, one.size)
  context.fillStyle = one.colour
  context.fillText(one.text, one.x, one.y)
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

function drawStroke(context: CanvasRenderingContext2D, { stroke, lies }: Of<'stroke'>): void {
  context.save()
  if (lies) {
    const { inner, box } = lies
    const sx = inner.width > 0 ? box.width / inner.width : 1
    const sy = inner.height > 0 ? box.height / inner.height : 1
    context.translate(box.x - inner.x * sx, box.y - inner.y * sy)
    context.scale(sx, sy)
  }
  context.fillStyle = inkFill(stroke)
  if (shinesThrough(stroke)) shine(context)
  context.fill(strokePath(stroke).path)
  context.restore()
}

/** From now on what is painted is multiplied with what is under it. */
export function shine(context: CanvasRenderingContext2D): void {
  context.globalCompositeOperation = 'multiply'
  context.globalAlpha = HIGHLIGHTER_OPACITY
}
