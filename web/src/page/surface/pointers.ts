import { type Guide, guided, guidedEnd, type InkPoint, lean, type Point } from '@hand-back/core'
import { pressedByKeys } from '../keys/takesKeys.ts'
import type { Tool } from '../tools/tool.ts'
import { away } from './away.ts'
import { DoubleTap } from './DoubleTap.ts'
import { PalmGuard } from './PalmGuard.ts'

/** What the pointers act on. */
export interface PointerTarget {
  /** The tool that writes now, or nothing where nobody may write. `eraserEnd`: the pen's other end. */
  toolFor(eraserEnd: boolean): Tool | undefined
  /** Whether this tool may begin at a place of the page; where it may not, that is said. */
  mayBegin(tool: Tool, at: Point): boolean
  /** What stands between the hand and this tool in a stroke that begins at a place of the page. */
  guidesFor(tool: Tool, pointerType: string, at: Point): Guide[]
  drawing: {
    down(tool: Tool, at: InkPoint): void
    move(tool: Tool, points: readonly InkPoint[], foreseen: readonly InkPoint[]): void
    up(tool: Tool): void
    cancel(tool: Tool): void
    /** A mouse or pen rests there over the page; nothing: it has left. */
    hover(tool: Tool, at: Point | undefined): void
  }
  /** Where a place of the window (CSS pixels) is on the page. */
  toPage(at: Point): Point
  /** The nib in hand gets broader the flatter the pen lies. */
  leans(): boolean
  pan(dx: number, dy: number): void
  zoom(at: Point, factor: number): void
  /** A finger that moves the page tapped twice. */
  tappedTwice(): void
  penSeen(): void
}

/** A touch wider than this many CSS pixels is a palm or an arm. */
const PALM = 55
/** Touches so soon after the pen are the hand that holds it, in milliseconds. */
const HAND_NEAR = 500
const ERASER_BUTTON = 32
/** A pen that moved less than this many CSS pixels tapped, and a finger, which is broader. */
const TAP = { pen: 5, finger: 10 }

interface Stroke {
  readonly pointer: number
  readonly byFinger: boolean
  readonly tool: Tool
  readonly startedAt: number
  readonly guides: readonly Guide[]
  /** Where it was last, and how far it has gone, in CSS pixels. */
  last: Point
  gone: number
}

/** A stroke that has gone on so long (ms) and so far (CSS pixels) was writing, whatever ends it. */
const PLAINLY_WRITING = { time: 250, way: 30 }

/**
 * Decides what each pointer means: a pen or mouse writes; a finger writes until a pen has been seen on
 * this device, then it moves the page; two fingers always move and zoom; palms do nothing.
 */
export class Pointers {
  readonly #element: HTMLElement
  readonly #target: PointerTarget
  readonly #palms: PalmGuard
  readonly #taps = new DoubleTap()
  readonly #touches = new Map<number, Point>()
  #stroke: Stroke | undefined
  #panning: { pointer: number; at: Point } | undefined
  #penAt = Number.NEGATIVE_INFINITY
  #spaceHeld = false
  /** Touches that were taken for the hand that holds the pen. */
  readonly #doubted = new Set<number>()
  #tapped: { box: HTMLElement; at: Point } | undefined
  /** A finger that moves the page, as long as it has not: a tap of it means the tool. */
  #fingerTap: { pointer: number; at: Point; tool: Tool } | undefined
  /** Fingers move the page instead of writing. */
  fingerMoves: boolean

