import { type InkPoint, levelled, type Point, type Stroke, worthKeeping } from '@hand-back/core'
import { strokePath } from '../draw/strokePath.ts'
import type { WetCanvas } from '../draw/WetCanvas.ts'
import type { View } from '../view/view.ts'
import { TOOLS } from './index.ts'
import { metAt, Rubbing } from './rubbing.ts'
import type { Hand, Tool } from './tool.ts'
import type { Writing } from './writing.ts'

/** Radius of the eraser on the screen, in CSS pixels. */
const ERASER_RADIUS = 9
/** A tap reaches this far, and a loop smaller than this is a tap, in CSS pixels. */
const TAP_REACH = 8

/** The page under a hand. */
export interface UnderHand {
  view(): View
  strokes(): readonly Stroke[]
  writing(): Writing | undefined
  /** What of the ink is to be seen is not what it was. */
  inkChanged(): void
}

/** What tools do to the page: the wet stroke, what the eraser has met, and the way of a loop. */
export class PageHand implements Hand {
  readonly #wet: WetCanvas
  readonly #page: UnderHand
  readonly #rubbing = new Rubbing()
  #points: InkPoint[] = []
  #foreseen: readonly InkPoint[] = []
  #frame = 0

  constructor(wet: WetCanvas, page: UnderHand) {
    this.#wet = wet
    this.#page = page
  }

  beginWet(at: InkPoint): void {
    this.#points = [at]
    this.#foreseen = []
    this.#nextFrame()
  }

  extendWet(points: readonly InkPoint[], foreseen: readonly InkPoint[]): void {
    for (const point of points) if (worthKeeping(this.#points.at(-1), point)) this.#points.push(point)
    this.#foreseen = foreseen
    this.#nextFrame()
  }

  takeWet(): readonly InkPoint[] {
    const points = this.#points
    this.#points = []
    this.#wet.clear()
    return points
  }

  keep(points: readonly InkPoint[]): void {
    if (points.length > 0) this.#page.writing()?.keep(points)
  }

  rub(points: readonly InkPoint[]): void {
    const { exact = false, mayTake } = this.#page.writing() ?? {}
    if (!mayTake) return
    const radius = ERASER_RADIUS / this.#page.view().scale
    this.#rubbing.go(this.#page.strokes(), points, radius, exact, mayTake)
    this.#page.inkChanged()
    this.#wet.drawRing(points.at(-1)!, radius, [], this.#page.view())
  }

  showRubbing(at: Point | undefined): void {
    const { exact = false, mayTake } = this.#page.writing() ?? {}
    if (!at || !mayTake) {
      this.#wet.clear()
      return
    }
    const radius = ERASER_RADIUS / this.#page.view().scale
    // What is cut exactly is what lies under the ring: that is seen already.
    const met = exact ? [] : metAt(this.#page.strokes(), at, radius, mayTake)
    this.#wet.drawRing(
      at,
      radius,
      met.map((stroke) => strokePath(stroke).path),
      this.#page.view(),
    )
  }

  takeRubbed(): void {
    this.#wet.clear()
    this.#page.writing()?.rubOut(this.#rubbing.end(), ERASER_RADIUS / this.#page.view().scale)
    // What was not taken after all comes back; what was is gone from the strokes by now.
    this.#page.inkChanged()
  }

  restoreRubbed(): void {
    this.#wet.clear()
    this.#rubbing.clear()
    this.#page.inkChanged()
  }

  /** Strokes without what is being rubbed out. */
  seen(strokes: readonly Stroke[]): readonly Stroke[] {
    return this.#rubbing.seen(strokes)
  }

  showWay(way: readonly InkPoint[]): void {
    const { tool, puts } = this.#page.writing() ?? {}
    const ends = way.length > 1 ? [way[0]!, way.at(-1)!] : undefined
    const shown =
      ends && tool === 'put' && puts === 'line'
        ? [ends[0]!, levelled(ends[0]!, ends[1]!)]
        : ends && this.#isBoxed
          ? corners(way)
          : way
    this.#wet.drawGuide(shown, this.#page.view())
  }

  pickUp(way: readonly InkPoint[]): void {
    const writing = this.#page.writing()
    const reach = TAP_REACH / this.#page.view().scale
    const tap = way.every((at) => Math.hypot(at.x - way[0]!.x, at.y - way[0]!.y) < reach)
    const loop = tap ? way.slice(0, 1) : this.#isBoxed ? corners(way) : way
    writing?.pickUp?.(loop, reach)
  }

  put(way: readonly InkPoint[]): void {
    this.#page.writing()?.put?.(way[0]!, way.at(-1)!)
  }

  fill(at: Point): void {
    // It takes a moment: where it was pressed is seen at once.
    this.#wet.drawRing(at, ERASER_RADIUS / this.#page.view().scale, [], this.#page.view())
    void this.#page
      .writing()
      ?.fill?.(at)
      .finally(() => this.#wet.clear())
  }

  sign(way: readonly InkPoint[]): void {
    this.#page.writing()?.sign?.(way)
  }

  get #isBoxed(): boolean {
    const { tool, boxes = false } = this.#page.writing() ?? {}
    return tool !== undefined && ((TOOLS[tool] as Tool).isBoxed?.(boxes) ?? false)
  }

  #nextFrame(): void {
    if (this.#frame) return
    this.#frame = requestAnimationFrame(() => {
      this.#frame = 0
      const swatch = this.#page.writing()?.swatch
      if (swatch && this.#points.length > 0)
        this.#wet.draw(this.#points, this.#foreseen, swatch, this.#page.view())
    })
  }
}

/** The box between the ends of a way, as a loop. */
function corners(way: readonly Point[]): Point[] {
  const [from, to] = [way[0]!, way.at(-1)!]
  return [from, { x: to.x, y: from.y }, to, { x: from.x, y: to.y }]
}
