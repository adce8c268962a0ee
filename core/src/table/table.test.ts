import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { NOBODYS } from '../draw/scene.ts'
import { drawnItem, thing } from '../kinds/items.ts'
import { MOST_TABLE_LINES } from '../kinds/table.ts'
import {
  cellAt,
  grownFor,
  lineAcross,
  NARROWEST,
  resized,
  type Sized,
  shiftOf,
  sizesOf,
  withCount,
  withLine,
} from './sized.ts'

const share = fc.double({ min: 0.01, max: 100, noNaN: true })
const sized: fc.Arbitrary<Sized> = fc.record({
  x: fc.integer({ min: 0, max: 200 }),
  y: fc.integer({ min: 0, max: 200 }),
  width: fc.integer({ min: 50, max: 500 }),
  height: fc.integer({ min: 50, max: 500 }),
  columns: fc.array(share, { minLength: 1, maxLength: 8 }),
  rows: fc.array(share, { minLength: 1, maxLength: 8 }),
})
const side = fc.constantFrom('columns' as const, 'rows' as const)
const GRID: Sized = { x: 100, y: 100, width: 300, height: 90, columns: [1, 1, 1], rows: [1, 1, 1] }

describe('a table', () => {
  test('its columns fill its width and its rows its height, whatever their shares', () => {
    fc.assert(
      fc.property(sized, side, (table, of) => {
        const sizes = sizesOf(table, of)
        expect(sizes).toHaveLength(table[of].length)
        expect(sizes.reduce((sum, size) => sum + size, 0)).toBeCloseTo(
          of === 'columns' ? table.width : table.height,
          6,
        )
      }),
    )
  })

  test('a column that is dragged changes alone, and back again it is as it was', () => {
    fc.assert(
      fc.property(
        sized,
        side,
        fc.nat(7),
        fc.double({ min: 0, max: 80, noNaN: true }),
        (table, of, index, by) => {
          const before = sizesOf(table, of)
          const broader = resized(table, of, index, by)
          for (const [at, size] of sizesOf(broader, of).entries())
            expect(size).toBeCloseTo(before[at]! + (at === index ? by : 0), 6)
          const back = sizesOf(resized(broader, of, index, -by), of)
          if ((before[index] ?? 99) > NARROWEST)
            for (const [at, size] of back.entries()) expect(size).toBeCloseTo(before[at]!, 6)
        },
      ),
    )
    expect(sizesOf(resized(GRID, 'columns', 0, -1000), 'columns')[0]).toBeCloseTo(NARROWEST)
  })

  test('more rows are like the last, fewer go from the end; a line across makes two of one', () => {
    const more = withCount(GRID, 'rows', 5)
    expect(more).toMatchObject({ height: 150, width: 300 })
    expect(withCount(more, 'rows', 1).height).toBeCloseTo(30)
    expect(withCount(GRID, 'rows', 1e9).rows).toHaveLength(MOST_TABLE_LINES)
    expect(sizesOf(withLine(GRID, 'columns', 120), 'columns').map(Math.round)).toEqual([100, 20, 80, 100])
    expect(withLine(GRID, 'columns', 400)).toBe(GRID)
  })

  test('ink that reaches over the line of its cell makes room, and what lies behind goes along', () => {
    const began = { x: 120, y: 110 }
    expect(grownFor(GRID, began, { x0: 110, y0: 105, x1: 190, y1: 125 })).toBeUndefined()
    const { table, shifts } = grownFor(GRID, began, { x0: 110, y0: 105, x1: 212, y1: 134 })!
    expect(sizesOf(table, 'columns').map(Math.round)).toEqual([128, 100, 100])
    expect(sizesOf(table, 'rows').map(Math.round)).toEqual([50, 30, 30])
    expect(shiftOf(GRID, shifts, { x: 250, y: 110 })).toEqual({ dx: 28, dy: 0 })
    expect(shiftOf(GRID, shifts, { x: 250, y: 170 })).toEqual({ dx: 28, dy: 20 })
    expect(shiftOf(GRID, shifts, { x: 120, y: 110 })).toEqual({ dx: 0, dy: 0 })
    // Beside the table nothing moves, a line through several cells is no writing, and nor is what begins elsewhere.
    expect(shiftOf(GRID, shifts, { x: 420, y: 110 })).toEqual({ dx: 0, dy: 0 })
    expect(grownFor(GRID, began, { x0: 110, y0: 110, x1: 380, y1: 112 })).toBeUndefined()
    expect(grownFor(GRID, { x: 90, y: 110 }, { x0: 90, y0: 105, x1: 212, y1: 134 })).toBeUndefined()
    expect(cellAt(GRID, { x: 399, y: 189 })).toEqual({ column: 2, row: 2 })
  })

  test('a line from side to side divides it, wherever one began; a shorter or slanting one does not', () => {
    const down = [
      { x: 162, y: 96 },
      { x: 158, y: 194 },
    ]
    expect(lineAcross(down, GRID)).toEqual({ side: 'columns', at: 60 })
    expect(lineAcross([...down].reverse(), GRID)).toEqual({ side: 'columns', at: 60 })
    expect(
      lineAcross(
        [
          { x: 395, y: 140 },
          { x: 104, y: 146 },
        ],
        GRID,
      ),
    ).toEqual({ side: 'rows', at: 43 })
    expect(
      lineAcross(
        [
          { x: 160, y: 100 },
          { x: 160, y: 150 },
        ],
        GRID,
      ),
    ).toBeUndefined()
    expect(
      lineAcross(
        [
          { x: 140, y: 100 },
          { x: 190, y: 190 },
        ],
        GRID,
      ),
    ).toBeUndefined()
    expect(
      lineAcross(
        [
          { x: 100, y: 98 },
          { x: 100, y: 192 },
        ],
        GRID,
      ),
    ).toBeUndefined()
    expect(lineAcross([], GRID)).toBeUndefined()
  })

  test('it is drawn as a box, with a line between all columns and rows', () => {
    const laid = thing.parse({
      ...{ ...GRID, id: NOBODYS, kind: 'table', colour: '#1e2b3a', line: 1, headed: true, turn: 0 },
    })
    expect(drawnItem(laid, () => 0)).toHaveLength(1 + 1 + 2 + 2)
  })
})
