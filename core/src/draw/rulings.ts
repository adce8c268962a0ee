import { type Box, mm } from '../worksheet/box.ts'
import type { Ruling, RulingForm } from '../worksheet/ruling.ts'
import { drawnAxes, sayNumber } from './axes.ts'
import { boxPath, circlePath, type Drawn, type Measure, segmentPath } from './drawn.ts'
import { drawnText } from './text.ts'

/** The paper left white around what is ruled. */
const MARGIN = mm(15)
const THIN = 0.6
const THICK = 1.1
const LABEL = { face: 'plain', size: 11, bold: false, colour: '#1e2b3a' } as const

interface Size {
  readonly width: number
  readonly height: number
}

/**
 * The lines of a ruled paper on a page of a size in points. Lengths are true: 5 mm prints as 5 mm.
 * Law: everything lies on the page.
 */
export function drawnRuling(ruling: Ruling, size: Size, measure: Measure): Drawn[] {
  const draw = RULINGS[ruling.form] as (of: Ruling, area: Box, measure: Measure) => Drawn[]
  return draw(ruling, ruledArea(size), measure)
}

/** The part of a page that is ruled: all but a margin. */
export function ruledArea({ width, height }: Size): Box {
  const margin = Math.min(MARGIN, width / 8, height / 8)
  return { x: margin, y: margin, width: width - 2 * margin, height: height - 2 * margin }
}

type Draw<Form extends RulingForm> = (
  ruling: Extract<Ruling, { form: Form }>,
  area: Box,
  measure: Measure,
) => Drawn[]

/** A new ruled paper is one line here, one in the schema, and one in the list of papers to choose from. */
const RULINGS: { [Form in RulingForm]: Draw<Form> } = {
  plain: () => [],
  ruled: ({ colour, spacing }, area) => [lines(across(area, mm(spacing)), colour, THIN)],
  handwriting,
  squared: ({ colour, side }, area) => [lines(grid(area, mm(side)), colour, THIN)],
  dotted,
  axes: ({ colour, across: x, up }, area, measure) =>
    drawnAxes({ across: x, up, grid: true, colour }, area, measure),
  staves,
  'number line': numberLines,
  'clock faces': (ruling, area) =>
    cells(area, ruling.count, 1).flatMap((cell) => clockFace(cell, ruling.colour)),
  fractions,
  overlap,
  columns: ({ colour, count }, area) => {
    const step = area.width / count
    const inner = Array.from({ length: count - 1 }, (_, index) => area.x + step * (index + 1))
    const d = inner.map((x) => segmentPath(x, area.y, x, area.y + area.height)).join('')
    const head = segmentPath(area.x, area.y + mm(14), area.x + area.width, area.y + mm(14))
    return [lines(boxPath(area) + d + head, colour, THICK)]
  },
  timeline: (ruling, area, measure) =>
    scaleLine({ ...ruling, arrow: true }, area.x, area.x + area.width, area.y + area.height / 2, measure),
}

function lines(d: string, stroke: string, width: number): Drawn {
  return { kind: 'path', d, stroke, width }
}

/** Level lines a step apart, the first one step below the top. */
function across(area: Box, step: number): string {
  let d = ''
  for (let y = area.y + step; y <= area.y + area.height + 0.01; y += step)
    d += segmentPath(area.x, y, area.x + area.width, y)
  return d
}

/** Squares that begin in the upper left and of which only whole ones are drawn. */
function grid(area: Box, side: number): string {
  const columns = Math.floor(area.width / side + 0.001)
  const rows = Math.floor(area.height / side + 0.001)
  const x0 = area.x + (area.width - columns * side) / 2
  const y0 = area.y + (area.height - rows * side) / 2
  let d = ''
  for (let column = 0; column <= columns; column++)
    d += segmentPath(x0 + column * side, y0, x0 + column * side, y0 + rows * side)
  for (let row = 0; row <= rows; row++)
    d += segmentPath(x0, y0 + row * side, x0 + columns * side, y0 + row * side)
  return d
}

