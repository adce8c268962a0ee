import { INK } from '../kinds/lettering.ts'
import { type Box, mm } from '../worksheet/box.ts'
import type { Axis } from '../worksheet/ruling.ts'
import { type Drawn, linePath, type Measure, segmentPath } from './drawn.ts'
import { drawnText } from './text.ts'

const LETTERS = { face: 'plain', bold: false, colour: INK } as const
/** The height of figures on an axis in points, smaller on small axes. */
const LETTER_SIZE = 10

/** A number as it is written on a scale: no longer than needed. */
export function sayNumber(value: number): string {
  return String(Number(value.toFixed(6))).replace('-', '−')
}

/** The values that lines of an axis stand at: whole multiples of its step from `from` to `to`. */
export function axisValues({ from, to, step }: Axis): number[] {
  const values: number[] = []
  const first = Math.ceil(from / step - 1e-9)
  for (let index = first; index * step <= to + step * 1e-9; index++) values.push(index * step)
  return values
}

/** Where values of two axes lie on the page. */
export interface AxesLaid {
  /** The rectangle between the ends of the axes, in points. */
  readonly field: Box
  readonly x: (value: number) => number
  readonly y: (value: number) => number
}

interface Axes {
  readonly across: Axis
  readonly up: Axis
}

/** Lays two axes into a box, leaving room for their figures and labels. */
export function placeAxes({ across, up }: Axes, box: Box, measure: Measure): AxesLaid {
  const size = letterSizeIn(box)
  const style = { ...LETTERS, size }
  const figures = Math.max(0, ...axisValues(up).map((value) => measure(sayNumber(value), style)))
  const left = figures + size * 0.9
  const below = size * (across.label ? 3.1 : 1.7)
  const above = size * (up.label ? 1.9 : 0.7)
  const field = {
    x: box.x + left,
    y: box.y + above,
    width: Math.max(1, box.width - left - size),
    height: Math.max(1, box.height - above - below),
  }
  return {
    field,
    x: (value) => field.x + ((value - across.from) / (across.to - across.from)) * field.width,
    y: (value) => field.y + field.height - ((value - up.from) / (up.to - up.from)) * field.height,
  }
}

function letterSizeIn(box: Box): number {
  return Math.max(5, Math.min(LETTER_SIZE, Math.min(box.width, box.height) / 14))
}

/** Two axes in a box: a grid if wanted, the axes where zero lies (else at the rim), figures and labels. */
export function drawnAxes(
  axes: Axes & { readonly grid: boolean; readonly colour: string },
  box: Box,
  measure: Measure,
): Drawn[] {
  const place = placeAxes(axes, box, measure)
  const { field, x, y } = place
  const size = letterSizeIn(box)
  const style = { ...LETTERS, size }
  const alongX = axisValues(axes.across)
  const alongY = axisValues(axes.up)
  const right = field.x + field.width
  const foot = field.y + field.height
  const zeroX = axes.across.from <= 0 && axes.across.to >= 0 ? x(0) : field.x
  const zeroY = axes.up.from <= 0 && axes.up.to >= 0 ? y(0) : foot
  const drawn: Drawn[] = []
  if (axes.grid) {
    const d =
      alongX.map((value) => segmentPath(x(value), field.y, x(value), foot)).join('') +
      alongY.map((value) => segmentPath(field.x, y(value), right, y(value))).join('')
    drawn.push({ kind: 'path', d, stroke: axes.colour, width: 0.6 })
  }
  const tick = mm(1)
  let d = segmentPath(field.x, zeroY, right, zeroY) + segmentPath(zeroX, foot, zeroX, field.y)
  for (const value of alongX) d += segmentPath(x(value), zeroY - tick, x(value), zeroY + tick)
  for (const value of alongY) d += segmentPath(zeroX - tick, y(value), zeroX + tick, y(value))
  drawn.push({ kind: 'path', d, stroke: INK, width: 1.2 })
  const tip = size * 0.7
  const head = (at: [number, number], a: [number, number], b: [number, number]) =>
    linePath(
      [at, a, b].map(([px, py]) => ({ x: px, y: py })),
      true,
    )
  drawn.push({
    kind: 'path',
    d:
      head([right + tip, zeroY], [right - 1, zeroY - tip / 2], [right - 1, zeroY + tip / 2]) +
      head([zeroX, field.y - tip], [zeroX - tip / 2, field.y + 1], [zeroX + tip / 2, field.y + 1]),
    fill: INK,
  })

  const widest = Math.max(0, ...alongX.map((value) => measure(sayNumber(value), style))) + size * 0.6
  const apart = alongX.length > 1 ? x(alongX[1]!) - x(alongX[0]!) : field.width
  const everyX = Math.max(1, Math.ceil(widest / apart))
  const everyY = Math.max(
    1,
    Math.ceil((size * 1.2) / (alongY.length > 1 ? y(alongY[0]!) - y(alongY[1]!) : field.height)),
  )
  const put = (text: string, at: Box, align: 'left' | 'centre' | 'right') =>
    drawn.push(...drawnText(text, at, { ...style, align }, measure).drawn)
  const wanted = (value: number, step: number, every: number) => Math.round(value / step) % every === 0
  for (const value of alongX)
    if (wanted(value, axes.across.step, everyX))
      put(sayNumber(value), { x: x(value) - 50, y: foot + size * 0.2, width: 100, height: size }, 'centre')
  for (const value of alongY)
    if (wanted(value, axes.up.step, everyY))
      put(
        sayNumber(value),
        { x: field.x - 100 - size * 0.5, y: y(value) - size * 0.68, width: 100, height: size },
        'right',
      )
  put(axes.across.label, { x: field.x, y: foot + size * 1.6, width: field.width, height: size }, 'right')
  put(
    axes.up.label,
    { x: zeroX + size * 0.7, y: box.y, width: Math.max(size, right - zeroX), height: size },
    'left',
  )
  return drawn
}
