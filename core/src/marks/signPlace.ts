import type { Point } from '../ink/points.ts'
import type { SignForm } from '../kinds/sign.ts'
import type { Box } from '../worksheet/box.ts'

/** The place of signs in an area: so far from its right edge, and from each other, in points. */
const FROM_EDGE = 16
const APART = 30

/** The way along which a sign is put into an area of a question, beside `there` others; a wavy line goes under all of it. */
export function signPlace(form: SignForm, area: Box, there: number): readonly Point[] {
  const x = Math.max(area.x + FROM_EDGE, area.x + area.width - FROM_EDGE - there * APART)
  const y = area.y + area.height / 2
  return form === 'wave'
    ? [
        { x: area.x, y: area.y + area.height },
        { x, y },
      ]
    : [{ x, y }]
}