  constructor(element: HTMLElement, target: PointerTarget, fingerMoves: boolean) {
    this.#element = element
    this.#target = target
    this.fingerMoves = fingerMoves
    element.style.touchAction = 'none'
    this.#palms = new PalmGuard(element, (event) => this.#isHand(event))
    element.addEventListener('pointerdown', this.#down)
    element.addEventListener('pointermove', this.#move)
    element.addEventListener('pointerup', this.#up)
    element.addEventListener('pointerleave', this.#leave)
    element.addEventListener('pointercancel', this.#cancel)
    element.addEventListener('wheel', this.#wheel, { passive: false })
    element.addEventListener('mousedown', this.#mouseDown)
    addEventListener('keydown', this.#key)
    addEventListener('keyup', this.#key)
  }

  close(): void {
    this.finish()
    this.#palms.close()
    const element = this.#element
    element.removeEventListener('pointerdown', this.#down)
    element.removeEventListener('pointermove', this.#move)
    element.removeEventListener('pointerup', this.#up)
    element.removeEventListener('pointerleave', this.#leave)
    element.removeEventListener('pointercancel', this.#cancel)
    element.removeEventListener('wheel', this.#wheel)
    element.removeEventListener('mousedown', this.#mouseDown)
    removeEventListener('keydown', this.#key)
    removeEventListener('keyup', this.#key)
  }

  /**
   * Something ends a stroke before the hand does: the page turns, a second finger comes, the browser takes
   * over. What a pen or mouse wrote is kept, and what a finger plainly wrote; a touch that only just began,
   * a loop, a box are as if they had never been.
   */
  finish(at = performance.now()): void {
    const stroke = this.#stroke
    if (!stroke) return
    const { time, way } = PLAINLY_WRITING
    const plain = at - stroke.startedAt >= time && stroke.gone >= way
    if (!stroke.tool.writes || (stroke.byFinger && !plain)) this.#abandon()
    else {
      this.#stroke = undefined
      this.#tapped = undefined
      this.#target.drawing.up(stroke.tool)
    }
  }

  #abandon(): void {
    if (this.#stroke) this.#target.drawing.cancel(this.#stroke.tool)
    this.#stroke = undefined
  }

  readonly #down = (event: PointerEvent) => {
    const place = placeUnder(event)
    if (place === 'all' || (place === 'typing' && !this.#writesOver(event))) return
    if (place === 'one' || (place === 'hand' && !this.#writesAcross(event))) return this.#overlayDown(event)
    if (event.pointerType === 'touch') return this.#touchDown(event)
    if (event.pointerType === 'pen') {
      this.#penAt = event.timeStamp
      this.#target.penSeen()
      this.#abandon()
      this.#touches.clear()
    }
    const pans = event.button === 1 || (event.button === 0 && this.#spaceHeld)
    if (pans) this.#beginPan(event)
    else if (event.button === 0 || event.button === 5) this.#beginStroke(event)
  }

  /** A pen with ink in it writes across what other pointers move. */
  #writesAcross(event: PointerEvent): boolean {
    return event.pointerType === 'pen' && this.#target.toolFor(false)?.writes === true
  }

  /** A pen writes over a box that one types in; a tap of it means the box. */
  #writesOver(event: PointerEvent): boolean {
    const writes = event.pointerType === 'pen' && this.#target.toolFor(false) !== undefined
    this.#tapped = writes ? { box: event.target as HTMLElement, at: this.#place(event) } : undefined
    return writes
  }

  /** What a pen only writes over does not take the keyboard. */
  readonly #mouseDown = (event: MouseEvent) => {
    if (this.#tapped) event.preventDefault()
  }

  #touchDown(event: PointerEvent): void {
    if (this.#isHand(event)) {
      this.#doubted.add(event.pointerId)
      return
    }
    this.#touches.set(event.pointerId, this.#place(event))
    this.#taps.down(event, this.#place(event), this.#touches.size === 1)
    this.#element.setPointerCapture(event.pointerId)
    this.#fingerTap = undefined
    const tool = this.#target.toolFor(false)
    // A second finger says that the first was not going to write.
    if (this.#touches.size > 1) {
      this.finish(event.timeStamp)
      this.#takeAllTouches()
    } else if (!this.fingerMoves) this.#beginStroke(event)
    else if (tool?.taps) this.#fingerTap = { pointer: event.pointerId, at: this.#place(event), tool }
  }

  /** A touch is the hand that holds the pen: as broad as a palm, while the pen writes, or just after. */
  #isHand(event: PointerEvent): boolean {
    const penWrites = this.#stroke !== undefined && !this.#stroke.byFinger
    return isPalm(event) || penWrites || event.timeStamp - this.#penAt < HAND_NEAR
  }

  /** Fingers that move the page still pick up and put down by a tap. */
  #endFingerTap(event: PointerEvent): void {
    const tap = this.#fingerTap
    this.#fingerTap = undefined
    if (tap?.pointer !== event.pointerId || away(this.#place(event), tap.at) > TAP.finger) return
    this.#target.drawing.down(tap.tool, this.#inkPoint(event))
    this.#target.drawing.up(tap.tool)
  }

  /** Over what takes single pointers itself: a second finger takes both for moving the page. */
  #overlayDown(event: PointerEvent): void {
    if (event.pointerType !== 'touch' || isPalm(event)) return
    this.#fingerTap = undefined
    this.#touches.set(event.pointerId, this.#place(event))
    if (this.#touches.size > 1) this.#takeAllTouches()
  }

  /** From whatever had them: what one finger moved lies again where it was. */
  #takeAllTouches(): void {
    for (const id of this.#touches.keys()) this.#element.setPointerCapture(id)
  }

  #beginStroke(event: PointerEvent): void {
    const tool = this.#target.toolFor((event.buttons & ERASER_BUTTON) !== 0)
    if (!tool) {
      if (event.pointerType === 'mouse') this.#beginPan(event)
      return
    }
    const at = this.#target.toPage(this.#place(event))
    if (!this.#target.mayBegin(tool, at)) {
      event.preventDefault()
      return
    }
    this.#element.setPointerCapture(event.pointerId)
    this.#stroke = {
      pointer: event.pointerId,
      byFinger: event.pointerType === 'touch',
      tool,
      startedAt: event.timeStamp,
      guides: this.#target.guidesFor(tool, event.pointerType, at),
      last: this.#place(event),
      gone: 0,
    }
    this.#target.drawing.down(tool, guided(this.#stroke.guides, this.#inkPoint(event)))
    event.preventDefault()
  }

  #beginPan(event: PointerEvent): void {
    this.#element.setPointerCapture(event.pointerId)
    this.#panning = { pointer: event.pointerId, at: this.#place(event) }
    event.preventDefault()
  }

  readonly #move = (event: PointerEvent) => {
    if (event.pointerType === 'pen') this.#penAt = event.timeStamp
    if (event.pointerId === this.#stroke?.pointer) return this.#extendStroke(event)
    if (event.pointerId === this.#panning?.pointer) {
      const at = this.#place(event)
      this.#target.pan(at.x - this.#panning.at.x, at.y - this.#panning.at.y)
      this.#panning = { pointer: event.pointerId, at }
      return
    }
    if (event.pointerType !== 'touch' && event.buttons === 0) this.#hover(event)
    else if (this.#touches.has(event.pointerId)) this.#moveTouch(event)
    // Judged again while it lasts: the pen has gone, and it was a finger after all.
    else if (this.#doubted.delete(event.pointerId)) this.#touchDown(event)
  }

  /** A mouse or pen that rests over the page; over something that takes it for itself it has left. */
  #hover(event: PointerEvent): void {
    const tool = this.#target.toolFor(false)
    if (!tool || this.#stroke) return
    const isOver = event.type !== 'pointerleave' && placeUnder(event) === undefined
    this.#target.drawing.hover(tool, isOver ? this.#target.toPage(this.#place(event)) : undefined)
  }

  readonly #leave = (event: PointerEvent) => {
    if (event.pointerType !== 'touch') this.#hover(event)
  }

  #extendStroke(event: PointerEvent): void {
    const stroke = this.#stroke!
    // A finger that flattened into a palm was not writing, or writes no more.
    if (event.pointerType === 'touch' && isPalm(event)) {
      this.finish(event.timeStamp)
      return
    }
    const at = this.#place(event)
    stroke.gone += away(at, stroke.last)
    stroke.last = at
    const samples = event.getCoalescedEvents()
    const points = (samples.length > 0 ? samples : [event]).map((sample) =>
      guided(stroke.guides, this.#inkPoint(sample)),
    )
    const predicted = stroke.guides.length > 0 ? [] : (event.getPredictedEvents?.() ?? [])
    const foreseen = predicted.map((sample) => this.#inkPoint(sample))
    this.#target.drawing.move(stroke.tool, points, foreseen)
  }

  #moveTouch(event: PointerEvent): void {
    const before = this.#touches.get(event.pointerId)!
    const at = this.#place(event)
    const other = [...this.#touches].find(([id]) => id !== event.pointerId)?.[1]
    this.#touches.set(event.pointerId, at)
    if (!other) {
      const tap = this.#fingerTap
      if (tap && away(at, tap.at) <= TAP.finger) return
      this.#fingerTap = undefined
      const ours = this.#element.hasPointerCapture(event.pointerId)
      if (this.fingerMoves && ours) this.#target.pan(at.x - before.x, at.y - before.y)
      return
    }
    const middle = (a: Point, b: Point) => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 })
    const from = middle(before, other)
    const to = middle(at, other)
    this.#target.pan(to.x - from.x, to.y - from.y)
    const apart = away(before, other)
    if (apart > 0) this.#target.zoom(to, away(at, other) / apart)
  }

  readonly #up = (event: PointerEvent) => {
    this.#touches.delete(event.pointerId)
    this.#doubted.delete(event.pointerId)
    const twice = event.pointerType === 'touch' && this.#taps.up(event, this.#place(event))
    if (twice && this.fingerMoves && !this.#target.toolFor(false)?.taps) this.#target.tappedTwice()
    this.#endFingerTap(event)
    if (event.pointerId === this.#panning?.pointer) this.#panning = undefined
    if (event.pointerId !== this.#stroke?.pointer) return
    const { tool, guides } = this.#stroke
    const last = guidedEnd(guides)
    if (last.length > 0) this.#target.drawing.move(tool, last, [])
    this.#stroke = undefined
    const tapped = this.#tapped
    this.#tapped = undefined
    const at = this.#place(event)
    if (tapped && away(at, tapped.at) < TAP.pen) {
      this.#target.drawing.cancel(tool)
      tapped.box.focus()
      tapped.box.click()
    } else this.#target.drawing.up(tool)
  }

  readonly #cancel = (event: PointerEvent) => {
    this.#touches.delete(event.pointerId)
    this.#doubted.delete(event.pointerId)
    this.#fingerTap = undefined
    if (event.pointerId === this.#panning?.pointer) this.#panning = undefined
    if (event.pointerId === this.#stroke?.pointer) this.finish(event.timeStamp)
  }

  readonly #wheel = (event: WheelEvent) => {
    event.preventDefault()
    // Lines and pages, where a wheel counts in those, in CSS pixels.
    const unit = event.deltaMode === 1 ? 18 : event.deltaMode === 2 ? 400 : 1
    if (event.ctrlKey || event.metaKey)
      this.#target.zoom(this.#place(event), Math.exp(-event.deltaY * unit * 0.004))
    else if (event.shiftKey && event.deltaX === 0) this.#target.pan(-event.deltaY * unit, 0)
    else this.#target.pan(-event.deltaX * unit, -event.deltaY * unit)
  }

  readonly #key = (event: KeyboardEvent) => {
    if (event.code !== 'Space' || pressedByKeys(event.target)) return
    this.#spaceHeld = event.type === 'keydown'
  }

  #place(event: MouseEvent): Point {
    const box = this.#element.getBoundingClientRect()
    return { x: event.clientX - box.left, y: event.clientY - box.top }
  }

  #inkPoint(event: PointerEvent): InkPoint {
    const { x, y } = this.#target.toPage(this.#place(event))
    // Only pens tell pressure; what mice and fingers say differs by browser.
    const told = event.pointerType === 'pen' ? event.pressure : 0.5
    const pressure = this.#target.leans() ? lean(told, event.tiltX, event.tiltY) : told
    const time = this.#stroke ? Math.max(0, Math.round(event.timeStamp - this.#stroke.startedAt)) : 0
    return { x, y, pressure, time }
  }
}

/**
 * What lies over the page and takes pointers itself says so with `data-takes`: `all` of them; one at a time
 * (`one`: two fingers still move the page); the same but for pens that write across it (`hand`); or those
 * that do not write (`typing`).
 */
function placeUnder(event: PointerEvent): string | undefined {
  const target = event.target as Element | null
  return target?.closest<HTMLElement>('[data-takes]')?.dataset.takes
}

function isPalm(event: PointerEvent): boolean {
  return Math.max(event.width, event.height) > PALM
}
