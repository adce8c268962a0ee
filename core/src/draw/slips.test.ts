import { expect, test } from '@jest/globals'
import { measured } from '../test/measured.ts'
import { drawnSlips, SLIP_PAGE, type Slip, squaresPath } from './slips.ts'

const slip = (name: string, pin: string | null = null): Slip => ({
  name,
  className: 'Curlew class',
  code: 'TIDE42',
  pin,
  address: 'http://school.example',
  squares: [
    [true, true, false],
    [false, true, false],
    [true, false, true],
  ],
})

test('eight on a page, everything within it', () => {
  const pages = drawnSlips(
    Array.from({ length: 17 }, (_, index) => slip(`Student ${index}`)),
    measured,
  )
  expect(pages).toHaveLength(3)
  const lines = pages[2]!.filter(({ kind }) => kind === 'path')
  expect(lines).toHaveLength(2)
  for (const one of pages.flat()) {
    if (one.kind !== 'text') continue
    expect(one.x).toBeGreaterThan(0)
    expect(one.x + measured(one.text, one)).toBeLessThan(SLIP_PAGE.width)
    expect(one.y).toBeLessThan(SLIP_PAGE.height)
  }
})

test('a PIN stands there only when it was just made; a long name gets smaller letters', () => {
  const words = (of: Slip) =>
    drawnSlips([of], measured)[0]!.flatMap((one) => (one.kind === 'text' ? [one] : []))
  expect(words(slip('Noor', '0042')).some(({ text }) => text === 'PIN 0042')).toBe(true)
  expect(words(slip('Noor')).some(({ text }) => /PIN \d/.test(text))).toBe(false)
  const long = words(slip('Maximiliana Konstantinopoulou van der Westerschelde tot Oosterland'))
  expect(long[0]!.size).toBeLessThan(words(slip('Noor'))[0]!.size)
})

test('dark squares side by side are one bar, light ones nothing', () => {
  const path = squaresPath(slip('').squares, { x: 0, y: 0, side: 30 })
  expect(path.match(/Z/g)).toHaveLength(4)
  expect(path.startsWith('M0 0L20 0L20 10L0 10Z')).toBe(true)
})
