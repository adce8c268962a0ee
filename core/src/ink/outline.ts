import { getStroke } from 'perfect-freehand'
import { withBends } from './bends.ts'
import { type Bounds, boundsOf, type InkPoint } from './points.ts'
import type { Nib } from './stroke.ts'

/** How see-through a highlighter is where it lies over paper; it is multiplied with what is under it. */
export const HIGHLIGHTER_OPACITY = 0.45

/** Takes a path; a Canvas `Path2D` is one. */
export interface PathSink {
  moveTo(x: number, y: number): void
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void
  closePath(): void
}

/**
 * How a nib answers: how much its width follows pressure, and speed where nothing tells pressure (0 to 1), and
 * whether its ends run out thin. A finger is quick: a pencil that followed its speed as it follows pressure
 * would hardly be seen.
 */
const ANSWERS: Record<Nib, { readonly pressure: number; readonly speed: number; readonly runsOut: boolean }> =
  {
    pencil: { pressure: 0.8, speed: 0.3, runsOut: false },
    pen: { pressure: 0.55, speed: 0.55, runsOut: false },
    'felt tip': { pressure: 0, speed: 0, runsOut: false },
    highlighter: { pressure: 0, speed: 0, runsOut: false },
    paintbrush: { pressure: 0.92, speed: 0.92, runsOut: true },
  }

/** A nib is at least so many units wide where its outline is computed. */
const NIB_UNITS = 24

/** A stroke that stays within so many of its widths was a tap. */
const TAP_WIDTHS = 0.6
/** Corners of a dot's outline. */
const DOT_CORNERS = 16
/** How far samples may lie apart, in points and in widths of the stroke, before points come between them. */
const LONGEST_LEG = 2.5
const LONGEST_WIDTHS = 0.8

/**
 * The outline of a stroke as a closed polygon of `[x, y]` in points; of a tap, a round dot. The same while
 * it is drawn and when the pen is lifted.
 *
 * `width` is the full width in points at middle pressure. Strokes whose pressure never changes come
 * from fingers and mice: their width follows their speed instead, where the nib answers at all. Method:
 * perfect-freehand, of samples with bends between them (bends.ts).
 */
export function strokeOutline(points: readonly InkPoint[], nib: Nib, width: number): number[][] {
  const { runsOut, ...follows } = ANSWERS[nib]
  const isPressed = hasPressure(points)
  const thinning = isPressed ? follows.pressure : follows.speed
  const box = boundsOf(points)
  const extent = Math.hypot(box.x1 - box.x0, box.y1 - box.y0)
  if (points.length > 0 && extent <= width * TAP_WIDTHS) return dot(points, box, thinning, width)
  // The method leaves out what is nearer than a few units to an end, whatever the width: in units in which
  // a nib is many wide, a short dash of a thin pen is as long as it was drawn.
  const fine = Math.max(1, NIB_UNITS / width)
  // A short touch of the paintbrush runs out within its own length.
  const taper = runsOut ? { taper: Math.min(width * 2.5, extent * 0.4) * fine, cap: true } : { cap: true }
  const pressed = thinning > 0 && !isPressed ? asIfPressed(points, width) : points
  const outline = getStroke(
    withBends(pressed, Math.max(LONGEST_LEG, width * LONGEST_WIDTHS)).map((point) => [
      point.x * fine,
      point.y * fine,
      point.pressure,
    ]),
    {
      size: width * fine,
      thinning,
      smoothing: 0.5,
      streamline: 0.35,
      simulatePressure: false,
      start: taper,
      end: taper,
      last: true,
    },
  )
  return outline.map(([x, y]) => [x! / fine, y! / fine])
}

/** How fast the width follows the speed, as perfect-freehand has it. */
const RATE_OF_CHANGE = 0.275
/** The first samples settle how a stroke begins. */
const BEGINNING = 10

/**
 * Samples with a pressure made of their speed: slow is firm. By the samples themselves and not by what comes
 * between them, so that a stroke is as broad however it was sampled. Method: perfect-freehand's.
 */
function asIfPressed(points: readonly InkPoint[], width: number): InkPoint[] {
  const after = (before: number, index: number) => {
    const [from, to] = [points[index - 1] ?? points[0]!, points[index]!]
    const speed = Math.min(1, Math.hypot(to.x - from.x, to.y - from.y) / width)
    return Math.min(1, before + (1 - speed - before) * speed * RATE_OF_CHANGE)
  }
  let pressure = points[0]?.pressure ?? 0.5
  for (let index = 0; index < Math.min(BEGINNING, points.length); index++)
    pressure = (pressure + after(pressure, index)) / 2
  return points.map((point, index) => {
    pressure = after(pressure, index)
    return { ...point, pressure }
  })
}

/** A round dot around the middle of a tap, as broad as its pressure makes the nib. */
function dot(points: readonly InkPoint[], box: Bounds, thinning: number, width: number): number[][] {
  const pressure = hasPressure(points) ? Math.max(...points.map((point) => point.pressure)) : 0.5
  const radius = width * (0.5 - thinning * (0.5 - pressure) * 0.5)
  const [x, y] = [(box.x0 + box.x1) / 2, (box.y0 + box.y1) / 2]
  return Array.from({ length: DOT_CORNERS }, (_, corner) => {
    const angle = (corner / DOT_CORNERS) * 2 * Math.PI
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)]
  })
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
