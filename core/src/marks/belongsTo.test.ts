import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { boundsOfBox } from '../worksheet/box.ts'
import { questionOf } from './belongsTo.ts'

const PAGE = '00000000-0000-4000-8000-000000000001'
const OTHER = '00000000-0000-4000-8000-000000000002'
const area = (y: number, height = 80, page = PAGE) => ({ page, x: 60, y, width: 300, height })
const at = (x: number, y: number, width = 20, height = 20) => boundsOfBox({ x, y, width, height })
const first = { label: '1', areas: [area(100)] }
const second = { label: '2', areas: [area(300), area(100, 80, OTHER)] }
const both = [first, second]
const labelAt = (bounds: ReturnType<typeof at>, page = PAGE) => questionOf(both, page, bounds)?.label

describe('feedback belongs to a question', () => {
  test('that it lies on, by most of itself', () => {
    expect(labelAt(at(100, 120))).toBe('1')
    expect(labelAt(at(100, 120, 200, 200))).toBe('1')
    expect(labelAt(at(100, 170, 20, 200))).toBe('2')
  })
  test('of any of its areas, on the page where it is', () => {
    expect(labelAt(at(100, 120), OTHER)).toBe('2')
    expect(questionOf([first], OTHER, at(100, 120))).toBeUndefined()
  })
  test('that it stands beside in the margin, however far across', () => {
    expect(labelAt(at(500, 330))).toBe('2')
    expect(labelAt(at(0, 110))).toBe('1')
  })
  test('the nearer of two that it lies between, the upper one of two as near', () => {
    expect(labelAt(at(100, 190))).toBe('1')
    expect(labelAt(at(100, 270))).toBe('2')
    expect(labelAt(at(100, 230))).toBe('1')
  })
  test('or to none, far away from all', () => {
    expect(labelAt(at(100, 500))).toBeUndefined()
  })
  test('a line as thin as nothing counts where it lies', () => {
    expect(labelAt(at(70, 350, 100, 0))).toBe('2')
  })
  test('whatever else there is on other pages makes no difference', () => {
    fc.assert(
      fc.property(fc.nat(400), fc.nat(600), fc.nat(500), (x, y, elsewhere) => {
        const more = { label: '3', areas: [area(elsewhere, 80, OTHER)] }
        expect(questionOf([...both, more], PAGE, at(x, y))?.label).toBe(labelAt(at(x, y)))
      }),
    )
  })
})
