import { type Drawn, type DrawnPiece, drawnPaper, paperPiece, type WorksheetPage } from '@hand-back/core'
import { TooHeavy } from '../paper/paperQueue.ts'
import { type Drawing, drawPaper, sourceOf, wholePaper } from '../paper/papers.ts'
import { type Size, shownPart, type View } from '../view/view.ts'
import { bitmapsFor, whenBitmapsArrive } from './bitmaps.ts'
import { fitCanvas } from './InkCanvas.ts'
import { lettersReady, measure } from './letters.ts'
import { type Bitmaps, paint } from './paint.ts'

/** Why a paper is not to be seen: it is being fetched and drawn, it cannot be fetched now, or it cannot be drawn at all. */
export type Unseen = 'coming' | 'away' | 'heavy' | undefined

/** How long the view must rest before the paper is drawn sharp for it, in milliseconds. */
const REST = 120

/**
 * The paper of a page and what is printed on it. A PDF or picture shows at once from the whole drawn
 * before, then sharp for just the part in sight; printed items are vectors, drawn anew for each view.
 */
export class PaperCanvas {
  readonly element: HTMLCanvasElement
  readonly #context: CanvasRenderingContext2D
  readonly #onUnseen: (why: Unseen) => void
  readonly #stopBitmaps: () => void
  #page: WorksheetPage | undefined
  #piece: DrawnPiece | undefined
  #ruled: readonly Drawn[] = []
  #drawn: readonly Drawn[] = []
  #bitmaps: Bitmaps = bitmapsFor()
  #whole: ImageBitmap | undefined
  #sharp: { bitmap: ImageBitmap; view: View; x: number; y: number } | undefined
  #view: View = { scale: 1, x: 0, y: 0 }
  #window: Size = { width: 1, height: 1 }
  #ratio = 1
  #drawing: Drawing | undefined
  #timer: ReturnType<typeof setTimeout> | undefined

  constructor(element: HTMLCanvasElement, onUnseen: (why: Unseen) => void) {
    this.element = element
    this.#context = element.getContext('2d')!
    this.#onUnseen = onUnseen
    this.#stopBitmaps = whenBitmapsArrive(() => this.#paint())
    void lettersReady().then(() => this.#layOutAgain())
  }

  resize(window: Size, ratio: number): void {
    this.#window = window
    this.#ratio = ratio
    fitCanvas(this.element, window, ratio)
  }

  show(page: WorksheetPage, view: View): void {
    this.#view = view
    if (page !== this.#page) this.#turnTo(page)
    this.#paint()
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => this.#sharpen(), REST)
  }

  /** What is printed over the paper, under the same view. `soon`: its page is about to be shown with it. */
  showDrawn(drawn: readonly Drawn[], bitmaps: Bitmaps, soon: boolean): void {
    this.#drawn = drawn
    this.#bitmaps = bitmaps
    if (!soon) this.#paint()
  }

  close(): void {
    clearTimeout(this.#timer)
    this.#stopBitmaps()
    this.#drawing?.forget()
    this.#page = undefined
  }

  #layOutAgain(): void {
    if (!this.#page) return
    this.#ruled = drawnPaper(this.#page, measure)
    this.#paint()
  }

  #turnTo(page: WorksheetPage): void {
    const before = this.#piece
    this.#page = page
    this.#ruled = drawnPaper(page, measure)
    this.#piece = paperPiece(page)
    const piece = this.#piece
    if (JSON.stringify(piece?.paper) === JSON.stringify(before?.paper)) {
      // The same paper: only where it lies may have changed.
      if (piece?.box.width !== before?.box.width) this.#sharp = undefined
      if (!piece || this.#whole) return
    }
    this.#whole = undefined
    this.#sharp = undefined
    const drawn = piece !== undefined && piece.paper.kind !== 'ruled'
    this.#onUnseen(drawn ? 'coming' : undefined)
    if (!drawn) return
    wholePaper(piece.paper, piece.whole).then(
      (bitmap) => {
        if (this.#piece !== piece) return
        this.#whole = bitmap
        this.#onUnseen(undefined)
        this.#paint()
      },
      (error) => this.#piece === piece && this.#onUnseen(error instanceof TooHeavy ? 'heavy' : 'away'),
    )
  }

  #paint(): void {
    const page = this.#page
    if (!page) return
    const context = this.#context
    const { scale, x, y } = this.#view
    const ratio = this.#ratio
    context.setTransform(ratio, 0, 0, ratio, 0, 0)
    context.clearRect(0, 0, this.#window.width, this.#window.height)
    context.fillStyle = '#ffffff'
    context.fillRect(x, y, page.width * scale, page.height * scale)
    this.#paintPiece()
    context.setTransform(scale * ratio, 0, 0, scale * ratio, x * ratio, y * ratio)
    context.save()
    context.beginPath()
    context.rect(0, 0, page.width, page.height)
    context.clip()
    paint(context, this.#ruled, scale * ratio, this.#bitmaps)
    paint(context, this.#drawn, scale * ratio, this.#bitmaps)
    context.restore()
  }

  #paintPiece(): void {
    if (!this.#piece) return
    const context = this.#context
    const { scale, x, y } = this.#view
    const { box } = this.#piece
    context.imageSmoothingQuality = 'high'
    if (this.#whole)
      context.drawImage(
        this.#whole,
        x + box.x * scale,
        y + box.y * scale,
        box.width * scale,
        box.height * scale,
      )
    const sharp = this.#sharp
    if (!sharp || sharp.view.scale !== scale) return
    // Whole device pixels, or the sharp picture would be blurred by lying between them.
    context.setTransform(1, 0, 0, 1, 0, 0)
    const left = Math.round((x + sharp.x * scale) * this.#ratio)
    const top = Math.round((y + sharp.y * scale) * this.#ratio)
    context.drawImage(sharp.bitmap, left, top)
  }

  #sharpen(): void {
    const piece = this.#piece
    if (!piece || piece.paper.kind === 'ruled') return
    this.#drawing?.forget()
    const view = this.#view
    const seen = shownPart(view, this.#window)
    const { box, whole } = piece
    // How many points of the page one of the paper's own takes.
    const grown = box.width / whole.width
    const part = {
      x0: Math.max(0, (seen.x0 - box.x) / grown),
      y0: Math.max(0, (seen.y0 - box.y) / grown),
      x1: Math.min(whole.width, (seen.x1 - box.x) / grown),
      y1: Math.min(whole.height, (seen.y1 - box.y) / grown),
    }
    if (part.x1 <= part.x0 || part.y1 <= part.y0) return
    this.#drawing = drawPaper(sourceOf(piece.paper, whole), part, view.scale * this.#ratio * grown)
    this.#drawing.bitmap.then(
      (bitmap) => {
        if (this.#piece !== piece) return bitmap.close()
        this.#sharp?.bitmap.close()
        this.#sharp = { bitmap, view, x: box.x + part.x0 * grown, y: box.y + part.y0 * grown }
        this.#paint()
      },
      () => {},
    )
  }
}
