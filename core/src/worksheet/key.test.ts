import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { isRight, lenientKey, readNumber, type TypedKey } from './key.ts'

const key = (...answers: string[]) => lenientKey(answers)
const strict: TypedKey = { ...key(), ignoreCase: false, ignoreSpaces: false }

describe('thousands of letters', () => {
  const spaces = ' '.repeat(20_000)
  test.each([
    [`${spaces}4.5${spaces}m${spaces}`, '4.5 m', true],
    [`1${spaces}1/2`, '1.5', true],
    [`1${spaces}x`, '1', false],
    ['9'.repeat(20_000), '9', false],
  ])('are judged like few (%#)', (typed, answer, right) => {
    expect(isRight(typed, key(...Array(50).fill(answer)))).toBe(right)
  })
})

describe('numbers', () => {
  test.each([
    ['1/2', '0.5'],
    ['2/4', '0.5'],
    ['0,5', '1/2'],
    ['50 %', '1/2'],
    ['1 1/2', '1.5'],
    ['−3', '-3'],
    ['450', '450.0'],
    ['+7', '7'],
    ['4.5 m', '4,50 m'],
    ['0.1', '1/10'],
  ])('%s is as right as %s', (typed, answer) => {
    expect(isRight(typed, key(answer))).toBe(true)
  })
  test.each([
    ['0.333', '1/3'],
    ['45', '450'],
    ['4.5 m', '4.5 cm'],
    ['4.5', '4.5 m'],
    ['1/0', '0'],
    ['', '0'],
    ['1 2', '12'],
  ])('%s is not %s', (typed, answer) => {
    expect(isRight(typed, { ...strict, answers: [answer] })).toBe(false)
  })
  test('any way of writing the same ratio is equal, any other ratio is not', () => {
    const whole = fc.integer({ min: 1, max: 9999 })
    fc.assert(
      fc.property(whole, whole, fc.integer({ min: 1, max: 50 }), whole, (up, down, times, other) => {
        const answer = key(`${up}/${down}`)
        expect(isRight(`${up * times}/${down * times}`, answer)).toBe(true)
        expect(isRight(`${other}/${down}`, answer)).toBe(other === up)
      }),
    )
  })
  test('decimals are exact, however long', () => {
    expect(isRight('0.1000000000000000000001', key('0.1'))).toBe(false)
    expect(isRight('0.10000000000000000000000', key('1/10'))).toBe(true)
  })
  test('a decimal equals the fraction that it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), fc.integer({ min: 0, max: 6 }), (digits, places) => {
        const decimal = (digits / 10 ** places).toFixed(places)
        expect(readNumber(decimal)).toBeDefined()
        expect(isRight(decimal, key(`${digits}/${10 ** places}`))).toBe(true)
      }),
    )
  })
})

describe('words', () => {
  test('capitals, accents and spaces count only where the key says so', () => {
    expect(isRight('  Shore  CRAB ', key('shore crab'))).toBe(true)
    expect(isRight('Shorecrab', key('shore crab'))).toBe(true)
    expect(isRight('marée', key('maree'))).toBe(false)
    expect(isRight('marée', { ...key('maree'), ignoreAccents: true })).toBe(true)
    expect(isRight('Ebb', { ...strict, answers: ['ebb'] })).toBe(false)
    expect(isRight('e bb', { ...strict, answers: ['ebb'] })).toBe(false)
  })
  test('one letter written in two ways is one letter', () => {
    expect(isRight('e\u0301bb', { ...strict, answers: ['\u00e9bb'] })).toBe(true)
  })
  test('every answer of a key is right by it, and leniency never makes it wrong', () => {
    const words = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 20 })
      .filter((text) => text.trim() !== '')
    fc.assert(
      fc.property(
        fc.array(words, { minLength: 1, maxLength: 5 }),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        (answers, ...lenient) => {
          const [ignoreCase, ignoreAccents, ignoreSpaces] = lenient as [boolean, boolean, boolean]
          for (const answer of answers) {
            expect(isRight(answer, { ...strict, answers })).toBe(true)
            expect(
              isRight(` ${answer} `, { kind: 'typed', answers, ignoreCase, ignoreAccents, ignoreSpaces }),
            ).toBe(true)
          }
        },
      ),
    )
  })
})
