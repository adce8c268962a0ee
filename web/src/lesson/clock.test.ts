import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { betterReading, type ClockReading, readingOf } from './clock.ts'

const DAY = 86_400_000
const NOON = 1_800_000_000_000

/** A question that took `there` milliseconds to school and `back` from it, asked at a count; school's time is `NOON` + count. */
const question = fc
  .record({
    at: fc.integer({ min: 0, max: 3_600_000 }),
    there: fc.integer({ min: 1, max: 900 }),
    back: fc.integer({ min: 1, max: 900 }),
  })
  .map(({ at, there, back }) => readingOf(NOON + at + there, at, at + there + back))

describe('the clock of school', () => {
  test('is read right to half of what the answer took, whatever the device’s own clock shows', () => {
    fc.assert(
      fc.property(fc.array(question, { minLength: 1, maxLength: 8 }), (readings) => {
        const inTurn = readings.sort((a, b) => a.at - b.at)
        const kept = inTurn.reduce<ClockReading | undefined>(betterReading, undefined)!
        expect(Math.abs(kept.ahead - NOON)).toBeLessThanOrEqual(kept.took / 2)
        expect(kept.took).toBeLessThanOrEqual(inTurn.at(-1)!.took)
      }),
    )
  })

  test('is read anew after the count stood still: a laptop slept for a day', () => {
    const before = readingOf(NOON, 1000, 1010)
    const slept = readingOf(NOON + DAY, 2000, 2300)
    expect(betterReading(before, slept)).toBe(slept)
    const slow = readingOf(NOON + 1000, 2000, 2300)
    expect(betterReading(before, slow)).toBe(before)
    const later = readingOf(NOON + 70_000, 71_000, 71_300)
    expect(betterReading(before, later)).toBe(later)
  })
})