/** Four lines for each row of writing, as far apart as the small letters are high: full, middle, base, tail. */
function handwriting({ colour, height }: Extract<Ruling, { form: 'handwriting' }>, area: Box): Drawn[] {
  const step = mm(height)
  let outer = ''
  let base = ''
  let middle = ''
  for (let y = area.y; y + 3 * step <= area.y + area.height + 0.01; y += 4 * step) {
    const x1 = area.x + area.width
    outer += segmentPath(area.x, y, x1, y) + segmentPath(area.x, y + 3 * step, x1, y + 3 * step)
    middle += segmentPath(area.x, y + step, x1, y + step)
    base += segmentPath(area.x, y + 2 * step, x1, y + 2 * step)
  }
  return [
    lines(outer, colour, THIN / 2),
    { kind: 'path', d: middle, stroke: colour, width: THIN, dash: [4, 3] },
    lines(base, colour, THICK),
  ]
}

/** Dots are dashes as long as they are wide: one line a row, however large the page. */
const DOT = 0.6
function dotted({ colour, side }: Extract<Ruling, { form: 'dotted' }>, area: Box): Drawn[] {
  const step = mm(side)
  const columns = Math.floor(area.width / step + 0.001)
  let d = ''
  for (let y = area.y; y <= area.y + area.height + 0.01; y += step)
    d += segmentPath(area.x - DOT, y, area.x + columns * step + DOT, y)
  return [{ kind: 'path', d, stroke: colour, width: 2 * DOT, dash: [2 * DOT, step - 2 * DOT] }]
}

function staves({ colour, gap }: Extract<Ruling, { form: 'staves' }>, area: Box): Drawn[] {
  const step = mm(gap)
  let d = ''
  for (let y = area.y; y + 4 * step <= area.y + area.height + 0.01; y += 10 * step)
    for (let line = 0; line < 5; line++)
      d += segmentPath(area.x, y + line * step, area.x + area.width, y + line * step)
  return [lines(d, colour, THIN)]
}

function numberLines(ruling: Extract<Ruling, { form: 'number line' }>, area: Box, measure: Measure): Drawn[] {
  return Array.from({ length: ruling.lines }, (_, index) => {
    const y = area.y + (area.height * (index + 0.5)) / ruling.lines
    return scaleLine({ ...ruling, arrow: false }, area.x + mm(5), area.x + area.width - mm(5), y, measure)
  }).flat()
}

/** A line with evenly spaced strokes; numbers stand under as many as leave room. */
function scaleLine(
  of: { from: number; to: number; parts: number; colour: string; arrow: boolean },
  x0: number,
  x1: number,
  y: number,
  measure: Measure,
): Drawn[] {
  const step = (x1 - x0) / of.parts
  const value = (index: number) => sayNumber(of.from + ((of.to - of.from) * index) / of.parts)
  let d = segmentPath(x0, y, x1 + (of.arrow ? mm(4) : 0), y)
  for (let index = 0; index <= of.parts; index++)
    d += segmentPath(x0 + index * step, y - mm(2), x0 + index * step, y + mm(2))
  if (of.arrow) {
    const tip = x1 + mm(5)
    d += segmentPath(tip, y, tip - mm(3), y - mm(1.5)) + segmentPath(tip, y, tip - mm(3), y + mm(1.5))
  }
  const widest = Math.max(...[0, of.parts].map((index) => measure(value(index), LABEL))) + mm(2)
  const every = Math.max(1, Math.ceil(widest / step))
  const drawn: Drawn[] = [lines(d, of.colour, THICK)]
  for (let index = 0; index <= of.parts; index += every) {
    const middle = x0 + index * step
    drawn.push(
      ...drawnText(
        value(index),
        { x: middle - 40, y: y + mm(3), width: 80, height: 20 },
        { ...LABEL, align: 'centre' },
        measure,
      ).drawn,
    )
  }
  return drawn
}

/** Equal cells for `count` things of a shape (width by height), as large as fit, row by row. */
export function cells(area: Box, count: number, shape: number): Box[] {
  let best = { columns: 1, size: 0 }
  for (let columns = 1; columns <= count; columns++) {
    const rows = Math.ceil(count / columns)
    const size = Math.min(area.width / columns / shape, area.height / rows)
    if (size > best.size) best = { columns, size }
  }
  const rows = Math.ceil(count / best.columns)
  const width = area.width / best.columns
  const height = Math.min(area.height / rows, (width / shape) * 1.25)
  return Array.from({ length: count }, (_, index) => ({
    x: area.x + (index % best.columns) * width,
    y: area.y + Math.floor(index / best.columns) * height,
    width,
    height,
  }))
}

