import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { NotAFormula, readFormula } from './expression.ts'

const at = (formula: string, x = 2, letters: Record<string, number> = {}) =>
  readFormula(formula, Object.keys(letters))({ x, ...letters })

describe('a formula', () => {
  test.each([
    ['2x + 1', 5],
    ['y = x^2', 4],
    ['f(x) = x^3 - 1', 7],
    ['-x^2', -4],
    ['2^-1', 0.5],
    ['2^3^2', 512],
    ['(x+1)(x-1)', 3],
    ['3(x+1)', 9],
    ['x/2/2', 0.5],
    ['10 - 3 - 2', 5],
    ['|x - 5|', 3],
    ['sqrt(x+2)', 2],
    ['sin(0)', 0],
    ['2 sin x - 2sin(x)', 0],
    ['ln e', 1],
    ['2πx - 4 pi', 0],
    ['0,5x', 1],
    ['4 · x ÷ 2', 4],
    ['xx', 4],
  ])('%s', (formula, value) => {
    expect(at(formula)).toBeCloseTo(value, 9)
  })
  test('knows letters that are parameters', () => {
    expect(at('a x + b', 3, { a: 2, b: 1 })).toBe(7)
    expect(at('ax^2', 3, { a: 2 })).toBe(18)
  })
  test('has no value at 1/0 and at the root of -1, and says nothing else of it', () => {
    expect(Number.isFinite(at('1/(x-2)'))).toBe(false)
    expect(Number.isNaN(at('sqrt(-x)'))).toBe(true)
  })
  test.each([
    '',
    '2 +',
    '(x',
    'x)',
    'q + 1',
    'x # 2',
    '1..2',
    '^2',
    '|x',
    `${'('.repeat(5000)}x`,
    'constructor',
    '__proto__',
  ])('that cannot be read gets a sentence: %s', (formula) => {
    expect(() => readFormula(formula)).toThrow(NotAFormula)
  })
  test('never throws anything else, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (formula) => {
        try {
          expect(typeof readFormula(formula)({ x: 1 })).toBe('number')
        } catch (error) {
          expect(error).toBeInstanceOf(NotAFormula)
        }
      }),
    )
  })
  test('sums and products of numbers are what they are', () => {
    const number = fc.integer({ min: 0, max: 999 })
    fc.assert(
      fc.property(number, number, number, (a, b, c) => {
        expect(at(`${a}+${b}*${c}`)).toBe(a + b * c)
        expect(at(`(${a}-${b})*${c}`)).toBe((a - b) * c)
      }),
    )
  })
})
