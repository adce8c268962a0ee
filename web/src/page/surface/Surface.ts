import {
  type Box,
  boxOfBounds,
  type Drawn,
  type Guide,
  leans,
  type Point,
  Steadier,
  type Stroke,
  shinesThrough,
  type WorksheetPage,
} from '@hand-back/core'
import { InkCanvas } from '../draw/InkCanvas.ts'
import { PaperCanvas, type Unseen } from '../draw/PaperCanvas.ts'
import type { Bitmaps } from '../draw/paint.ts'
import { WetCanvas } from '../draw/WetCanvas.ts'
import { TOOLS } from '../tools/index.ts'
import { PageHand } from '../tools/pageHand.ts'
import type { Tool } from '../tools/tool.ts'
import type { Finger, Writing } from '../tools/writing.ts'
import {
  bringInSight,
  fitScale,
  fitView,
  middleOf,
  panBy,
  type Size,
  shownPart,
  toPage,
  toScreen,
  transformBetween,
  type View,
  viewBeside,
  zoomAt,
} from '../view/view.ts'
import { FocusInSight } from './FocusInSight.ts'
import { Pointers } from './pointers.ts'
import { inSlices } from './slices.ts'

/** How long after a move of the view the ink is drawn sharp again, in milliseconds, when drawing it takes long. */
const REST = 90
/** Drawing all ink faster than this many milliseconds is done at every frame of a move. */
const QUICK = 7
/** More strokes than this are not drawn at once: moving only moves what is there, and drawing is done in slices. */
const FEW = 400

const NOT_DRAWING = () => {}

/** How near an edge a stroke must begin to go along it, in CSS pixels. */
const EDGE_REACH = { pen: 14, finger: 24 }

/** How far a steadied line may lie from where the mouse is, in CSS pixels. */
const LEASH = 9

export interface SurfaceEvents {
  viewChanged(view: View): void
  paperUnseen(why: Unseen): void
  penSeen(): void
  /** In a run, the next page (1), or the one before (-1), has come to the middle of the window. */
  ranOn(by: -1 | 1): void
}

/** The pages before and after the one that is shown, where all are in one run. */
export interface PagesBeside {
  readonly before: WorksheetPage | undefined
  readonly after: WorksheetPage | undefined
}

interface Canvases {
  readonly stage: HTMLElement
  readonly paper: HTMLCanvasElement
  readonly highlighter: HTMLCanvasElement
  readonly ink: HTMLCanvasElement
  readonly wet: HTMLCanvasElement
}

/**
 * The page one writes on: paper, highlighter, ink and the wet stroke, each on a canvas the size of the
 * window. Moving the view moves what is drawn at once and draws it sharp when the view rests.
 */
export class Surface {
  readonly #host: HTMLElement
  readonly #stage: HTMLElement
  readonly #paper: PaperCanvas
  readonly #highlighter: InkCanvas
  readonly #ink: InkCanvas
  readonly #wet: WetCanvas
  readonly #events: SurfaceEvents
  readonly #pointers: Pointers
  readonly #watch: ResizeObserver
  readonly #focus: FocusInSight
  #window: Size = { width: 1, height: 1 }
  /** How much of the window a keyboard on the screen and a strip over it cover, from below, in CSS pixels. */
  #covered = { keyboard: 0, strip: 0 }
  #page: WorksheetPage | undefined
  #run: PagesBeside | undefined
  /** The page from which it was run on: the next is about to be shown. */
  #ranFrom: WorksheetPage | undefined
  /** How pages were seen when they were left, by their ids. */
  readonly #left = new Map<string, View>()
  #strokes: readonly Stroke[] = []
  #view: View = { scale: 1, x: 0, y: 0 }
  #lens: View | undefined
  #drawnView: View = this.#view
  #writing: Writing | undefined
  /** With what the stroke that is under way was begun: it is finished, whatever is said meanwhile. */
  #begun: Writing | undefined
  #frame = 0
  /** Ends the drawing that is under way, if one is. */
  #stopDrawing = NOT_DRAWING
  /** Another page is shown, and nothing of it is drawn yet. */
  #turned = false
  /** Its paper is there, and its ink is being drawn behind. */
  #bare = false
  #rest: ReturnType<typeof setTimeout> | undefined
  #drawTook = 0
  #finger: Finger = 'until pen'
  #penSeen: boolean
  readonly #hand: PageHand

