import { middle, mm } from '../worksheet/box.ts'
import { clipLine } from '../worksheet/clip.ts'
import { NotAFormula, readFormula } from '../worksheet/expression.ts'
import type { CardFace, FormulaDrawing, Printed, PrintedItem, PrintedKind } from '../worksheet/printed.ts'
import { axesMarks, placeAxes } from './axes.ts'
import { boxPath, circlePath, ellipsePath, linePath, type Mark, type Measure, segmentPath } from './mark.ts'
import { choiceRows, PLACE_LABEL } from './places.ts'
import { centredText, textMarks } from './text.ts'

const INK = '#1e2b3a'
const PLACE = '#1b6e68'

export type Tone = Printed<'direction'>['tone']
/** The tones of directions and notes: their edge and their ground. */
export const TONES: Record<Tone, readonly [edge: string, ground: string]> = {
  slate: ['#46618c', '#e9eef6'],
  verdigris: ['#1b6e68', '#e4f0ee'],
  ochre: ['#8f5e0a', '#f6ead0'],
  madder: ['#a83a2e', '#f6e4df'],
  ink: ['#1e2b3a', '#eceae3'],
}

/** What a printed item looks like, before anybody answered. Law: it depends on nothing but the item and the fonts. */
export function printedMarks(item: PrintedItem, measure: Measure): Mark[] {
  const draw = PRINTED[item.kind] as (of: PrintedItem, measure: Measure) => Mark[]
  return draw(item, measure)
}

/** A new printed item is one line here, one in the schema and one in the list that teachers choose from. */
const PRINTED: { [Kind in PrintedKind]: (item: Printed<Kind>, measure: Measure) => Mark[] } = {
  text: (item, measure) => textMarks(item.text, item, item, measure).marks,
  formula: (item) => formulaMarks(item.drawing, item, item.colour),
  picture: ({ file, crop, ...box }) => [{ kind: 'picture', file, crop, box }],
  piece: ({ paper, whole, part, ...box }) => [{ kind: 'piece', paper, whole, part, box }],
  shape,
  plot: (item, measure) => plotMarks(item, {}, measure),
  direction,
  ink: ({ stroke, inner, ...box }) => [{ kind: 'stroke', stroke, inner, box }],
  link,
  typed: (item, measure) => [frame(item, 3), ...label(item.label, item, measure)],
  choice,
  drop: (item, measure) => [
    { kind: 'path', d: boxPath(item, 4), stroke: PLACE, width: 1.1, dash: [5, 3.5], fill: '#f5f9f8' },
    ...label(item.label, item, measure),
  ],
  speak: (item, measure) => [frame(item, 3), ...label(item.label || 'Speak here', item, measure)],
  photo: (item, measure) => [frame(item, 3), ...label(item.label || 'A photo goes here', item, measure)],
  card: (item, measure) => cardMarks(item, measure),
}

function frame(item: PrintedItem, corner: number): Mark {
  return { kind: 'path', d: boxPath(item, corner), stroke: PLACE, width: 0.9, fill: '#f5f9f8' }
}

function label(text: string, item: PrintedItem, measure: Measure): Mark[] {
  if (text === '') return []
  const size = PLACE_LABEL.size
  const box = { x: item.x + 5, y: item.y + 2.5, width: item.width - 10, height: size }
  return textMarks(text, box, { ...PLACE_LABEL, colour: PLACE }, measure).marks
}

/** A formula as large as its box is high. */
export function formulaMarks(
  drawing: FormulaDrawing,
  box: { x: number; y: number; width: number; height: number },
  colour: string,
): Mark[] {
  const tall = drawing.ascent + drawing.descent
  if (tall <= 0 || drawing.width <= 0) return []
  const size = Math.min(box.height / tall, box.width / drawing.width)
  return [
    {
      kind: 'path',
      d: drawing.path,
      fill: colour,
      at: { x: box.x, y: box.y + drawing.ascent * size, scale: size / 1000 },
    },
  ]
}

