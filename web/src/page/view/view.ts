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

/** Zooms by `factor` while the point of the page under `at` (CSS pixels) stays under it. */
export function zoomAt(view: View, at: Point, factor: number, page: Size, window: Size): View {
  const fit = fitScale(page, window)
  const scale = Math.min(fit * MOST_ZOOM, Math.max(fit * LEAST_ZOOM, view.scale * factor))
  const grown = scale / view.scale
  return clampView(
    { scale, x: at.x - (at.x - view.x) * grown, y: at.y - (at.y - view.y) * grown },
    page,
    window,
  )
}

export function panBy(view: View, dx: number, dy: number, page: Size, window: Size): View {
  return clampView({ ...view, x: view.x + dx, y: view.y + dy }, page, window)
}

/** Keeps the page in sight: centred where it is smaller than the window, else never farther off than its margin. */
export function clampView(view: View, page: Size, window: Size): View {
  return {
    scale: view.scale,
    x: clampSide(view.x, page.width * view.scale, window.width),
    y: clampSide(view.y, page.height * view.scale, window.height),
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
