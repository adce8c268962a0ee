import {
  type CopyWhole,
  type Drawn,
  drawnPage,
  drawnPaper,
  emptyPage,
  type FilmFrame,
  type Item,
  inSight,
  type Page,
  pagesNow,
  paperPiece,
  type Shown,
  type Stroke,
  shinesThrough,
  type WorksheetPage,
} from '@hand-back/core'
import { bitmapsFor, whenBitmapsArrive } from '../draw/bitmaps.ts'
import { InkCanvas } from '../draw/InkCanvas.ts'
import { inkFill } from '../draw/inkFill.ts'
import { lettersReady, measure } from '../draw/letters.ts'
import { type Bitmaps, paint, shine } from '../draw/paint.ts'
import { strokePath } from '../draw/strokePath.ts'
import { wholePaper } from '../paper/papers.ts'
import type { View } from '../view/view.ts'
import { type Coming, strokesSeen } from './strokesSeen.ts'

/** The longest side of a film in pixels: what most screens and projectors show of one. */
const LONGEST = 1080
/** What lies around a page of another shape than the film. */
const AROUND = '#e9e6df'
/** How long a picture on a page may be on its way, in milliseconds; then its place stays a quiet field. */
const FETCHED_WITHIN = 8000

/** What a film is made of besides its frames. */
export interface FilmOf {
  readonly copy: CopyWhole
  readonly before: Shown
  readonly after: Shown
  readonly coming: Coming
  photoUrl(name: string): string
}

/** Paints the frames of a film, one after the other, each page whole. What did not change since the last is not drawn anew. */
export class FilmPainter {
  /** What was painted last. Its sides are even, as most ways of encoding want them. */
  readonly canvas: HTMLCanvasElement
  readonly #of: FilmOf
  readonly #context: CanvasRenderingContext2D
  readonly #paper: CanvasRenderingContext2D
  readonly #highlighter: InkCanvas
  readonly #ink: InkCanvas
  readonly #bitmaps: Bitmaps
  #misses = false
  #sheets: { of: ReadonlyMap<string, Page>; pages: readonly WorksheetPage[] } | undefined
  #page: WorksheetPage | undefined
  #others: readonly Item[] = []
  #painted: ReadonlyMap<string, Page> | undefined
  #view: View = { scale: 1, x: 0, y: 0 }

