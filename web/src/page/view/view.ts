import type { Bounds, Point } from '@hand-back/core'

/** How a page lies on the screen: `scale` CSS pixels a point, its top left corner at x, y CSS pixels. */
export interface View {
  readonly scale: number
  readonly x: number
  readonly y: number
}

export interface Size {
  readonly width: number
  readonly height: number
}

/** Farthest in and out, as a multiple of the scale at which the page fits. */
export const MOST_ZOOM = 8
export const LEAST_ZOOM = 0.5
/** Blotter left around a page that fits, in CSS pixels. */
const MARGIN = 16

export const toPage = (view: View, at: Point): Point => ({
  x: (at.x - view.x) / view.scale,
  y: (at.y - view.y) / view.scale,
})
export const toScreen = (view: View, at: Point): Point => ({
  x: at.x * view.scale + view.x,
  y: at.y * view.scale + view.y,
})

/** The scale at which the page's width fits the window, or the whole page where that stays legible. */
export function fitScale(page: Size, window: Size): number {
  const across = (window.width - 2 * MARGIN) / page.width
  const whole = (window.height - 2 * MARGIN) / page.height
  // On a wide screen a whole A4 page would be a stamp: at most a third larger than true size, then scrolled.
  // A window too narrow for its margins still shows something.
  return Math.max(0.001, Math.min(across, Math.max(whole, 1.33)))
}

/** The page fitted and seen from its top. */
export function fitView(page: Size, window: Size): View {
  const scale = fitScale(page, window)
  return clampView({ scale, x: (window.width - page.width * scale) / 2, y: MARGIN }, page, window)
}

/** The pages between which a page lies where all are in one run, one under another. */
export interface Run {
  readonly before?: Size | undefined
  readonly after?: Size | undefined
}
const ALONE: Run = {}
/** Blotter between two pages of a run, in points. */
export const RUN_GAP = 16

/** Zooms by `factor` while the point of the page under `at` (CSS pixels) stays under it. */
export function zoomAt(
  view: View,
  at: Point,
  factor: number,
  page: Size,
  window: Size,
  run: Run = ALONE,
): View {
  const fit = fitScale(page, window)
  const scale = Math.min(fit * MOST_ZOOM, Math.max(fit * LEAST_ZOOM, view.scale * factor))
  const grown = scale / view.scale
  return clampView(
    { scale, x: at.x - (at.x - view.x) * grown, y: at.y - (at.y - view.y) * grown },
    page,
    window,
    run,
  )
}

export function panBy(view: View, dx: number, dy: number, page: Size, window: Size, run: Run = ALONE): View {
  return clampView({ ...view, x: view.x + dx, y: view.y + dy }, page, window, run)
}

/**
 * Keeps the page in sight: centred where it is smaller than the window, else never farther off than its margin. In a
 * run it goes on until the next page, or the one before, has the middle of the window.
 */
export function clampView(view: View, page: Size, window: Size, run: Run = ALONE): View {
  const length = page.height * view.scale
  const y = clampSide(view.y, length, window.height)
  return {
    scale: view.scale,
    x: clampSide(view.x, page.width * view.scale, window.width),
    y: run.before || run.after ? clampInRun(view, length, window.height, run) : y,
  }
}

function clampInRun({ y, scale }: View, length: number, room: number, { before, after }: Run): number {
  const beyond = RUN_GAP * scale + 1
  // However short the first page and the last are, they can have the middle.
  const most = before ? room / 2 + beyond : Math.max(MARGIN, room / 2 - length)
  const least = after ? room / 2 - beyond - length : Math.min(room / 2, room - length - MARGIN)
  return Math.min(most, Math.max(least, y))
}

/** Which page of a run has the middle of the window: this one (0), the next (1), or the one before (-1). */
export function middleOf({ y, scale }: View, page: Size, window: Size, { before, after }: Run): -1 | 0 | 1 {
  const gap = RUN_GAP * scale
  if (before && y - gap > window.height / 2) return -1
  return after && y + page.height * scale + gap < window.height / 2 ? 1 : 0
}

/** How the next page of a run (1), or the one before (-1), is seen while this page is seen so. */
export function viewBeside({ scale, x, y }: View, page: Size, other: Size, by: -1 | 1): View {
  const gap = RUN_GAP * scale
  return {
    scale,
    x: x + ((page.width - other.width) * scale) / 2,
    y: by > 0 ? y + page.height * scale + gap : y - gap - other.height * scale,
  }
}

function clampSide(at: number, length: number, room: number): number {
  if (length + 2 * MARGIN <= room) return (room - length) / 2
  return Math.min(MARGIN, Math.max(room - length - MARGIN, at))
}

/**
 * By how much a view must move so that a box of the window (CSS pixels) is in sight, with some room around it.
 * What is larger than the window is seen from its top left.
 */
export function bringInSight(
  box: { left: number; top: number; right: number; bottom: number },
  window: Size,
) {
  return {
    dx: sideInSight(box.left, box.right, window.width),
    dy: sideInSight(box.top, box.bottom, window.height),
  }
}

/** Room left around what is brought in sight, in CSS pixels. */
const AROUND = 24

function sideInSight(from: number, to: number, room: number): number {
  const low = from - AROUND
  const high = to + AROUND
  if (from >= 0 && to <= room) return 0
  return low < 0 || high - low > room ? -low : room - high
}

/** The part of the page that the window shows, in points, with `margin` CSS pixels more on each side. */
export function shownPart(view: View, window: Size, margin = 0): Bounds {
  const from = toPage(view, { x: -margin, y: -margin })
  const to = toPage(view, { x: window.width + margin, y: window.height + margin })
  return { x0: from.x, y0: from.y, x1: to.x, y1: to.y }
}

/** The CSS transform that makes what was drawn for `drawn` look as `view` wants it. */
export function transformBetween(drawn: View, view: View): string {
  const grown = view.scale / drawn.scale
  return `translate(${view.x - drawn.x * grown}px, ${view.y - drawn.y * grown}px) scale(${grown})`
}