  constructor(host: HTMLElement, canvases: Canvases, events: SurfaceEvents, penSeen: boolean) {
    this.#host = host
    this.#penSeen = penSeen
    this.#stage = canvases.stage
    this.#events = events
    this.#paper = new PaperCanvas(canvases.paper, events.paperUnseen)
    this.#highlighter = new InkCanvas(canvases.highlighter, true)
    this.#ink = new InkCanvas(canvases.ink)
    this.#wet = new WetCanvas(canvases.wet)
    this.#hand = new PageHand(this.#wet, {
      view: () => this.#view,
      strokes: () => this.#strokes,
      writing: () => this.#writing ?? this.#begun,
      inkChanged: () => this.#updateInk(),
    })
    const hand = this.#hand
    this.#pointers = new Pointers(
      host,
      {
        toolFor: (eraserEnd) =>
          this.#writing ? TOOLS[eraserEnd ? 'eraser' : this.#writing.tool] : undefined,
        mayBegin: (tool, at) => !tool.writes || (this.#writing?.mayBegin?.(at) ?? true),
        guidesFor: (tool, pointerType, at) => this.#guidesFor(tool, pointerType, at),
        drawing: {
          down: (tool: Tool, at) => {
            this.#begun = this.#writing
            tool.down(hand, at)
          },
          move: (tool: Tool, points, foreseen) => tool.move(hand, points, foreseen),
          up: (tool: Tool) => tool.up(hand),
          cancel: (tool: Tool) => tool.cancel(hand),
          hover: (tool: Tool, at) => tool.hover?.(hand, at),
        },
        toPage: (at) => toPage(this.#view, at),
        pan: (dx, dy) => this.panBy(dx, dy),
        zoom: (at, factor) =>
          this.#page && this.setView(zoomAt(this.#view, at, factor, this.#page, this.#open, this.#run)),
        tappedTwice: () => this.fit(),
        leans: () => this.#writing?.tool === 'pen' && leans(this.#writing.swatch),
        penSeen: () => {
          this.#penSeen = true
          this.finger = this.#finger
          events.penSeen()
        },
      },
      penSeen,
    )
    this.#focus = new FocusInSight(host, {
      covered: (keyboard) => this.#cover({ keyboard }),
      see: (box) => {
        const { dx, dy } = bringInSight(box, this.#open)
        if (dx !== 0 || dy !== 0) this.panBy(dx, dy)
      },
    })
    this.#watch = new ResizeObserver(() => this.#resize())
    this.#watch.observe(host)
    this.#resize()
  }

  close(): void {
    this.#watch.disconnect()
    this.#focus.close()
    this.#pointers.close()
    this.#paper.close()
    clearTimeout(this.#rest)
    cancelAnimationFrame(this.#frame)
    this.#endDrawing()
  }

  set finger(finger: Finger) {
    this.#finger = finger
    this.#pointers.fingerMoves = finger === 'moves' || (finger === 'until pen' && this.#penSeen)
  }

  /** Holds the view still: a part of the page seen large, where only writing counts. Left out: it moves again. */
  set lens(lens: View | undefined) {
    this.#lens = lens
    if (lens) this.setView(lens)
  }

  /** Looks at a place of the page, in the middle, at a scale. */
  look(at: Point, scale: number): void {
    if (!this.#page) return
    const { width, height } = this.#window
    const view = { scale, x: width / 2 - at.x * scale, y: height / 2 - at.y * scale }
    this.setView(zoomAt(view, { x: width / 2, y: height / 2 }, 1, this.#page, this.#window, this.#run))
  }

  /** Shows a page. The same page of another copy keeps place and zoom; another is seen as it was left, or begins at its top. */
  showPage(page: WorksheetPage): void {
    const before = this.#page
    if (page === before) return
    this.#page = page
    const sameSize = before?.width === page.width && before.height === page.height
    // The same page with something on it changed, in preparation.
    if (page.id === before?.id && sameSize) {
      this.#nextFrame()
      return
    }
    this.#pointers.finish()
    this.#endDrawing()
    this.#turned = true
    this.#ink.clear()
    this.#highlighter.clear()
    const onward = this.#onward(before, page)
    if (before && !onward) this.#left.set(before.id, this.#view)
    this.#ranFrom = undefined
    const top = fitView(page, this.#window)
    const view = onward ?? this.#left.get(page.id) ?? (sameSize ? { ...this.#view, y: top.y } : top)
    this.setView(onward ?? panBy(view, 0, 0, page, this.#window, this.#run), true)
  }

  /** How a page is seen that one has just come to in a run: it lies where it was seen beside the one before. */
  #onward(before: WorksheetPage | undefined, page: WorksheetPage): View | undefined {
    if (!before || this.#ranFrom !== before) return undefined
    const by = page.id === this.#run?.after?.id ? 1 : page.id === this.#run?.before?.id ? -1 : undefined
    return by && viewBeside(this.#view, before, page, by)
  }

  /** All pages are in one run; left out: the page is alone in its window. Said after the page that is shown. */
  set run(run: PagesBeside | undefined) {
    const changes = (this.#run === undefined) !== (run === undefined)
    this.#run = run
    if (changes) this.panBy(0, 0)
  }

  /** Shows what is printed on the page and answered there, under the ink. */
  showDrawn(drawn: readonly Drawn[], bitmaps: Bitmaps): void {
    this.#paper.showDrawn(drawn, bitmaps, this.#turned)
  }

  /** Shows these strokes, in this order. */
  showStrokes(strokes: readonly Stroke[]): void {
    const before = this.#strokes
    this.#strokes = strokes
    if (this.#turned) return
    const made = newIn(strokes, before)
    if (made.length > FEW) {
      // Another copy's ink, or a page's that has just been read.
      this.#bare = true
      this.#drawInSlices()
    } else if (this.#bare) {
      // What is written while a page's ink is still being drawn is seen at once.
      this.#highlighter.drawOnTop(made.filter(shinesThrough))
      this.#ink.drawOnTop(made.filter((stroke) => !shinesThrough(stroke)))
    } else this.#updateInk()
  }

  set writing(writing: Writing | undefined) {
    // What the eraser marked is not to be seen any more with another tool.
    if (this.#writing?.tool === 'eraser' && writing?.tool !== 'eraser') this.#hand.showRubbing(undefined)
    this.#writing = writing
  }

  /** The part of the window that nothing covers. */
  get #open(): Size {
    const covered = Math.max(this.#covered.keyboard, this.#covered.strip)
    return { width: this.#window.width, height: Math.max(1, this.#window.height - covered) }
  }

  /** So much of the window is covered from below by a strip over it, in CSS pixels: the page can be moved out from under it. */
  stripCovers(strip: number): void {
    this.#cover({ strip })
  }

  #cover(more: { keyboard?: number; strip?: number }): void {
    this.#covered = { ...this.#covered, ...more }
    this.panBy(0, 0)
  }

  get view(): View {
    return this.#view
  }

  /** The place of the page in the middle of what is seen, on the page. */
  middle(): { x: number; y: number } {
    const at = toPage(this.#view, { x: this.#window.width / 2, y: this.#window.height / 2 })
    const { width = 0, height = 0 } = this.#page ?? {}
    return { x: Math.min(Math.max(0, at.x), width), y: Math.min(Math.max(0, at.y), height) }
  }

  /** The place of the page under a pointer that is over its window. */
  placeUnder(pointer: { clientX: number; clientY: number }): Point | undefined {
    const { left, top, right, bottom } = this.#host.getBoundingClientRect()
    const { clientX, clientY } = pointer
    const isOver = clientX >= left && clientX <= right && clientY >= top && clientY <= bottom
    return isOver ? toPage(this.#view, { x: clientX - left, y: clientY - top }) : undefined
  }

  /** The part of the page that is seen. */
  seenPart(): Box {
    const { width = 0, height = 0 } = this.#page ?? {}
    const { x0, y0, x1, y1 } = shownPart(this.#view, this.#open)
    return boxOfBounds({
      x0: Math.max(0, x0),
      y0: Math.max(0, y0),
      x1: Math.min(width, x1),
      y1: Math.min(height, y1),
    })
  }

  /** Moves the page so that a box of it is in sight. */
  bring({ x, y, width, height }: Box): void {
    const from = toScreen(this.#view, { x, y })
    const to = toScreen(this.#view, { x: x + width, y: y + height })
    const box = { left: from.x, top: from.y, right: to.x, bottom: to.y }
    const { dx, dy } = bringInSight(box, this.#open)
    if (dx !== 0 || dy !== 0) this.panBy(dx, dy)
  }

  /** Fits the page to the window again. */
  fit(): void {
    if (this.#page) this.setView(fitView(this.#page, this.#window))
  }

  /** Zooms around the middle of the window. */
  zoomBy(factor: number): void {
    if (!this.#page) return
    const middle = { x: this.#window.width / 2, y: this.#window.height / 2 }
    this.setView(zoomAt(this.#view, middle, factor, this.#page, this.#window, this.#run))
  }

  /** Moves the view by CSS pixels. */
  panBy(dx: number, dy: number): void {
    if (!this.#page) return
    this.setView(panBy(this.#view, dx, dy, this.#page, this.#open, this.#run))
    this.#tellRun(dy)
  }

  setView(wanted: View, redraw = false): void {
    const view = this.#lens ?? wanted
    this.#view = view
    this.#events.viewChanged(view)
    clearTimeout(this.#rest)
    this.#endDrawing()
    if (redraw || (this.#drawTook < QUICK && this.#strokes.length <= FEW)) this.#nextFrame()
    else {
      this.#stage.style.transformOrigin = '0 0'
      this.#stage.style.transform = transformBetween(this.#drawnView, view)
      this.#rest = setTimeout(() => this.#nextFrame(), REST)
    }
  }

  /** In a run, the hand has moved the page by so many CSS pixels down: another may have come to the middle. */
  #tellRun(down: number): void {
    const page = this.#page
    if (!page || !this.#run || this.#lens || this.#ranFrom === page) return
    const by = middleOf(this.#view, page, this.#window, this.#run)
    if (by === 0 || Math.sign(down) !== -by) return
    this.#ranFrom = page
    this.#events.ranOn(by)
  }

  /** An edge that one draws along guides alone; else a mouse, which trembles more than a pen does, is steadied. */
  #guidesFor(tool: Tool, pointerType: string, at: Point): Guide[] {
    if (!tool.writes) return []
    const { scale } = this.#view
    const edge = this.#writing?.edge?.(
      at,
      (pointerType === 'touch' ? EDGE_REACH.finger : EDGE_REACH.pen) / scale,
    )
    if (edge) return [edge]
    return pointerType === 'mouse' ? [new Steadier(LEASH / scale)] : []
  }

  #resize(): void {
    const { clientWidth: width, clientHeight: height } = this.#host
    if (width === 0 || height === 0) return
    const page = this.#page
    // A page that fitted fits again: the strip moved to a side, the tablet was turned.
    const fitted = page && Math.abs(this.#view.scale - fitScale(page, this.#window)) < 1e-3
    this.#window = { width, height }
    this.#left.clear()
    const ratio = devicePixelRatio
    for (const layer of [this.#paper, this.#highlighter, this.#ink, this.#wet])
      layer.resize(this.#window, ratio)
    if (!page) return
    const view = fitted ? { ...fitView(page, this.#window), y: this.#view.y } : this.#view
    this.setView(panBy(view, 0, 0, page, this.#window, this.#run), true)
  }

  #nextFrame(): void {
    if (this.#frame) return
    this.#frame = requestAnimationFrame(() => {
      this.#frame = 0
      this.#drawAll()
    })
  }

  #drawAll(): void {
    if (!this.#page) return
    if (this.#strokes.length > FEW) {
      this.#drawInSlices()
      return
    }
    this.#bare = false
    const began = performance.now()
    const shown = shownPart(this.#view, this.#window)
    const { pens, highlighters } = this.#seen()
    this.#showPaper(this.#view)
    this.#highlighter.drawAll(highlighters, this.#view, shown)
    this.#ink.drawAll(pens, this.#view, shown)
    this.#drawTook = performance.now() - began
  }

  #endDrawing(): void {
    this.#stopDrawing()
    this.#stopDrawing = NOT_DRAWING
  }

  #showPaper(view: View): void {
    if (!this.#page) return
    this.#turned = false
    this.#stage.style.transform = ''
    this.#drawnView = view
    this.#paper.show(this.#page, view)
  }

  /** Much ink is drawn behind what is seen, and gives way to the hand; a page just turned to shows its paper meanwhile. */
  #drawInSlices(): void {
    this.#endDrawing()
    const [view, shown] = [this.#view, shownPart(this.#view, this.#window)]
    const { pens, highlighters } = this.#seen()
    if (this.#turned || this.#bare) {
      this.#bare = true
      this.#ink.clear()
      this.#highlighter.clear()
      this.#showPaper(view)
    }
    const behind = !this.#bare
    const [highlighter, ink] = [this.#highlighter, this.#ink]
    function* all() {
      yield* highlighter.drawing(highlighters, view, shown, behind)
      yield* ink.drawing(pens, view, shown, behind)
    }
    this.#stopDrawing = inSlices(all(), () => {
      this.#stopDrawing = NOT_DRAWING
      this.#bare = false
      if (behind) {
        this.#showPaper(view)
        highlighter.showBehind(highlighters, view)
        ink.showBehind(pens, view)
      } else {
        highlighter.hold(highlighters, view)
        ink.hold(pens, view)
      }
      // And what came meanwhile.
      this.#updateInk()
    })
  }

  #updateInk(): void {
    // What is about to be drawn is drawn with it.
    if (this.#turned || this.#bare) return
    const { pens, highlighters } = this.#seen()
    this.#highlighter.update(highlighters)
    this.#ink.update(pens)
  }

  #seen(): { pens: Stroke[]; highlighters: Stroke[] } {
    const pens: Stroke[] = []
    const highlighters: Stroke[] = []
    for (const stroke of this.#hand.seen(this.#strokes)) {
      if (shinesThrough(stroke)) highlighters.push(stroke)
      else pens.push(stroke)
    }
    return { pens, highlighters }
  }
}

/** The strokes that were not there before. Cost: O(strokes) only where more came than one at the end. */
function newIn(strokes: readonly Stroke[], before: readonly Stroke[]): readonly Stroke[] {
  let same = 0
  while (same < before.length && strokes[same] === before[same]) same++
  if (same === before.length) return strokes.slice(same)
  const known = new Set(before)
  return strokes.filter((stroke) => !known.has(stroke))
}
