/** A place on a page in points (1/72 inch), x to the right, y down, from the top left of the page as it is seen. */
export interface Point {
  readonly x: number
  readonly y: number
}

/** One sample of a stroke: place in points, pressure 0 to 1, time in whole milliseconds since the pen went down. */
export interface InkPoint extends Point {
  readonly pressure: number
  readonly time: number
}

/** A rectangle in points; `x0 <= x1`, `y0 <= y1`. */
export interface Bounds {
  readonly x0: number
  readonly y0: number
  readonly x1: number
  readonly y1: number
}

/** The smallest rectangle around `points`, grown by `margin` points on each side. An empty list gives an empty rectangle at 0,0. */
export function boundsOf(points: readonly Point[], margin = 0): Bounds {
  if (points.length === 0) return { x0: 0, y0: 0, x1: 0, y1: 0 }
  let x0 = Infinity
  let y0 = Infinity
  let x1 = -Infinity
  let y1 = -Infinity
  for (const point of points) {
    if (point.x < x0) x0 = point.x
    if (point.x > x1) x1 = point.x
    if (point.y < y0) y0 = point.y
    if (point.y > y1) y1 = point.y
  }
  return { x0: x0 - margin, y0: y0 - margin, x1: x1 + margin, y1: y1 + margin }
}

/** Whether two rectangles share at least a point. */
export function overlap(a: Bounds, b: Bounds): boolean {
  return a.x0 <= b.x1 && b.x0 <= a.x1 && a.y0 <= b.y1 && b.y0 <= a.y1
}
