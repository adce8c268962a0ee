import type { WorksheetPage } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { plainPage } from '../../test/sheets.ts'
import { lineStep, nextLine, nextWindow, windowAt } from './closeUp.ts'

const ruled: WorksheetPage = {
  ...plainPage(),
  paper: { kind: 'ruled', ruling: { form: 'ruled', colour: '#9fb4c7', spacing: 9 } },
}

test('it stays while there is room, moves along when it is written on, then to the next line', () => {
  let window = windowAt({ x: 40, y: 100 }, 40, 5, ruled)
  expect(nextWindow(window, window.x + 60, 40, ruled)).toBe(window)
  const seen: number[] = []
  for (let stroke = 0; stroke < 12 && window.y === 100; stroke++) {
    seen.push(window.x)
    window = nextWindow(window, window.x + window.width * 0.8, 40, ruled)
  }
  expect(seen.length).toBeGreaterThan(2)
  expect(seen).toEqual([...seen].sort((a, b) => a - b))
  expect(window).toMatchObject({ x: 40, width: 200 })
  expect(window.y - 100).toBeCloseTo(lineStep(ruled, 40))
})

test('wherever one writes, it lies on the page', () => {
  const any = fc.double({ min: 0, max: 900, noNaN: true })
  fc.assert(
    fc.property(any, any, fc.double({ min: 12, max: 200, noNaN: true }), any, (x, y, height, reached) => {
      const window = windowAt({ x, y }, height, 5, ruled)
      for (const each of [window, nextWindow(window, reached, 40, ruled), nextLine(window, 0, ruled)]) {
        expect(each.x).toBeGreaterThanOrEqual(0)
        expect(each.x + each.width).toBeLessThanOrEqual(ruled.width + 1e-6)
        expect(each.y).toBeGreaterThanOrEqual(0)
        expect(each.y + each.height).toBeLessThanOrEqual(ruled.height + 1e-6)
      }
    }),
  )
})

test('lines are as far apart as the paper’s own; on plain paper, as the writing is high', () => {
  expect(lineStep(ruled, 40)).toBeCloseTo((9 * 72) / 25.4)
  expect(lineStep(plainPage(), 40)).toBe(32)
})
