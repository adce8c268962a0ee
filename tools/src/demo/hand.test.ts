import { deflateSync } from 'node:zlib'
import {
  neatShape,
  pathOperators,
  type Stroke,
  strokeOperators,
  strokeOutline,
  strokePoints,
  strokeWidth,
  traceOutline,
} from '@hand-back/core'
import { write } from '@hand-back/core/test/handwriting.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'
import { expect, test } from '@jest/globals'
import { studentsHand } from './hands.ts'

test('in a PDF a written sentence takes a tenth of what all the curves of its outline would', () => {
  const random = seeded(5)
  const hand = studentsHand(3, () => String(random()))
  const strokes = write(hand, 'The tide turns twice a day and the boats come home', { x: 60, y: 100 }, 400)
  const bytes = (draw: (stroke: Stroke) => string) =>
    deflateSync(strokes.map((stroke) => draw(stroke)).join('\n')).length
  expect(bytes(strokeOperators)).toBeLessThan(bytes(everyCurve) / 10)
})

test('nothing that is written in words and numbers is taken for a shape', () => {
  const text =
    'The quick brown fox jumps over 13 lazy dogs, 4.05 + 2.78 = 6.83 m; Oh! Why (not) begin at A, B or D?'
  let [letters, taken] = [0, 0]
  for (let index = 0; index < 24; index++) {
    const random = seeded(index)
    for (const stroke of write(
      studentsHand(index, () => String(random())),
      text,
      { x: 60, y: 100 },
      400,
    )) {
      letters += 1
      if (neatShape(strokePoints(stroke))) taken += 1
    }
  }
  expect(letters).toBeGreaterThan(1500)
  expect(taken).toBe(0)
})

/** A stroke's outline as the screen draws it, each curve to a hundredth of a point. */
function everyCurve(stroke: Stroke): string {
  const path: string[] = []
  traceOutline(strokeOutline(strokePoints(stroke), stroke.nib, strokeWidth(stroke)), {
    moveTo: (x, y) => path.push(`M ${x} ${y}`),
    quadraticCurveTo: (cx, cy, x, y) => path.push(`Q ${cx} ${cy} ${x} ${y}`),
    closePath: () => path.push('Z'),
  })
  return `0.133 0.2 0.353 rg\n${pathOperators(path.join(' '))}\nf`
}
