import {
  blankItem,
  neatShape,
  type Stroke,
  strokeOutline,
  strokePoints,
  strokeWidth,
  type Thing,
} from '@hand-back/core'

/** The neat shape that a stroke was meant to be, in its colour and as broad; nothing where it is none. */
export function neatOf(stroke: Stroke): Thing | undefined {
  const neat = neatShape(strokePoints(stroke))
  if (!neat) return undefined
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