  constructor(of: FilmOf) {
    this.#of = of
    const { width, height } = of.copy.pages[0]!
    const scale = LONGEST / Math.max(width, height)
    const size = { width: even(width * scale), height: even(height * scale) }
    const layer = () => Object.assign(document.createElement('canvas'), size)
    this.canvas = layer()
    this.#context = this.canvas.getContext('2d', { alpha: false })!
    this.#paper = layer().getContext('2d', { alpha: false })!
    this.#highlighter = new InkCanvas(layer(), true)
    this.#ink = new InkCanvas(layer())
    const bitmaps = bitmapsFor(of.photoUrl)
    this.#bitmaps = {
      picture: (file) => this.#noted(bitmaps.picture(file)),
      piece: (one, at) => this.#noted(bitmaps.piece(one, at)),
    }
  }

  /** Paints a frame. Rejects when the paper of its page cannot be fetched or drawn. */
  async paint({ shown, page }: FilmFrame): Promise<void> {
    const { coming, after } = this.#of
    const pages = this.#pagesOf(coming === 'shown' ? after.pages : shown.pages)
    const sheet = pages.find(({ id }) => id === page) ?? pages[0]!
    const turned = sheet !== this.#page
    if (turned) this.#turnTo(sheet)
    // While a stroke is being written nothing else becomes other.
    if (turned || shown.pages !== this.#painted) await this.#paintLayers(sheet, shown, turned)
    this.#painted = shown.pages
    const written = shown.written?.page === sheet.id ? shown.written.stroke : undefined
    this.#compose(written)
  }

  async #paintLayers(sheet: WorksheetPage, shown: Shown, turned: boolean): Promise<void> {
    const { coming, before, after, copy } = this.#of
    const now = itemsOn(coming === 'shown' ? after : shown, sheet.id)
    const others = now.filter(({ kind }) => kind !== 'stroke')
    const same =
      others.length === this.#others.length && others.every((item, index) => item === this.#others[index])
    if (turned || !same) await this.#paintPaper(sheet, drawnPage(sheet, others, copy.id, measure))
    this.#others = others
    const strokes = strokesSeen(
      {
        before: strokesOf(itemsOn(before, sheet.id)),
        now: strokesOf(now),
        after: strokesOf(itemsOn(after, sheet.id)),
      },
      coming,
    )
    this.#paintInk(strokes, turned, sheet)
  }

  /** Pages grow and are laid in seldom: as long as nothing of them is other they are the same ones. */
  #pagesOf(of: ReadonlyMap<string, Page>): readonly WorksheetPage[] {
    const before = this.#sheets
    if (before?.of === of) return before.pages
    const pages = pagesNow(this.#of.copy.pages, of)
    const same =
      before !== undefined && JSON.stringify(pages.map(shapeOf)) === JSON.stringify(before.pages.map(shapeOf))
    this.#sheets = { of, pages: same ? before.pages : pages }
    return this.#sheets.pages
  }

  #turnTo(sheet: WorksheetPage): void {
    this.#page = sheet
    const { width, height } = this.canvas
    const scale = Math.min(width / sheet.width, height / sheet.height)
    this.#view = {
      scale,
      x: (width - sheet.width * scale) / 2,
      y: (height - sheet.height * scale) / 2,
    }
  }

  async #paintPaper(sheet: WorksheetPage, drawn: readonly Drawn[]): Promise<void> {
    await lettersReady()
    const piece = paperPiece(sheet)
    const whole =
      piece && piece.paper.kind !== 'ruled' ? await wholePaper(piece.paper, piece.whole) : undefined
    const until = performance.now() + FETCHED_WITHIN
    for (;;) {
      this.#misses = false
      const context = this.#paper
      const { scale, x, y } = this.#view
      context.setTransform(1, 0, 0, 1, 0, 0)
      context.fillStyle = AROUND
      context.fillRect(0, 0, this.canvas.width, this.canvas.height)
      context.setTransform(scale, 0, 0, scale, x, y)
      context.save()
      context.beginPath()
      context.rect(0, 0, sheet.width, sheet.height)
      context.clip()
      context.fillStyle = '#ffffff'
      context.fillRect(0, 0, sheet.width, sheet.height)
      context.imageSmoothingQuality = 'high'
      if (whole && piece)
        context.drawImage(whole, piece.box.x, piece.box.y, piece.box.width, piece.box.height)
      paint(context, drawnPaper(sheet, measure), scale, this.#bitmaps)
      paint(context, drawn, scale, this.#bitmaps)
      context.restore()
      const left = until - performance.now()
      if (!this.#misses || left <= 0) return
      await nextBitmap(left)
    }
  }

  #paintInk(strokes: readonly Stroke[], turned: boolean, { width, height }: WorksheetPage): void {
    const whole = { x0: 0, y0: 0, x1: width, y1: height }
    for (const [layer, some] of [
      [this.#highlighter, strokes.filter(shinesThrough)],
      [this.#ink, strokes.filter((stroke) => !shinesThrough(stroke))],
    ] as const)
      if (turned) layer.drawAll(some, this.#view, whole)
      else layer.update(some)
  }

  #compose(written: Stroke | undefined): void {
    const context = this.#context
    context.setTransform(1, 0, 0, 1, 0, 0)
    context.globalCompositeOperation = 'source-over'
    context.globalAlpha = 1
    context.drawImage(this.#paper.canvas, 0, 0)
    if (written && shinesThrough(written)) this.#fill(written)
    shine(context)
    context.drawImage(this.#highlighter.element, 0, 0)
    context.globalCompositeOperation = 'source-over'
    context.globalAlpha = 1
    context.drawImage(this.#ink.element, 0, 0)
    if (written && !shinesThrough(written)) this.#fill(written)
  }

  /** The stroke that is being written. */
  #fill(stroke: Stroke): void {
    const context = this.#context
    const { scale, x, y } = this.#view
    context.save()
    context.setTransform(scale, 0, 0, scale, x, y)
    if (shinesThrough(stroke)) shine(context)
    context.fillStyle = inkFill(stroke)
    context.fill(strokePath(stroke).path)
    context.restore()
  }

  #noted<Bitmap>(bitmap: Bitmap): Bitmap {
    if (bitmap === undefined) this.#misses = true
    return bitmap
  }
}

const even = (pixels: number): number => Math.max(2, 2 * Math.round(pixels / 2))

const itemsOn = ({ pages }: Shown, page: string): Item[] =>
  inSight(pages.get(page) ?? emptyPage).map(({ item }) => item)

const strokesOf = (items: readonly Item[]): Stroke[] =>
  items.filter((item): item is Stroke => item.kind === 'stroke')

/** What of a page can become other on a copy. */
const shapeOf = ({ id, width, height, paper }: WorksheetPage) => [id, width, height, paper]

/** Resolves when a picture has come, or after so many milliseconds. */
function nextBitmap(within: number): Promise<void> {
  return new Promise((done) => {
    const end = () => {
      clearTimeout(timer)
      stop()
      done()
    }
    const timer = setTimeout(end, within)
    const stop = whenBitmapsArrive(end)
  })
}
