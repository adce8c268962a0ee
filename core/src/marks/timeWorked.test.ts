import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { LONGEST_PAUSE, timeWorked } from './timeWorked.ts'

const MINUTE = 60_000

test('pauses are cut, and what several do at once counts once', () => {
  expect(timeWorked([])).toBe(0)
  expect(timeWorked([[5 * MINUTE]])).toBe(0)
  expect(timeWorked([[0, MINUTE, 2 * MINUTE]])).toBe(2 * MINUTE)
  // Lunch in between.
  expect(timeWorked([[0, MINUTE, 60 * MINUTE, 61 * MINUTE]])).toBe(2 * MINUTE)
  expect(timeWorked([[0, LONGEST_PAUSE]])).toBe(LONGEST_PAUSE)
  expect(timeWorked([[0, LONGEST_PAUSE + 1]])).toBe(0)
  // Two write beside each other, the second half a minute longer.
  expect(
    timeWorked([
      [0, MINUTE],
      [MINUTE / 2, 1.5 * MINUTE],
    ]),
  ).toBe(1.5 * MINUTE)
})

const moments = fc.array(fc.integer({ min: 0, max: 3_600_000 }), { maxLength: 60 })

test('the order of events, and one told twice, change nothing; nobody worked longer than they were there', () => {
  fc.assert(
    fc.property(moments, fc.nat(), (times, seed) => {
      const mixed = times.toSorted((a, b) => ((a * 31 + seed) % 97) - ((b * 31 + seed) % 97))
      const worked = timeWorked([times])
      expect(timeWorked([mixed])).toBe(worked)
      expect(timeWorked([[...times, ...times]])).toBe(worked)
      expect(timeWorked([times, times])).toBe(worked)
      expect(worked).toBeLessThanOrEqual(times.length === 0 ? 0 : Math.max(...times) - Math.min(...times))
    }),
  )
})

test('together it is at least what each did and at most the sum; a clock that is wrong by years adds nothing', () => {
  fc.assert(
    fc.property(moments, moments, (one, other) => {
      const both = timeWorked([one, other])
      expect(both).toBeGreaterThanOrEqual(Math.max(timeWorked([one]), timeWorked([other])))
      expect(both).toBeLessThanOrEqual(timeWorked([one]) + timeWorked([other]))
      expect(timeWorked([[...one, 8.64e15]])).toBe(timeWorked([one]))
    }),
  )
})
