import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { voiceLine } from './voiceLine.ts'

const BOX = { x: 10, y: 20, width: 120, height: 16 }

/** How far each swing of a line goes from its middle, in the units of its box. */
const swings = (d: string) =>
  [...d.matchAll(/Q[\d.-]+ ([\d.-]+)/g)].map(([, y]) => Math.abs(Number(y) - (BOX.y + BOX.height / 2)) / 2)

test('whatever the voice, the line stays in its box, from its left to its right', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 70 }),
      fc.double({ min: 0.05, max: 1, noNaN: true }),
      (peaks, strongest) => {
        const d = voiceLine(peaks, BOX, strongest)
        expect(d).not.toContain('NaN')
        for (const reach of swings(d)) expect(reach).toBeLessThanOrEqual(BOX.height / 2 + 0.01)
        expect(d.startsWith(`M${BOX.x} `)).toBe(true)
        expect(d.endsWith(`${BOX.x + BOX.width} ${BOX.y + BOX.height / 2}`)).toBe(true)
      },
    ),
  )
})

test('it swings wide where the voice is strong, and trembles where it is silent', () => {
  const reaches = swings(voiceLine([0, 0, 0.4, 0.4], BOX))
  expect(Math.max(...reaches)).toBeCloseTo(BOX.height / 2)
  expect(reaches[0]).toBeGreaterThan(0)
  expect(reaches[0]).toBeLessThan(1)
  // Against full strength, a soft voice is seen to be soft.
  expect(Math.max(...swings(voiceLine([0, 0, 0.4, 0.4], BOX, 1)))).toBeCloseTo((0.4 * BOX.height) / 2)
})
