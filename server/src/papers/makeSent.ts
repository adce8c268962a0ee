import { degrees, PDFDocument, PDFName } from '@cantoo/pdf-lib'
import { type Box, type PdfPaper, type Recipe, seenSize } from '@hand-back/core'
import sharp from 'sharp'
import { barePicture } from '../files/barePicture.ts'
import { drawPart, isCutOff, openPdf, PageCleaner } from '../pdf/index.ts'

export interface MakeTask {
  readonly recipe: Exclude<Recipe, { kind: 'film' }>
  /** The bytes of the recipe's file. */
  readonly bytes: Uint8Array
}

export interface Made {
  readonly bytes: Uint8Array
  /** A page was drawn as a picture, since something lay beside what is seen of it. */
  readonly drawn: boolean
}

/** Parts are drawn as finely as a good printer prints, in dots an inch, … */
const FINE = 400
/** … but not with more dots on their longest side than a tablet can hold. */
const LONGEST_SIDE = 3600
const MOST_PIXELS = 100_000_000

/** Makes what a recipe says. Throws when the file cannot be read or drawn. */
export async function makeSent({ recipe, bytes }: MakeTask): Promise<Made> {
  switch (recipe.kind) {
    case 'page':
      return makePage(recipe.paper, bytes)
    case 'part':
      return { bytes: await drawPartOf(recipe, bytes), drawn: true }
    case 'picture':
      return { bytes: await cropped(bytes, recipe.crop), drawn: false }
  }
}

async function makePage(paper: PdfPaper, bytes: Uint8Array): Promise<Made> {
  const cleaner = new PageCleaner(await openPdf(bytes))
  const [x0, y0, x1, y1] = paper.box
  const [across, down] = [x1 - x0, y1 - y0]
  const page = await alone(cleaner, paper, paper.box)
  const wide = await alone(cleaner, paper, [x0 - across, y0 - down, x1 + across, y1 + down])
  // The unit is not counted here: poppler draws user space.
  if (!(await isCutOff(wide, { x: across, y: down, width: across, height: down })))
    return { bytes: page, drawn: false }
  const { width, height } = { width: across * paper.unit, height: down * paper.unit }
  const picture = await drawnPart(page, { width, height }, { x: 0, y: 0, width, height }, paper.unit)
  const output = await PDFDocument.create()
  const made = output.addPage([across, down])
  made.setMediaBox(x0, y0, across, down)
  if (paper.unit !== 1) made.node.set(PDFName.of('UserUnit'), output.context.obj(paper.unit))
  const image = picture[0] === 0x89 ? await output.embedPng(picture) : await output.embedJpg(picture)
  made.drawImage(image, { x: x0, y: y0, width: across, height: down })
  return { bytes: await output.save(), drawn: true }
}

/** One page by itself, seen through a box. */
async function alone(
  cleaner: PageCleaner,
  { number }: PdfPaper,
  box: readonly number[],
  turn = 0,
): Promise<Uint8Array> {
  const output = await PDFDocument.create()
  const { page } = cleaner.copyFor(output, number, box)
  page.setRotation(degrees(turn))
  output.addPage(page)
  return output.save()
}

async function drawPartOf(
  { paper, whole, part }: Extract<Recipe, { kind: 'part' }>,
  bytes: Uint8Array,
): Promise<Uint8Array> {
  if (paper.kind === 'picture') {
    const upright = await sharp(await bare(bytes))
      .rotate(paper.turn ?? 0)
      .toBuffer()
    return cropped(upright, {
      x: part.x / whole.width,
      y: part.y / whole.height,
      width: part.width / whole.width,
      height: part.height / whole.height,
    })
  }
  const cleaner = new PageCleaner(await openPdf(bytes))
  return drawnPart(await alone(cleaner, paper, paper.box, paper.turn), seenSize(paper), part, paper.unit)
}

/** Draws a part (points) of a page whose size as seen is `whole`; PNG, or JPEG where that is much smaller. */
async function drawnPart(
  page: Uint8Array,
  whole: { width: number; height: number },
  part: Box,
  unit: number,
): Promise<Uint8Array> {
  const seen = within(part, whole)
  const inches = Math.max(seen.width, seen.height) / 72
  const dots = Math.min(FINE, LONGEST_SIDE / inches) / 72
  const box = { x: seen.x * dots, y: seen.y * dots, width: seen.width * dots, height: seen.height * dots }
  const png = drawPart(page, box, dots * 72 * unit)
  const [small, photo] = await Promise.all([
    sharp(png).removeAlpha().png({ compressionLevel: 9 }).toBuffer(),
    sharp(png).removeAlpha().jpeg({ quality: 90 }).toBuffer(),
  ])
  return photo.length < small.length / 3 ? photo : small
}

function within(part: Box, { width, height }: { width: number; height: number }): Box {
  const [x, y] = [Math.max(0, part.x), Math.max(0, part.y)]
  return {
    x,
    y,
    width: Math.max(1, Math.min(width, part.x + part.width) - x),
    height: Math.max(1, Math.min(height, part.y + part.height) - y),
  }
}

async function bare(bytes: Uint8Array): Promise<Buffer> {
  const picture = await barePicture(Buffer.from(bytes), MOST_PIXELS)
  if (!picture) throw new Error('this picture cannot be read')
  return picture
}

/** What `crop` (parts of the whole) shows of a picture, and no pixel more. */
async function cropped(bytes: Uint8Array, crop: Box | undefined): Promise<Uint8Array> {
  const picture = await bare(bytes)
  if (!crop) return picture
  const { width = 1, height = 1, format } = await sharp(picture).metadata()
  const left = Math.min(width - 1, Math.max(0, Math.round(crop.x * width)))
  const top = Math.min(height - 1, Math.max(0, Math.round(crop.y * height)))
  const part = sharp(picture).extract({
    left,
    top,
    width: Math.max(1, Math.min(width - left, Math.round(crop.width * width))),
    height: Math.max(1, Math.min(height - top, Math.round(crop.height * height))),
  })
  return (format === 'png' ? part.png() : part.jpeg({ quality: 92 })).toBuffer()
}
