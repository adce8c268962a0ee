import { blankItem, neatShape, type Stroke, strokePoints, strokeWidth, type Thing } from '@hand-back/core'

/** The neat shape that a stroke was meant to be, in its colour and as wide; nothing where it is none. */
export function neatOf(stroke: Stroke): Thing | undefined {
  const neat = neatShape(strokePoints(stroke))
  if (!neat) return undefined
  const { x, y, width, height } = neat
  const blank = blankItem('shape', { x, y, width, height }, () => crypto.randomUUID())
  return { ...blank, ...neat, colour: stroke.colour, line: strokeWidth(stroke) } as Thing
}
