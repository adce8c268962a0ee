import { strokeOutline, traceOutline } from '../ink/outline.ts'
import type { Point } from '../ink/points.ts'
import { simplify } from '../ink/simplify.ts'
import { type Stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'

/**
 * How far an outline on paper may lie from the one on the screen, in points: 0.05 mm, while at 25 cm an eye
 * of full sharpness tells 0.07 mm apart (one minute of arc).
 */
const PRINTED_ERROR = 0.14
/** Corners are written as whole steps from the first, this many in a point. */
const STEPS = 8

/**
 * PDF path operators that fill the outline of a stroke, in page space (points, y down); the caller
 * sets the transformation. The outline is written with as few corners as a printer can show, to 1/16 pt.
 * `fill`: the operators that say what it is filled with; its colour, if left out.
 */
export function strokeOperators(stroke: Stroke, fill = `${colourOperands(stroke.colour)} rg`): string {
  const outline = strokeOutline(strokePoints(stroke), stroke.nib, strokeWidth(stroke))
  if (outline.length < 3) return ''
  const [first, ...others] = simplify(tracedCorners(outline), PRINTED_ERROR)
  if (!first) return ''
  const steps = (value: number) => Math.round(value * STEPS)
  const lines = others.map(({ x, y }) => `${steps(x - first.x)} ${steps(y - first.y)} l`)
  const size = 1 / STEPS
  return [
    `q ${fill} ${size} 0 0 ${size} ${short(first.x)} ${short(first.y)} cm`,
    '0 0 m',
    ...lines,
    'f Q',
  ].join('\n')
}

/**
 * How far a middle line in a small picture may lie from the one written, in points: a third of a dot there. Corners cost
 * whoever draws it most of the time.
 */
const SMALL_ERROR = 0.5

/**
 * PDF operators for a stroke in a small picture, in page space: its middle line, everywhere as broad as its nib. A
 * tenth of the work of the outline, and where a point is less than a dot, nobody tells them apart.
 */
export function middleLineOperators(stroke: Stroke): string {
  const [first, ...others] = simplify(strokePoints(stroke), SMALL_ERROR)
  if (!first) return ''
  // A dot is a line to where it began.
  const way = (others.length > 0 ? others : [first]).map(({ x, y }) => `${short(x)} ${short(y)} l`)
  return `q ${colourOperands(stroke.colour)} RG ${short(strokeWidth(stroke))} w 1 J 1 j\n${short(first.x)} ${short(first.y)} m\n${way.join('\n')}\nS Q`
}

/** The outline as it is traced in curves, as corners: the ends and the middle of each curve. */
function tracedCorners(outline: readonly (readonly number[])[]): Point[] {
  const corners: Point[] = []
  let from: Point = { x: 0, y: 0 }
  traceOutline(outline, {
    moveTo(x, y) {
      from = { x, y }
      corners.push(from)
    },
    quadraticCurveTo(cx, cy, x, y) {
      corners.push({ x: (from.x + 2 * cx + x) / 4, y: (from.y + 2 * cy + y) / 4 }, { x, y })
      from = { x, y }
    },
    closePath() {},
  })
  return corners
}

/** Red, green and blue from 0 to 1 of a colour #rrggbb. */
export function colourParts(colour: string): [red: number, green: number, blue: number] {
  const value = Number.parseInt(colour.slice(1), 16)
  return [(value >> 16) / 255, ((value >> 8) & 255) / 255, (value & 255) / 255]
}

/** A colour #rrggbb as three PDF operands. */
export function colourOperands(colour: string): string {
  return colourParts(colour)
    .map((part) => part.toFixed(3))
    .join(' ')
}

function short(value: number): string {
  return (Math.round(value * 100) / 100).toString()
}

/** PDF operators for a path of absolute M, L, Q, C and Z; painting it is the caller's. */
export function pathOperators(d: string): string {
  const parts: string[] = []
  let [x, y] = [0, 0]
  for (const [, letter, inside] of d.matchAll(/([MLQCZ])([^MLQCZ]*)/g)) {
    const n = (inside!.match(/-?[\d.]+/g) ?? []).map(Number)
    if (letter === 'Z') {
      parts.push('h')
      continue
    }
    const step = letter === 'Q' ? 4 : letter === 'C' ? 6 : 2
    for (let at = 0; at + step <= n.length; at += step) {
      const points = n.slice(at, at + step)
      const [toX, toY] = [points[step - 2]!, points[step - 1]!]
      if (letter === 'Q') {
        const [cx, cy] = [points[0]!, points[1]!]
        const first = `${short(x + (2 / 3) * (cx - x))} ${short(y + (2 / 3) * (cy - y))}`
        const second = `${short(toX + (2 / 3) * (cx - toX))} ${short(toY + (2 / 3) * (cy - toY))}`
        parts.push(`${first} ${second} ${short(toX)} ${short(toY)} c`)
      } else {
        parts.push(`${points.map(short).join(' ')} ${letter === 'M' ? 'm' : letter === 'L' ? 'l' : 'c'}`)
      }
      ;[x, y] = [toX, toY]
    }
  }
  return parts.join('\n')
}
