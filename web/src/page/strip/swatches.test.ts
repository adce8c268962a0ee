import type { Nib } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { COLOURS, inkInHand, STUDENT_SWATCHES, swatchName, TEACHER_SWATCHES, WIDTHS } from './swatches.ts'

test('every swatch has a name of its own to be heard', () => {
  for (const strip of [STUDENT_SWATCHES, TEACHER_SWATCHES]) {
    expect(new Set(strip.map(swatchName)).size).toBe(strip.length)
  }
  const widths = Object.entries(WIDTHS).flatMap(([nib, all]) =>
    all.map((width) => ({ nib: nib as Nib, width })),
  )
  const names = widths.map((each) => swatchName({ ...each, colour: '#2457a6' }))
  expect(new Set(names).size).toBe(names.length)
  expect(swatchName({ nib: 'pen', colour: '#123456', width: 1 })).toBe('fine #123456 pen')
  expect(new Set(COLOURS.map(([colour]) => colour)).size).toBe(COLOURS.length)
})

test('students are not given the teacher’s red', () => {
  expect(STUDENT_SWATCHES.map(({ colour }) => colour)).not.toContain('#a83a2e')
})

test('words are put down in the ink in hand, but never in highlighter', () => {
  const [pen, highlighter] = [STUDENT_SWATCHES[1]!, STUDENT_SWATCHES.at(-1)!]
  expect(inkInHand(pen, STUDENT_SWATCHES)).toBe(pen)
  expect(inkInHand(highlighter, STUDENT_SWATCHES)).toBe(STUDENT_SWATCHES[0])
  expect(inkInHand(highlighter, [highlighter])).toMatchObject({ nib: 'pen', colour: '#1e2b3a' })
})
