import { getStroke } from 'perfect-freehand'
import type { InkPoint } from './points.ts'
import type { Nib } from './stroke.ts'

/** How see-through a highlighter is where it lies over paper; it is multiplied with what is under it. */
export const HIGHLIGHTER_OPACITY = 0.45

/** Takes a path; a Canvas `Path2D` is one. */
export interface PathSink {
  moveTo(x: number, y: number): void
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void
  closePath(): void
}

/** How a nib answers: how much its width follows pressure (0 to 1), and whether its ends run out thin. */
const ANSWERS: Record<Nib, { readonly thinning: number; readonly runsOut: boolean }> = {
  pen: { thinning: 0.55, runsOut: false },
  marker: { thinning: 0, runsOut: false },
  highlighter: { thinning: 0, runsOut: false },
  brush: { thinning: 0.92, runsOut: true },
}

/** A nib is at least so many units wide where its outline is computed. */
const NIB_UNITS = 24

/**
 * The outline of a stroke as a closed polygon of `[x, y]` in points.
 *
 * `width` is the full width in points at middle pressure. Strokes whose pressure never changes come
 * from fingers and mice: their width follows their speed instead, where the nib answers at all.
 * `finished` false is for a stroke still being drawn, whose end is not yet rounded off. Method:
 * perfect-freehand.
 */
export function strokeOutline(
  points: readonly InkPoint[],
  nib: Nib,
  width: number,
  finished = true,
): number[][] {
  const { thinning, runsOut } = ANSWERS[nib]
  // The method leaves out what is nearer than a few units to an end, whatever the width: in units in which
  // a nib is many wide, a short dash of a thin pen is as long as it was drawn.
  const fine = Math.max(1, NIB_UNITS / width)
  const taper = runsOut ? { taper: width * fine * 2.5, cap: true } : { cap: true }
  const outline = getStroke(
    points.map((point) => [point.x * fine, point.y * fine, point.pressure]),
    {
      size: width * fine,
      thinning,
      smoothing: 0.5,
      streamline: 0.35,
      simulatePressure: thinning > 0 && !hasPressure(points),
      start: taper,
      end: finished ? taper : { cap: true },
      last: finished,
    },
  )
  return outline.map(([x, y]) => [x! / fine, y! / fine])
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
