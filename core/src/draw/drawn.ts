import type { Similarity } from '../ink/similarity.ts'
import type { Stroke } from '../ink/stroke.ts'
import type { Face } from '../kinds/lettering.ts'
import type { Box } from '../worksheet/box.ts'
import type { Paper } from '../worksheet/paper.ts'

/** How letters look. `size` in points. */
export interface Lettering {
  readonly face: Face
  readonly size: number
  readonly bold: boolean
}

/** The width of a run of letters in points. The screen asks its canvas, the server the same fonts. */
export type Measure = (text: string, lettering: Lettering) => number

/**
 * One thing to draw, in points of the page, from below. Papers, printed items and answers all become
 * `Drawn`; what paints it (a canvas, a PDF) knows nothing of worksheets.
 */
export type Drawn =
  | {
      readonly kind: 'path'
      /** Absolute M, L, Q, C and Z. */
      readonly d: string
      readonly fill?: string
      /** What lies under it is seen through it, as through a highlighter (`HIGHLIGHTER_OPACITY`, multiplied). */
      readonly shines?: true
      readonly stroke?: string
      readonly width?: number
      readonly dash?: readonly number[]
      /** Where the path's own origin lies, and how much larger it is drawn. */
      readonly at?: { readonly x: number; readonly y: number; readonly scale: number }
    }
  | ({
      readonly kind: 'text'
      readonly text: string
      /** The start of the baseline. */
      readonly x: number
      readonly y: number
      readonly colour: string
    } & Lettering)
  | { readonly kind: 'picture'; readonly file: string; readonly box: Box; readonly crop: Box }
  | {
      readonly kind: 'piece'
      readonly paper: Paper
      readonly whole: { readonly width: number; readonly height: number }
      readonly part: Box
      readonly box: Box
    }
  | {
      readonly kind: 'stroke'
      readonly stroke: Stroke
      /** Where it lies; left out: where it was drawn. `inner` of its own space comes to lie in `box`. */
      readonly lies?: { readonly inner: Box; readonly box: Box }
    }
  /** Several laid elsewhere together. */
  | { readonly kind: 'laid'; readonly by: Similarity; readonly drawn: readonly Drawn[] }

export type DrawnPiece = Extract<Drawn, { kind: 'piece' }>

const short = (value: number) => String(Math.round(value * 100) / 100)

/** The path of a line through places; `closed` joins its ends. */
export function linePath(places: readonly { x: number; y: number }[], closed = false): string {
  const steps = places.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${short(x)} ${short(y)}`)
  return steps.join('') + (closed ? 'Z' : '')
}

export function segmentPath(x1: number, y1: number, x2: number, y2: number): string {
  return `M${short(x1)} ${short(y1)}L${short(x2)} ${short(y2)}`
}

/** How far the control points of a quarter circle lie, as part of the radius. */
const ROUND = 0.5523

export function boxPath({ x, y, width, height }: Box, corner = 0): string {
  const r = Math.min(corner, width / 2, height / 2)
  if (r === 0)
    return linePath(
      [
        { x, y },
        { x: x + width, y },
        { x: x + width, y: y + height },
        { x, y: y + height },
      ],
      true,
    )
  const k = r * (1 - ROUND)
  const x1 = x + width
  const y1 = y + height
  const c = (...numbers: number[]) => `C${numbers.map(short).join(' ')}`
  const l = (...numbers: number[]) => `L${numbers.map(short).join(' ')}`
  return [
    `M${short(x + r)} ${short(y)}`,
    l(x1 - r, y),
    c(x1 - k, y, x1, y + k, x1, y + r),
    l(x1, y1 - r),
    c(x1, y1 - k, x1 - k, y1, x1 - r, y1),
    l(x + r, y1),
    c(x + k, y1, x, y1 - k, x, y1 - r),
    l(x, y + r),
    c(x, y + k, x + k, y, x + r, y),
    'Z',
  ].join('')
}

export function ellipsePath({ x, y, width, height }: Box): string {
  const rx = width / 2
  const ry = height / 2
  const cx = x + rx
  const cy = y + ry
  const c = (...numbers: number[]) => `C${numbers.map(short).join(' ')}`
  return [
    `M${short(cx + rx)} ${short(cy)}`,
    c(cx + rx, cy + ry * ROUND, cx + rx * ROUND, cy + ry, cx, cy + ry),
    c(cx - rx * ROUND, cy + ry, cx - rx, cy + ry * ROUND, cx - rx, cy),
    c(cx - rx, cy - ry * ROUND, cx - rx * ROUND, cy - ry, cx, cy - ry),
    c(cx + rx * ROUND, cy - ry, cx + rx, cy - ry * ROUND, cx + rx, cy),
    'Z',
  ].join('')
}

export function circlePath(x: number, y: number, radius: number): string {
  return ellipsePath({ x: x - radius, y: y - radius, width: 2 * radius, height: 2 * radius })
}
