import {
  type Bounds,
  boundsOf,
  HIGHLIGHTER_OPACITY,
  type InkPoint,
  strokeOutline,
  traceOutline,
} from '@hand-back/core'
import type { Swatch } from '../swatches.ts'
import type { Size, View } from '../view.ts'
import { fitCanvas } from './InkCanvas.ts'

/** The stroke being drawn, alone on its canvas: only where it was and is gets cleared and filled again. */
export class WetCanvas {
  readonly element: HTMLCanvasElement
  readonly #context: CanvasRenderingContext2D
  #ratio = 1
  #dirty: Bounds | undefined

  constructor(element: HTMLCanvasElement) {
    this.element = element
    this.#context = element.getContext('2d')!
  }

  resize(window: Size, ratio: number): void {
    this.#ratio = ratio
    this.#dirty = undefined
    fitCanvas(this.element, window, ratio)
  }

  /** Draws the stroke so far. `foreseen` are points that the browser predicts: drawn, never kept. */
  draw(points: readonly InkPoint[], foreseen: readonly InkPoint[], swatch: Swatch, view: View): void {
    this.clear()
    const all = foreseen.length > 0 ? [...points, ...foreseen] : points
    const context = this.#context
    const ratio = this.#ratio
    context.setTransform(view.scale * ratio, 0, 0, view.scale * ratio, view.x * ratio, view.y * ratio)
    context.fillStyle = swatch.colour
    context.globalAlpha = swatch.nib === 'highlighter' ? HIGHLIGHTER_OPACITY : 1
    const path = new Path2D()
    traceOutline(strokeOutline(all, swatch.nib, swatch.width, false), path)
    context.fill(path)
    const box = boundsOf(all, swatch.width + 2 / view.scale)
    this.#dirty = {
      x0: (box.x0 * view.scale + view.x) * ratio,
      y0: (box.y0 * view.scale + view.y) * ratio,
      x1: (box.x1 * view.scale + view.x) * ratio,
      y1: (box.y1 * view.scale + view.y) * ratio,
    }
  }

  clear(): void {
    const dirty = this.#dirty
    if (!dirty) return
    this.#context.setTransform(1, 0, 0, 1, 0, 0)
    this.#context.globalAlpha = 1
    this.#context.clearRect(
      Math.floor(dirty.x0),
      Math.floor(dirty.y0),
      Math.ceil(dirty.x1 - dirty.x0) + 2,
      Math.ceil(dirty.y1 - dirty.y0) + 2,
    )
    this.#dirty = undefined
  }
}
