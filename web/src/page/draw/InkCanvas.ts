import { type Bounds, overlap, type Stroke } from '@hand-back/core'
import type { Size, View } from '../view/view.ts'
import { inkFill } from './inkFill.ts'
import { strokePath } from './strokePath.ts'

/**
 * The kept ink of one kind of nib, drawn on a canvas as large as the window. New ink is drawn on top of
 * what is there; what changed elsewhere is redrawn only where it lies.
 */
export class InkCanvas {
  readonly element: HTMLCanvasElement
  readonly #mixes: boolean
  readonly #context: CanvasRenderingContext2D
  #ratio = 1
  #view: View = { scale: 1, x: 0, y: 0 }
  #drawn: readonly Stroke[] = []
  /** Where ink is drawn that takes long, before it is shown. */
  #back: HTMLCanvasElement | undefined

  /** `mixes`: what is drawn is mixed with what is under it, which costs at every frame, empty or not. */
  constructor(element: HTMLCanvasElement, mixes = false) {
    this.element = element
    this.#mixes = mixes
    this.#context = element.getContext('2d')!
  }

  /** Fits the canvas to the window; `ratio` is device pixels a CSS pixel. Everything must be drawn again after it. */
  resize(window: Size, ratio: number): void {
    this.#ratio = ratio
    fitCanvas(this.element, window, ratio)
    this.#back = undefined
    this.#drawn = []
  }

  /** Nothing is there any more. */
  clear(): void {
    this.#hold([])
    this.#context.setTransform(1, 0, 0, 1, 0, 0)
    this.#context.clearRect(0, 0, this.element.width, this.element.height)
  }

  /** Draws everything anew for a view. Cost: O(strokes in sight). */
  drawAll(strokes: readonly Stroke[], view: View, shown: Bounds): void {
    this.#view = view
    this.#hold(strokes)
    const { width, height } = this.element
    this.#context.setTransform(1, 0, 0, 1, 0, 0)
    this.#context.clearRect(0, 0, width, height)
    this.#toPageSpace()
    for (const stroke of strokes) this.#draw(stroke, shown)
  }

  /**
   * Draws everything anew for a view, and may be interrupted at every stroke: behind what is seen, until
   * `showBehind` brings it to the front, or on a canvas where nothing is, stroke after stroke in sight.
   */
  *drawing(strokes: readonly Stroke[], view: View, shown: Bounds, behind: boolean): Generator<void> {
    if (strokes.length === 0) return
    if (!behind) this.element.hidden = false
    this.#view = behind ? this.#view : view
    const context = behind ? this.#behind() : this.#context
    const space = this.#pageSpace(view)
    let made = 0
    for (const stroke of strokes) {
      const { path, bounds } = strokePath(stroke)
      if (overlap(bounds, shown)) {
        context.setTransform(...space)
        context.fillStyle = inkFill(stroke)
        context.fill(path)
      }
      // What is not in sight is drawn only when it is looked at: all of it at once, if it were left to the end.
      if (behind && ++made % LOOK_EVERY === 0) context.getImageData(0, 0, 1, 1)
      yield
    }
  }

