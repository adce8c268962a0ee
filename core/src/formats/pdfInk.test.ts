import { expect, test } from '@jest/globals'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { idOf } from '../test/arbitrary.ts'
import { colourParts, strokeOperators } from './pdfInk.ts'

const stroke = (points: string) => ({
  id: idOf(1),
  kind: 'stroke' as const,
  nib: 'pen' as const,
  colour: '#a83a2e',
  width: 2,
  points,
})

test('a stroke becomes one filled path in its colour, near where it was drawn', () => {
  const points = Array.from({ length: 20 }, (_, index) => ({
    x: 100 + index * 5,
    y: 300,
    pressure: 0.5,
    time: index * 8,
  }))
  const operators = strokeOperators(stroke(toBase64(packPoints(points))))
  expect(operators.startsWith('0.659 0.227 0.180 rg')).toBe(true)
  expect(operators.endsWith('h f')).toBe(true)
  for (const line of operators.split('\n').filter((line) => line.endsWith(' c'))) {
    const numbers = line.slice(0, -2).split(' ').map(Number)
    expect(numbers).toHaveLength(6)
    numbers.forEach((number, index) => {
      if (index % 2 === 0) expect(number).toBeGreaterThan(95)
      else expect(Math.abs(number - 300)).toBeLessThan(4)
    })
  }
})

test('ink that cannot be read draws nothing', () => {
  expect(strokeOperators(stroke('AAAA'))).toBe('')
})

test('colours come apart', () => {
  expect(colourParts('#ff8000').map((part) => Math.round(part * 255))).toEqual([255, 128, 0])
})