function shape(item: Printed<'shape'>): Mark[] {
  const style = {
    kind: 'path',
    ...(item.line > 0 ? { stroke: item.colour, width: item.line } : {}),
    ...(item.dashed ? { dash: [item.line * 4, item.line * 3] } : {}),
  } as const
  const fill = item.fill === null ? {} : { fill: item.fill }
  const x1 = item.x + item.width
  const y1 = item.y + item.height
  switch (item.form) {
    case 'rectangle':
      return [{ ...style, ...fill, d: boxPath(item) }]
    case 'ellipse':
      return [{ ...style, ...fill, d: ellipsePath(item) }]
    case 'triangle': {
      const corners = [
        { x: item.x + item.width / 2, y: item.y },
        { x: x1, y: y1 },
        { x: item.x, y: y1 },
      ]
      return [{ ...style, ...fill, d: linePath(corners, true) }]
    }
    case 'line': {
      const from = { x: item.x, y: item.rising ? y1 : item.y }
      const to = { x: x1, y: item.rising ? item.y : y1 }
      return [
        { ...style, d: segmentPath(from.x, from.y, to.x, to.y) },
        ...(item.heads === 'end' || item.heads === 'both' ? [arrowhead(from, to, item)] : []),
        ...(item.heads === 'start' || item.heads === 'both' ? [arrowhead(to, from, item)] : []),
      ]
    }
  }
}

function arrowhead(
  from: { x: number; y: number },
  to: { x: number; y: number },
  { colour, line }: Printed<'shape'>,
): Mark {
  const angle = Math.atan2(to.y - from.y, to.x - from.x)
  const long = 5 + line * 3
  const side = (turn: number) => ({
    x: to.x - Math.cos(angle + turn) * long,
    y: to.y - Math.sin(angle + turn) * long,
  })
  return { kind: 'path', d: linePath([to, side(0.42), side(-0.42)], true), fill: colour }
}

/** Places along a curve, for each point of the field's width two. */
const SAMPLES_A_POINT = 2
/** A jump higher than this many heights of the field between neighbours is a gap (1/x), not a line. */
const GAP = 2

/** A plot with the values that a student slid; a formula that cannot be read draws no curve. */
export function plotMarks(
  item: Printed<'plot'>,
  slid: Readonly<Record<string, number>>,
  measure: Measure,
): Mark[] {
  const place = placeAxes(item, item, measure)
  const { field } = place
  const letters = Object.fromEntries(item.parameters.map(({ name, value }) => [name, slid[name] ?? value]))
  const count = Math.min(2000, Math.ceil(field.width * SAMPLES_A_POINT))
  const marks = axesMarks({ ...item, colour: '#b9c9d6' }, item, measure)
  for (const { formula, colour } of item.curves) {
    const value = curveOf(formula, Object.keys(letters))
    if (!value) continue
    const points = Array.from({ length: count + 1 }, (_, index) => {
      const x = item.across.from + ((item.across.to - item.across.from) * index) / count
      return { x: place.x(x), y: place.y(value({ ...letters, x })) }
    })
    const d = runs(points, field.height * GAP)
      .flatMap((run) => clipLine(run, field))
      .map((piece) => linePath(piece))
      .join('')
    if (d !== '') marks.push({ kind: 'path', d, stroke: colour, width: 1.6 })
  }
  return marks
}

function curveOf(formula: string, letters: string[]) {
  try {
    return readFormula(formula, letters)
  } catch (error) {
    if (error instanceof NotAFormula) return undefined
    throw error
  }
}

function runs(points: readonly { x: number; y: number }[], gap: number): { x: number; y: number }[][] {
  const found: { x: number; y: number }[][] = []
  let run: { x: number; y: number }[] = []
  for (const point of points) {
    const last = run.at(-1)
    if (!Number.isFinite(point.y) || (last && Math.abs(point.y - last.y) > gap)) {
      found.push(run)
      run = []
    }
    if (Number.isFinite(point.y)) run.push(point)
  }
  return [...found, run]
}

/** How far a direction's words stand from its rim, in points. */
export const DIRECTION_INSET = 8