/** The largest circle in a cell, with room around it, and not larger than a hand. */
function circleIn(cell: Box): { x: number; y: number; radius: number } {
  const radius = Math.min(cell.width, cell.height, mm(90)) * 0.42
  return { x: cell.x + cell.width / 2, y: cell.y + cell.height / 2, radius }
}

/** A clock without hands: twelve long strokes, sixty short ones, the hours in figures. */
function clockFace(cell: Box, colour: string): Drawn[] {
  const { x, y, radius } = circleIn(cell)
  const ray = (turn: number, from: number, to: number) => {
    const angle = turn * 2 * Math.PI
    const [sin, cos] = [Math.sin(angle), Math.cos(angle)]
    return segmentPath(x + sin * from, y - cos * from, x + sin * to, y - cos * to)
  }
  let short = ''
  let long = circlePath(x, y, radius)
  for (let minute = 0; minute < 60; minute++) {
    if (minute % 5 === 0) long += ray(minute / 60, radius * 0.9, radius)
    else short += ray(minute / 60, radius * 0.95, radius)
  }
  const size = radius * 0.16
  const figures = Array.from({ length: 12 }, (_, index): Drawn => {
    const angle = ((index + 1) / 12) * 2 * Math.PI
    const text = String(index + 1)
    return {
      kind: 'text',
      text,
      x: x + Math.sin(angle) * radius * 0.77 - text.length * size * 0.29,
      y: y - Math.cos(angle) * radius * 0.77 + size * 0.36,
      face: 'plain',
      size,
      bold: false,
      colour: LABEL.colour,
    }
  })
  return [
    lines(short, colour, THIN),
    lines(long, colour, THICK),
    { kind: 'path', d: circlePath(x, y, radius * 0.02), fill: colour },
    ...figures,
  ]
}

function fractions(
  { colour, shape, parts, count }: Extract<Ruling, { form: 'fractions' }>,
  area: Box,
): Drawn[] {
  return cells(area, count, shape === 'circle' ? 1 : 5).map((cell) => {
    if (shape === 'bar') {
      const height = Math.min(cell.height * 0.7, mm(30))
      const bar = {
        x: cell.x + cell.width * 0.03,
        y: cell.y + (cell.height - height) / 2,
        width: cell.width * 0.94,
        height,
      }
      let d = boxPath(bar)
      for (let part = 1; part < parts; part++) {
        const x = bar.x + (bar.width * part) / parts
        d += segmentPath(x, bar.y, x, bar.y + height)
      }
      return lines(d, colour, THICK)
    }
    const { x, y, radius } = circleIn(cell)
    let d = circlePath(x, y, radius)
    for (let part = 0; part < parts && parts > 1; part++) {
      const angle = (part / parts) * 2 * Math.PI
      d += segmentPath(x, y, x + Math.sin(angle) * radius, y - Math.cos(angle) * radius)
    }
    return lines(d, colour, THICK)
  })
}

/** Two or three circles that share their middle parts. */
function overlap({ colour, circles }: Extract<Ruling, { form: 'overlap' }>, area: Box): Drawn[] {
  const radius = Math.min(area.width / 3.1, area.height / 3.4)
  const middle = { x: area.x + area.width / 2, y: area.y + area.height / 2 }
  const out = radius * 0.58
  const centres =
    circles === 2
      ? [
          { x: middle.x - out, y: middle.y },
          { x: middle.x + out, y: middle.y },
        ]
      : [-90, 30, 150].map((degrees) => ({
          x: middle.x + Math.cos((degrees * Math.PI) / 180) * out,
          y: middle.y + Math.sin((degrees * Math.PI) / 180) * out,
        }))
  return [lines(centres.map(({ x, y }) => circlePath(x, y, radius)).join(''), colour, THICK)]
}