  #behind(): CanvasRenderingContext2D {
    const { width, height } = this.element
    this.#back ??= Object.assign(document.createElement('canvas'), { width, height })
    const context = this.#back.getContext('2d', { willReadFrequently: true })!
    context.setTransform(1, 0, 0, 1, 0, 0)
    context.clearRect(0, 0, width, height)
    return context
  }

  /** All of these are drawn on it for this view. */
  hold(strokes: readonly Stroke[], view: View): void {
    this.#view = view
    this.#hold(strokes)
  }

  /** Draws ink that came while more is drawn behind. */
  drawOnTop(strokes: readonly Stroke[]): void {
    if (strokes.length > 0) this.element.hidden = false
    this.#toPageSpace()
    for (const stroke of strokes) this.#draw(stroke)
  }

  /** Shows what was drawn behind for this view. */
  showBehind(strokes: readonly Stroke[], view: View): void {
    this.clear()
    this.hold(strokes, view)
    if (strokes.length > 0 && this.#back) this.#context.drawImage(this.#back, 0, 0)
  }

  /** Brings the canvas to these strokes under the same view, touching only what differs. */
  update(strokes: readonly Stroke[]): void {
    const before = this.#drawn
    if (before === strokes) return
    this.#hold(strokes)
    const common = commonStart(before, strokes)
    if (common === before.length) {
      this.#toPageSpace()
      for (let index = common; index < strokes.length; index++) this.#draw(strokes[index]!)
      return
    }
    const there = new Set(strokes)
    const known = new Set(before)
    const differ = [
      ...before.filter((stroke) => !there.has(stroke)),
      ...strokes.filter((stroke) => !known.has(stroke)),
    ].map((stroke) => strokePath(stroke).bounds)
    if (differ.length > MANY) this.#redraw(aroundAll(differ))
    else for (const bounds of differ) this.#redraw(bounds)
  }

  #hold(strokes: readonly Stroke[]): void {
    this.#drawn = strokes
    this.element.hidden = this.#mixes && strokes.length === 0
  }

  #redraw(changed: Bounds): void {
    const context = this.#context
    const bounds = this.#onWholePixels(changed)
    context.save()
    this.#toPageSpace()
    context.beginPath()
    context.rect(bounds.x0, bounds.y0, bounds.x1 - bounds.x0, bounds.y1 - bounds.y0)
    context.clip()
    context.clearRect(bounds.x0, bounds.y0, bounds.x1 - bounds.x0, bounds.y1 - bounds.y0)
    for (const stroke of this.#drawn) this.#draw(stroke, bounds)
    context.restore()
  }

  /** The same a little larger, with its edges between device pixels: an edge through one would leave a hairline. */
  #onWholePixels({ x0, y0, x1, y1 }: Bounds): Bounds {
    const { scale, x, y } = this.#view
    const unit = scale * this.#ratio
    const [left, top] = [x * this.#ratio, y * this.#ratio]
    return {
      x0: (Math.floor(x0 * unit + left) - 1 - left) / unit,
      y0: (Math.floor(y0 * unit + top) - 1 - top) / unit,
      x1: (Math.ceil(x1 * unit + left) + 1 - left) / unit,
      y1: (Math.ceil(y1 * unit + top) + 1 - top) / unit,
    }
  }

  #draw(stroke: Stroke, within?: Bounds): void {
    const { path, bounds } = strokePath(stroke)
    if (within && !overlap(bounds, within)) return
    this.#context.fillStyle = inkFill(stroke)
    this.#context.fill(path)
  }

  #toPageSpace(): void {
    this.#context.setTransform(...this.#pageSpace(this.#view))
  }

  #pageSpace({ scale, x, y }: View): [number, number, number, number, number, number] {
    const ratio = this.#ratio
    return [scale * ratio, 0, 0, scale * ratio, x * ratio, y * ratio]
  }
}

/** Strokes drawn behind before they are looked at. */
const LOOK_EVERY = 20

/** More changes than this are drawn anew in one go, all that lies around them with them. */
const MANY = 12

const aroundAll = (all: readonly Bounds[]): Bounds => ({
  x0: Math.min(...all.map(({ x0 }) => x0)),
  y0: Math.min(...all.map(({ y0 }) => y0)),
  x1: Math.max(...all.map(({ x1 }) => x1)),
  y1: Math.max(...all.map(({ y1 }) => y1)),
})

/** Makes a canvas as many device pixels as the window has. */
export function fitCanvas(canvas: HTMLCanvasElement, window: Size, ratio: number): void {
  canvas.width = Math.round(window.width * ratio)
  canvas.height = Math.round(window.height * ratio)
  canvas.style.width = `${window.width}px`
  canvas.style.height = `${window.height}px`
}

function commonStart(a: readonly Stroke[], b: readonly Stroke[]): number {
  let index = 0
  while (index < a.length && index < b.length && a[index] === b[index]) index++
  return index
}