function direction(item: Printed<'direction'>, measure: Measure): Mark[] {
  const [dark, light] = TONES[item.tone]
  const inner = {
    x: item.x + DIRECTION_INSET + 3,
    y: item.y + DIRECTION_INSET * 0.6,
    width: item.width - 2 * DIRECTION_INSET - 3,
    height: item.height,
  }
  const style = { face: 'reading', size: item.size, bold: false, colour: INK } as const
  return [
    { kind: 'path', d: boxPath(item), fill: light },
    { kind: 'path', d: boxPath({ ...item, width: 3.5 }), fill: dark },
    ...textMarks(item.text, inner, style, measure).marks,
  ]
}

function link(item: Printed<'link'>, measure: Measure): Mark[] {
  const style = { face: 'plain', size: item.size, bold: true, colour: PLACE } as const
  if (item.to.kind === 'web') {
    const { marks } = textMarks(item.text, item, style, measure)
    const underlines = marks.map((mark) => {
      if (mark.kind !== 'text') return mark
      const y = mark.y + item.size * 0.16
      const d = segmentPath(mark.x, y, mark.x + measure(mark.text, style), y)
      return { kind: 'path', d, stroke: PLACE, width: item.size * 0.06 } as const
    })
    return [...marks, ...underlines]
  }
  return [
    { kind: 'path', d: boxPath(item, 3), fill: '#e4f0ee', stroke: PLACE, width: 0.8 },
    ...centredText(item.text, item, style, measure),
  ]
}

function choice(item: Printed<'choice'>, measure: Measure): Mark[] {
  const style = { face: 'reading', size: item.size, bold: false, colour: INK } as const
  const marks: Mark[] = []
  if (item.label) marks.push(...textMarks(item.label, item, style, measure).marks)
  for (const { option, box, sign, words } of choiceRows(item, measure)) {
    const d = item.many ? boxPath(sign, 1.5) : circlePath(middle(sign).x, middle(sign).y, sign.width / 2)
    marks.push({ kind: 'path', d, stroke: PLACE, width: 1.1, fill: '#ffffff' })
    marks.push(...textMarks(option.text, { ...words, height: box.height }, style, measure).marks)
  }
  return marks
}

/** How far the sheets under a stack peep out, in points. */
const PEEP = 2.4

/** A card, or a stack of it, lying at its printed place. */
export function cardMarks(item: Printed<'card'>, measure: Measure): Mark[] {
  const under = item.stack
    ? [2, 1].map(
        (step): Mark => ({
          kind: 'path',
          d: boxPath({ ...item, x: item.x + PEEP * step, y: item.y + PEEP * step }, 3),
          fill: item.tint,
          stroke: '#55606b',
          width: 0.7,
        }),
      )
    : []
  return [
    ...under,
    { kind: 'path', d: boxPath(item, 3), fill: item.tint, stroke: '#55606b', width: 0.9 },
    ...faceMarks(item.face, item, measure),
  ]
}

function faceMarks(
  face: CardFace,
  box: { x: number; y: number; width: number; height: number },
  measure: Measure,
): Mark[] {
  const inset = Math.min(mm(1.2), box.width / 6, box.height / 6)
  const inner = {
    x: box.x + inset,
    y: box.y + inset,
    width: box.width - 2 * inset,
    height: box.height - 2 * inset,
  }
  switch (face.kind) {
    case 'text':
      return centredText(
        face.text,
        inner,
        { face: 'reading', size: face.size, bold: false, colour: INK },
        measure,
      )
    case 'picture':
      return [{ kind: 'picture', file: face.file, crop: { x: 0, y: 0, width: 1, height: 1 }, box: inner }]
    case 'formula': {
      const { drawing, size } = face
      const tall = (drawing.ascent + drawing.descent) * size
      const fit = Math.min(1, inner.width / (drawing.width * size || 1), inner.height / (tall || 1))
      const width = drawing.width * size * fit
      const height = tall * fit
      return formulaMarks(
        drawing,
        { x: middle(inner).x - width / 2, y: middle(inner).y - height / 2, width, height },
        INK,
      )
    }
  }
}
