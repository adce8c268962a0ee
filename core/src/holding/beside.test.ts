import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Box } from '../worksheet/box.ts'
import { freeSpot, stepBeside } from './beside.ts'
import { levelled } from './levelled.ts'

const room = { width: 600, height: 800 }
const moved = (box: Box, { x, y }: { x: number; y: number }): Box => ({ ...box, x: box.x + x, y: box.y + y })
const side = fc.integer({ min: 5, max: 150 })
const anyBox = fc.record({
  x: fc.integer({ min: 0, max: 440 }),
  y: fc.integer({ min: 0, max: 640 }),
  width: side,
  height: side,
})
const covers = (a: Box, b: Box) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

test('the same again three times: never over the one before, at even distances in a row', () => {
  fc.assert(
    fc.property(anyBox, (first) => {
      const second = moved(first, stepBeside(first, room))
      const third = moved(second, stepBeside(second, room))
      const fits = first.x + 2 * (first.width + 20) + first.width <= room.width
      if (fits) {
        expect(second.y).toBe(first.y)
        expect(third.x - second.x).toBeCloseTo(second.x - first.x)
        expect(covers(first, second) || covers(second, third)).toBe(false)
      }
      expect(second).not.toEqual(first)
    }),
  )
})

test('a free spot lies in the part and covers nothing where there is room, rather in the middle', () => {
  const part = { x: 0, y: 0, width: 600, height: 400 }
  const size = { width: 100, height: 80 }
  expect(freeSpot(size, part, [])).toEqual({ x: 250, y: 160 })
  fc.assert(
    fc.property(fc.array(anyBox, { maxLength: 3 }), (taken) => {
      const spot = freeSpot(size, part, taken)
      expect(spot.x >= 0 && spot.x + 100 <= 600 && spot.y >= 0 && spot.y + 80 <= 400).toBe(true)
      for (const box of taken) expect(covers({ ...spot, ...size }, box)).toBe(false)
    }),
  )
})

test('a line that is nearly level or upright is; any other stays as it was drawn', () => {
  const from = { x: 10, y: 10 }
  expect(levelled(from, { x: 200, y: 15 })).toEqual({ x: 200, y: 10 })
  expect(levelled(from, { x: 6, y: -200 })).toEqual({ x: 10, y: -200 })
  expect(levelled(from, { x: 200, y: 60 })).toEqual({ x: 200, y: 60 })
  expect(levelled(from, from)).toEqual(from)
})
