import { getStroke } from 'perfect-freehand'
import type { InkPoint } from './points.ts'

/** What kind of nib drew a stroke: a pen answers to pressure, a highlighter is flat, wide and see-through. */
export type Nib = 'pen' | 'highlighter'

/** How see-through a highlighter is where it lies over paper; it is multiplied with what is under it. */
export const HIGHLIGHTER_OPACITY = 0.45

/** Takes a path; a Canvas `Path2D` is one. */
export interface PathSink {
  moveTo(x: number, y: number): void
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void
  closePath(): void
}

/**
 * The outline of a stroke as a closed polygon of `[x, y]` in points.
 *
 * `width` is the full width in points at middle pressure. Strokes whose pressure never changes come
 * from fingers and mice: their width follows their speed instead. `finished` false is for a stroke
 * still being drawn, whose end is not yet rounded off. Method: perfect-freehand.
 */
export function strokeOutline(
  points: readonly InkPoint[],
  nib: Nib,
  width: number,
  finished = true,
): number[][] {
  const flat = nib === 'highlighter'
  return getStroke(
    points.map((point) => [point.x, point.y, point.pressure]),
    {
      size: width,
      thinning: flat ? 0 : 0.55,
      smoothing: 0.5,
      streamline: 0.35,
      simulatePressure: !flat && !hasPressure(points),
      last: finished,
    },
  )
}

/** Whether a device told real pressure: any two points differ in it. */
export function hasPressure(points: readonly InkPoint[]): boolean {
  const first = points[0]?.pressure
  return points.some((point) => point.pressure !== first)
}

/** Sends an outline to `sink` as smooth curves through the middles of its edges. Nothing is sent for fewer than three corners. */
export function traceOutline(outline: readonly (readonly number[])[], sink: PathSink): void {
  const count = outline.length
  if (count < 3) return
  const last = outline[count - 1]!
  const first = outline[0]!
  sink.moveTo((last[0]! + first[0]!) / 2, (last[1]! + first[1]!) / 2)
  for (let index = 0; index < count; index++) {
    const corner = outline[index]!
    const next = outline[(index + 1) % count]!
    sink.quadraticCurveTo(corner[0]!, corner[1]!, (corner[0]! + next[0]!) / 2, (corner[1]! + next[1]!) / 2)
  }
  sink.closePath()
}
