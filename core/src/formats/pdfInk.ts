import { strokeOutline, traceOutline } from '../ink/outline.ts'
import { type Stroke, strokePoints, strokeWidth } from '../ink/stroke.ts'

/**
 * PDF path operators that fill the outline of a stroke, in page space (points, y down); the caller
 * sets the transformation. Places are written to 1/100 pt.
 */
export function strokeOperators(stroke: Stroke): string {
  const outline = strokeOutline(strokePoints(stroke), stroke.nib, strokeWidth(stroke))
  if (outline.length < 3) return ''
  const parts: string[] = [`${colourOperands(stroke.colour)} rg`]
  let x0 = 0
  let y0 = 0
  traceOutline(outline, {
    moveTo(x, y) {
      parts.push(`${short(x)} ${short(y)} m`)
      x0 = x
      y0 = y
    },
    // PDF has cubic curves only: a quadratic's control point lies two thirds of the way from each end.
    quadraticCurveTo(cx, cy, x, y) {
      const c1 = `${short(x0 + (2 / 3) * (cx - x0))} ${short(y0 + (2 / 3) * (cy - y0))}`
      const c2 = `${short(x + (2 / 3) * (cx - x))} ${short(y + (2 / 3) * (cy - y))}`
      parts.push(`${c1} ${c2} ${short(x)} ${short(y)} c`)
      x0 = x
      y0 = y
    },
    closePath() {
      parts.push('h f')
    },
  })
  return parts.join('\n')
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
