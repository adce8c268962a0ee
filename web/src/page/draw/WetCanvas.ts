import {
  type Bounds,
  boundsOf,
  HIGHLIGHTER_OPACITY,
  type InkPoint,
  type Point,
  type Swatch,
  shinesThrough,
  strokeOutline,
  traceOutline,
} from '@hand-back/core'

import type { Size, View } from '../view/view.ts'
import { fitCanvas } from './InkCanvas.ts'
import { inkFill } from './inkFill.ts'

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
    context.fillStyle = inkFill(swatch)
    const seeThrough = shinesThrough(swatch)
    context.globalAlpha = seeThrough ? HIGHLIGHTER_OPACITY : 1
    // Wet or kept, a highlighter never hides what it goes over.
    this.element.style.mixBlendMode = seeThrough ? 'multiply' : 'normal'
    const path = new Path2D()
    traceOutline(strokeOutline(all, swatch.nib, swatch.width), path)
    context.fill(path)
    this.#spoil(boundsOf(all, swatch.width + 2 / view.scale), view)
  }

  /** Draws the way of a loop or box. */
  drawGuide(way: readonly Point[], view: View): void {
    this.clear()
    if (way.length === 0) return
    const context = this.#context
    const ratio = this.#ratio
    context.setTransform(ratio, 0, 0, ratio, 0, 0)
    context.strokeStyle = '#1b6e68'
    context.fillStyle = 'rgb(27 110 104 / 0.08)'
    context.lineWidth = 2
    // A pointed corner would reach out of the box that is cleared.
    context.lineJoin = 'round'
    context.setLineDash([7, 5])
    context.beginPath()
    for (const at of way) context.lineTo(at.x * view.scale + view.x, at.y * view.scale + view.y)
    context.closePath()
    context.fill()
    context.stroke()
    context.setLineDash([])
    this.#spoil(boundsOf(way, 4 / view.scale), view)
  }

  /** Draws an eraser of `radius` points of the page, and marks what it would take. */
  drawRing(at: Point, radius: number, marked: readonly Path2D[], view: View): void {
    this.clear()
    const context = this.#context
    const ratio = this.#ratio
    this.element.style.mixBlendMode = 'normal'
    context.globalAlpha = 1
    context.setTransform(view.scale * ratio, 0, 0, view.scale * ratio, view.x * ratio, view.y * ratio)
    context.fillStyle = context.strokeStyle = 'rgb(236 234 227 / 0.85)'
    context.lineWidth = 3 / view.scale
    for (const path of marked) {
      context.fill(path)
      context.stroke(path)
    }
    context.strokeStyle = '#1e2b3a'
    context.lineWidth = 1.5 / view.scale
    context.beginPath()
    context.arc(at.x, at.y, radius, 0, 2 * Math.PI)
    context.stroke()
    if (marked.length > 0) this.#dirty = { x0: 0, y0: 0, x1: this.element.width, y1: this.element.height }
    else this.#spoil(boundsOf([at], radius + 3 / view.scale), view)
  }

  #spoil(box: Bounds, view: View): void {
    const ratio = this.#ratio
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
      Math.floor(dirty.x0) - 1,
      Math.floor(dirty.y0) - 1,
      Math.ceil(dirty.x1 - dirty.x0) + 4,
      Math.ceil(dirty.y1 - dirty.y0) + 4,
    )
    this.#dirty = undefined
    this.element.style.mixBlendMode = 'normal'
  }
}
