import {
  type Drawn,
  type DrawnPiece,
  type Item,
  paperPiece,
  type Stroke,
  scene,
  type WorksheetPage,
  writeInkML,
  writeSvg,
} from '@hand-back/core'
import { saveFile } from '../../ui/saveFile.ts'
import { measure } from '../draw/letters.ts'
import type { Bitmaps } from '../draw/paint.ts'
import { paintedPage } from '../draw/paintedPage.ts'

/** A page of a copy as one sees it. */
export interface Seen {
  readonly page: WorksheetPage
  readonly items: readonly Item[]
  readonly copy: string
  readonly bitmaps: Bitmaps
  /** What its files are called, without an ending. */
  readonly name: string
}

/** How finely a page is painted: 200 dots an inch, and at most so many in all. */
const FINE = 200 / 72
const MOST_PIXELS = 16_000_000

const scaleFor = ({ width, height }: { width: number; height: number }) =>
  Math.min(FINE, Math.sqrt(MOST_PIXELS / (width * height)))

const drawnOn = ({ page, items, copy }: Seen): Drawn[] => scene(page, items, copy, measure)

/** Saves what is seen of a page as a picture of dots. Rejects while its paper is out of reach. */
export async function savePng(of: Seen): Promise<void> {
  const canvas = await paintedPage(of.page, drawnOn(of), scaleFor(of.page), of.bitmaps)
  saveFile(`${of.name}.png`, await canvas.convertToBlob({ type: 'image/png' }), 'image/png')
}

/** Saves what is seen of a page as vectors; only its paper, and pictures on it, are dots. Rejects while its paper is out of reach. */
export async function saveSvg(of: Seen): Promise<void> {
  const { page, bitmaps, name } = of
  const piece = paperPiece(page)
  const drawn = [...(piece ? [piece] : []), ...drawnOn(of)]
  const urls = new Map<object, string>()
  for (const one of flat(drawn)) {
    if (one.kind === 'picture') urls.set(one, await urlOf(bitmaps.picture(one.file)))
    if (one.kind === 'piece') urls.set(one, await pieceUrl(one, page, bitmaps))
  }
  const find = (wanted: (one: Drawn) => boolean) => [...urls].find(([one]) => wanted(one as Drawn))?.[1]
  const svg = writeSvg(drawn, page, {
    picture: (file) => find((one) => one.kind === 'picture' && one.file === file) || undefined,
    piece: (piece) => urls.get(piece) || undefined,
  })
  saveFile(`${name}.svg`, svg, 'image/svg+xml')
}

const flat = (drawn: readonly Drawn[]): Drawn[] =>
  drawn.flatMap((one) => (one.kind === 'laid' ? flat(one.drawn) : [one]))

/** A piece of paper painted alone, as large as it lies on the page. */
async function pieceUrl(piece: DrawnPiece, page: WorksheetPage, bitmaps: Bitmaps): Promise<string> {
  if (piece.paper.kind !== 'ruled') {
    const bitmap = bitmaps.piece(piece, scaleFor(page))
    if (bitmap) return urlOf(bitmap)
  }
  const { width, height } = piece.box
  const isPaper = paperPiece(page)?.box.width === width && piece.paper === page.paper
  const alone = { ...page, printed: [], ...(isPaper ? {} : { paper: piece.paper, width, height }) }
  const over = isPaper ? [] : [{ ...piece, box: { ...piece.box, x: 0, y: 0 } }]
  const canvas = await paintedPage(alone as WorksheetPage, over, scaleFor(page), bitmaps)
  return dataUrl(await canvas.convertToBlob({ type: 'image/png' }))
}

async function urlOf(bitmap: ImageBitmap | undefined): Promise<string> {
  if (!bitmap) return ''
  const canvas = new OffscreenCanvas(bitmap.width, bitmap.height)
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0)
  return dataUrl(await canvas.convertToBlob({ type: 'image/png' }))
}

function dataUrl(blob: Blob): Promise<string> {
  const reader = new FileReader()
  return new Promise((done, failed) => {
    reader.onload = () => done(String(reader.result))
    reader.onerror = () => failed(reader.error)
    reader.readAsDataURL(blob)
  })
}

/** Saves the ink of a page alone, to be worked on elsewhere. */
export function saveInkML({ page, items, name }: Seen): void {
  const ink = items.filter((item): item is Stroke => item.kind === 'stroke')
  saveFile(`${name}.inkml`, writeInkML(ink, page), 'application/inkml+xml')
}
