import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Corners, homography, homographyThrough, mapped } from './homography.ts'

const near = fc.double({ min: -60, max: 60, noNaN: true })
/** Where a square of 1,000 comes to lie when it is seen a little askew. */
const seen = fc.tuple(near, near, near, near, near, near, near, near).map(
  ([a, b, c, d, e, f, g, h]): Corners => [
    { x: 200 + a, y: 300 + b },
    { x: 1200 + c, y: 300 + d },
    { x: 1200 + e, y: 1300 + f },
    { x: 200 + g, y: 1300 + h },
  ],
)
const SQUARE: Corners = [
  { x: 0, y: 0 },
  { x: 1000, y: 0 },
  { x: 1000, y: 1000 },
  { x: 0, y: 1000 },
]
const PLACES = [0, 250, 500, 750, 1000].flatMap((x) => [0, 400, 1000].map((y) => ({ x, y })))

describe('a homography through many places', () => {
  test('is the one that took them there, whatever they weigh', () => {
    fc.assert(
      fc.property(
        seen,
        fc.array(fc.double({ min: 0.1, max: 3, noNaN: true }), { minLength: 15, maxLength: 15 }),
        (corners, weights) => {
          const map = homography(SQUARE, corners)!
          const found = homographyThrough(
            PLACES.map((from, at) => ({ from, to: mapped(map, from), weight: weights[at]! })),
          )!
          for (const place of [...PLACES, { x: 333, y: 777 }]) {
            expect(mapped(found, place).x).toBeCloseTo(mapped(map, place).x, 3)
            expect(mapped(found, place).y).toBeCloseTo(mapped(map, place).y, 3)
          }
        },
      ),
    )
  })

  test('what weighs nothing does not count; too few places make none', () => {
    const pairs = PLACES.map((from, at) => ({
      from,
      to: at === 3 ? { x: 9000, y: 9000 } : { x: from.x * 2 + 5, y: from.y * 2 - 7 },
      weight: at === 3 ? 0 : 1,
    }))
    for (const straight of [true, false]) {
      const { x, y } = mapped(homographyThrough(pairs, straight)!, { x: 100, y: 100 })
      expect([x, y]).toEqual([expect.closeTo(205, 4), expect.closeTo(193, 4)])
    }
    expect(homographyThrough(pairs.slice(0, 2), true)).toBeUndefined()
    expect(homographyThrough(pairs.slice(0, 3))).toBeUndefined()
    const inLine = [0, 1, 2, 3, 4].map((x) => ({ from: { x, y: x }, to: { x, y: x }, weight: 1 }))
    expect(homographyThrough(inLine)).toBeUndefined()
  })
})
