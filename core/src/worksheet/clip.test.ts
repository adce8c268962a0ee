import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { clipLine } from './clip.ts'

const place = fc.double({ min: -50, max: 150, noNaN: true })
const line = fc.array(fc.record({ x: place, y: place }), { minLength: 2, maxLength: 20 })
const box = { x: 0, y: 0, width: 100, height: 80 }
const inside = ({ x, y }: { x: number; y: number }, slack = 1e-6) =>
  x >= -slack && x <= 100 + slack && y >= -slack && y <= 80 + slack

test('every piece lies in the box', () => {
  fc.assert(
    fc.property(line, (points) => {
      for (const point of clipLine(points, box).flat()) expect(inside(point)).toBe(true)
    }),
  )
})

test('nothing of the line that lies in the box is lost', () => {
  fc.assert(
    fc.property(line, fc.double({ min: 0, max: 1, noNaN: true }), (points, part) => {
      const pieces = clipLine(points, box)
      for (let index = 1; index < points.length; index++) {
        const [a, b] = [points[index - 1]!, points[index]!]
        const on = { x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part }
        if (!inside(on, -1e-6)) continue
        const near = pieces.some((piece) =>
          piece.some((to, at) => at > 0 && distance(on, piece[at - 1]!, to) < 1e-6),
        )
        expect(near).toBe(true)
      }
    }),
  )
})

function distance(
  p: { x: number; y: number },
  a: { x: number; y: number },
  b: { x: number; y: number },
): number {
  const long = (b.x - a.x) ** 2 + (b.y - a.y) ** 2
  const t =
    long === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / long))
  return Math.hypot(p.x - a.x - t * (b.x - a.x), p.y - a.y - t * (b.y - a.y))
}

test('a line wholly inside comes back as it is', () => {
  const points = [
    { x: 1, y: 1 },
    { x: 50, y: 70 },
    { x: 99, y: 2 },
  ]
  expect(clipLine(points, box)).toEqual([points])
})

test('a line that leaves and comes back is two; one that never enters is none; what is not finite ends it', () => {
  const over = [
    { x: 10, y: 10 },
    { x: 10, y: 200 },
    { x: 20, y: 200 },
    { x: 20, y: 10 },
  ]
  expect(clipLine(over, box)).toEqual([
    [
      { x: 10, y: 10 },
      { x: 10, y: 80 },
    ],
    [
      { x: 20, y: 80 },
      { x: 20, y: 10 },
    ],
  ])
  expect(
    clipLine(
      [
        { x: -5, y: -5 },
        { x: -5, y: 90 },
      ],
      box,
    ),
  ).toEqual([])
  expect(
    clipLine(
      [
        { x: 1, y: 1 },
        { x: 2, y: Number.POSITIVE_INFINITY },
        { x: 3, y: Number.NaN },
      ],
      box,
    ),
  ).toEqual([])
})
