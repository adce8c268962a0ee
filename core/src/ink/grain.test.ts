import { expect, test } from '@jest/globals'
import { GRAINS, grain } from './grain.ts'

const at = (x: number, y: number) => grain()[(y % GRAINS) * GRAINS + (x % GRAINS)]!

test('four fifths of the paper take the lead, everywhere alike', () => {
  const QUARTER = GRAINS / 2
  for (const [left, top] of [
    [0, 0],
    [QUARTER, 0],
    [0, QUARTER],
    [QUARTER, QUARTER],
  ] as const) {
    let taken = 0
    for (let y = 0; y < QUARTER; y++) for (let x = 0; x < QUARTER; x++) taken += at(left + x, top + y)
    expect(taken / QUARTER ** 2).toBeGreaterThan(0.75)
    expect(taken / QUARTER ** 2).toBeLessThan(0.85)
  }
})

test('grains hang together, over the edges too: no line is seen where it repeats', () => {
  const alike = (x: number) => {
    let same = 0
    for (let y = 0; y < GRAINS; y++) if (at(x, y) === at(x + 1, y)) same++
    return same / GRAINS
  }
  const inside = Array.from({ length: GRAINS - 1 }, (_, x) => alike(x))
  const mean = inside.reduce((sum, value) => sum + value, 0) / inside.length
  expect(mean).toBeGreaterThan(0.7)
  expect(Math.abs(alike(GRAINS - 1) - mean)).toBeLessThan(0.15)
})
