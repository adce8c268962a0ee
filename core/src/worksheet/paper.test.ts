import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pictureSize, type QuarterTurn, seenSize, seenToPdf } from './paper.ts'

const paper = fc.record({
  x: fc.integer({ min: -300, max: 300 }),
  y: fc.integer({ min: -300, max: 300 }),
  width: fc.integer({ min: 10, max: 2000 }),
  height: fc.integer({ min: 10, max: 2000 }),
  turn: fc.constantFrom<QuarterTurn>(0, 90, 180, 270),
  unit: fc.constantFrom(1, 2, 0.5),
})

test('the corners of a page as it is seen are the corners of its crop box, whatever its turn', () => {
  fc.assert(
    fc.property(paper, ({ x, y, width, height, turn, unit }) => {
      const of = { box: [x, y, x + width, y + height] as [number, number, number, number], turn, unit }
      const seen = seenSize(of)
      const [a, b, c, d, e, f] = seenToPdf(of)
      const map = (px: number, py: number) =>
        [a * px + c * py + e, b * px + d * py + f].map((n) => Math.round(n * 1e6) / 1e6)
      const corners = [map(0, 0), map(seen.width, 0), map(seen.width, seen.height), map(0, seen.height)]
      // Clockwise from the top left as seen; turning clockwise starts one corner later for each quarter.
      const box = [
        [x, y + height],
        [x + width, y + height],
        [x + width, y],
        [x, y],
      ]
      const first = { 0: 0, 90: 3, 180: 2, 270: 1 }[turn]
      expect(corners).toEqual([0, 1, 2, 3].map((index) => box[(first + index) % 4]))
    }),
  )
})

test('a picture fills an A4 sheet one way and keeps its shape', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12_000 }), fc.integer({ min: 1, max: 12_000 }), (width, height) => {
      const page = pictureSize(width, height)
      expect(page.width / page.height / (width / height)).toBeCloseTo(1, 6)
      expect(Math.max(page.width, page.height)).toBeLessThanOrEqual(841.9)
      expect(Math.min(page.width, page.height)).toBeLessThanOrEqual(595.3)
    }),
  )
})
