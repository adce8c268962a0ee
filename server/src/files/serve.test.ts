import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { byteRange } from './serve.ts'

test('whatever range is asked for, what is sent lies within the file', () => {
  const side = fc.oneof(fc.constant(''), fc.nat(3000).map(String))
  fc.assert(
    fc.property(side, side, fc.integer({ min: 1, max: 2000 }), (from, to, size) => {
      const range = byteRange(`bytes=${from}-${to}`, size)
      if (range === undefined || range === 'outside') return
      expect(range.from).toBeGreaterThanOrEqual(0)
      expect(range.to).toBeLessThan(size)
      expect(range.from).toBeLessThanOrEqual(range.to)
      if (from !== '') expect(range.from).toBe(Number(from))
    }),
  )
})

test.each([
  ['bytes=0-0', 10, { from: 0, to: 0 }],
  ['bytes=5-', 10, { from: 5, to: 9 }],
  ['bytes=-3', 10, { from: 7, to: 9 }],
  ['bytes=-30', 10, { from: 0, to: 9 }],
  ['bytes=2-99', 10, { from: 2, to: 9 }],
  ['bytes=10-', 10, 'outside'],
  ['bytes=-0', 10, 'outside'],
  ['bytes=4-2', 10, undefined],
  ['bytes=0-1,3-4', 10, undefined],
  ['lines=1-2', 10, undefined],
  [undefined, 10, undefined],
])('%s of %d bytes', (header, size, expected) => {
  expect(byteRange(header, size)).toEqual(expected)
})
