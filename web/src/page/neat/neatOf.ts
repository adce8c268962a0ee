import {
  blankItem,
  type Item,
  lineAcross,
  type Neat,
  neatShape,
  type Point,
  type Stroke,
  strokeOutline,
  strokePoints,
  strokeWidth,
  type Thing,
  withLine,
} from '@hand-back/core'

/**
 * The neat shape that a stroke was meant to be, in its colour and as broad; a line from side to side of a box among
 * `own` makes a table of it, and takes its place. Nothing: it is none.
 */
export function neatOf(
  stroke: Stroke,
  own: readonly Item[],
): { shape: Thing; takes: readonly string[] } | undefined {
  const neat = neatShape(strokePoints(stroke))
  if (!neat) return undefined
  const divided =
    neat.form === 'line' && neat.heads !== 'end' && neat.heads !== 'start'
      ? dividedBy(strokePoints(stroke), own)
      : undefined
  if (divided) return divided
  return { shape: shapeOf(neat, stroke), takes: [] }
}

/** The table that a way across an upright box, or a table, makes of it; nothing: it goes across none. */
function dividedBy(
  way: readonly Point[],
  own: readonly Item[],
): { shape: Thing; takes: readonly string[] } | undefined {
  for (const item of [...own].reverse()) {
    if (!isBox(item)) continue
    const line = lineAcross(way, item)
    if (!line) continue
    const { x, y, width, height, colour, line: broad } = item
    const blank = blankItem('table', { x, y, width, height }, () => crypto.randomUUID())
    const { columns, rows, headed } =
      item.kind === 'table' ? item : { columns: [1], rows: [1], headed: false }
    const before = { ...blank, columns, rows, headed, colour, line: broad, turn: 0 }
    return { shape: withLine(before, line.side, line.at), takes: [item.id] }
  }
  return undefined
}

type Box = Extract<Thing, { kind: 'table' | 'shape' }>

/** A table, or a box, that lies level. */
const isBox = (item: Item): item is Box =>
  (item.kind === 'table' || (item.kind === 'shape' && item.form === 'rectangle')) && item.turn === 0

function shapeOf(neat: Neat, stroke: Stroke): Thing {
  const { x, y, width, height } = neat
  const blank = blankItem('shape', { x, y, width, height }, () => crypto.randomUUID())
  return { ...blank, ...neat, colour: stroke.colour, line: breadth(stroke) } as Thing
}

/** How much broader or thinner than its nib a stroke can come out. */
const THINNEST = 0.35
const BROADEST = 1.3

/** How broad a stroke came out on average, in points: a light hand and a quick one draw thinner than the nib is. */
function breadth(stroke: Stroke): number {
  const points = strokePoints(stroke)
  const nib = strokeWidth(stroke)
  const outline = strokeOutline(points, stroke.nib, nib)
  let [twice, length] = [0, 0]
  for (const [index, [x = 0, y = 0]] of outline.entries()) {
    const [nextX = 0, nextY = 0] = outline[(index + 1) % outline.length]!
    twice += x * nextY - nextX * y
  }
  for (const [index, { x, y }] of points.entries())
    if (index > 0) length += Math.hypot(x - points[index - 1]!.x, y - points[index - 1]!.y)
  const mean = Math.abs(twice) / 2 / Math.max(length, nib)
  return Math.round(Math.min(nib * BROADEST, Math.max(nib * THINNEST, mean)) * 100) / 100
}
