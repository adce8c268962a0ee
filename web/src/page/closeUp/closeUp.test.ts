import { mm, type WorksheetPage } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { plainPage } from '../../test/sheets.ts'
import { beginAt, lineStep, nextLine, nextWindow, windowAt } from './closeUp.ts'

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

describe('where large writing begins', () => {
  const seen = { x: 0, y: 0, width: 595, height: 400 }
  const word = (x0: number, y0: number) => ({ x0, y0, x1: x0 + 60, y1: y0 + 20 })

  test('after what was written last, and new lines where that line began', () => {
    const begin = beginAt(plainPage(), [word(50, 100), word(300, 20), word(130, 102)], seen, 44)
    expect(begin).toEqual({ x: 196, y: 90, lineStart: 50 })
  })

  test('at the nearest line to write on, where nothing of one’s own is in sight', () => {
    const page = plainPage()
    const ruled = {
      ...page,
      paper: { kind: 'ruled', ruling: { form: 'ruled', colour: '#9fb4c7', spacing: 8 } } as const,
    }
    const { x, y } = beginAt(ruled, [word(50, 700)], seen, 44)
    const line = y + 44 * 0.7
    expect(x).toBeCloseTo(mm(15))
    expect(Math.abs((line - mm(15)) / mm(8) - Math.round((line - mm(15)) / mm(8)))).toBeLessThan(1e-6)
    expect(Math.abs(line - 200)).toBeLessThanOrEqual(mm(4))
  })

  test('in what is seen, where there is neither', () => {
    expect(beginAt(plainPage(), [], seen, 44)).toEqual({ x: 6, y: 178, lineStart: 6 })
  })
})
