import type { WorksheetPage } from '@hand-back/core'
import { type Drawing, drawPaper, sourceOf, wholePaper } from '../paper/papers.ts'
import { type Size, shownPart, type View } from '../view.ts'
import { fitCanvas } from './InkCanvas.ts'

/** How long the view must rest before the paper is drawn sharp for it, in milliseconds. */
const REST = 120

/** The paper of a page: at once from the whole page drawn before, then sharp for just the part in sight. */
export class PaperCanvas {
  readonly element: HTMLCanvasElement
  readonly #context: CanvasRenderingContext2D
  readonly #onTrouble: (trouble: boolean) => void
  #page: WorksheetPage | undefined
  #whole: ImageBitmap | undefined
  #sharp: { bitmap: ImageBitmap; view: View; x: number; y: number } | undefined
  #view: View = { scale: 1, x: 0, y: 0 }
  #window: Size = { width: 1, height: 1 }
  #ratio = 1
  #drawing: Drawing | undefined
  #timer: ReturnType<typeof setTimeout> | undefined

  constructor(element: HTMLCanvasElement, onTrouble: (trouble: boolean) => void) {
    this.element = element
    this.#context = element.getContext('2d')!
    this.#onTrouble = onTrouble
  }

  resize(window: Size, ratio: number): void {
    this.#window = window
    this.#ratio = ratio
    fitCanvas(this.element, window, ratio)
  }

  show(page: WorksheetPage, view: View): void {
    this.#view = view
    if (page.id !== this.#page?.id) this.#turnTo(page)
    this.#paint()
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => this.#sharpen(), REST)
  }

  close(): void {
    clearTimeout(this.#timer)
    this.#drawing?.forget()
    this.#page = undefined
  }

  #turnTo(page: WorksheetPage): void {
    this.#page = page
    this.#whole = undefined
    this.#sharp = undefined
    wholePaper(page).then(
      (bitmap) => {
        if (this.#page !== page) return
        this.#whole = bitmap
        this.#onTrouble(false)
        this.#paint()
      },
      () => this.#page === page && this.#onTrouble(true),
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
    context.imageSmoothingQuality = 'high'
    if (this.#whole) context.drawImage(this.#whole, x, y, page.width * scale, page.height * scale)
    const sharp = this.#sharp
    if (sharp && sharp.view.scale === scale) {
      // Whole device pixels, or the sharp picture would be blurred by lying between them.
      context.setTransform(1, 0, 0, 1, 0, 0)
      const left = Math.round((x + sharp.x * scale) * ratio)
      const top = Math.round((y + sharp.y * scale) * ratio)
      context.drawImage(sharp.bitmap, left, top)
    }
  }

  #sharpen(): void {
    const page = this.#page
    if (!page) return
    this.#drawing?.forget()
    const view = this.#view
    const seen = shownPart(view, this.#window)
    const part = {
      x0: Math.max(0, seen.x0),
      y0: Math.max(0, seen.y0),
      x1: Math.min(page.width, seen.x1),
      y1: Math.min(page.height, seen.y1),
    }
    if (part.x1 <= part.x0 || part.y1 <= part.y0) return
    this.#drawing = drawPaper(sourceOf(page), part, view.scale * this.#ratio)
    this.#drawing.bitmap.then(
      (bitmap) => {
        if (this.#page !== page) return bitmap.close()
        this.#sharp?.bitmap.close()
        this.#sharp = { bitmap, view, x: part.x0, y: part.y0 }
        this.#paint()
      },
      () => {},
    )
  }
}
