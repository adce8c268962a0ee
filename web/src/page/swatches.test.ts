import { beforeEach, expect, test } from '@jest/globals'
import {
  COLOURS,
  keepSwatches,
  keptSwatches,
  STUDENT_SWATCHES,
  swatchName,
  TEACHER_SWATCHES,
} from './swatches.ts'

const shelf = new Map<string, string>()
beforeEach(() => {
  shelf.clear()
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => shelf.get(key) ?? null,
      setItem: (key: string, value: string) => shelf.set(key, value),
    },
  })
})

test('a person’s swatches come back, and only to that person', () => {
  const own = [{ nib: 'pen' as const, colour: '#0f7c8c', width: 3 }]
  keepSwatches('noor', own)
  expect(keptSwatches('noor', STUDENT_SWATCHES)).toEqual(own)
  expect(keptSwatches('ilja', STUDENT_SWATCHES)).toBe(STUDENT_SWATCHES)
})

test('what cannot be read, or says nonsense, gives the first swatches', () => {
  for (const broken of [
    '',
    '{',
    '[]',
    '[{"nib":"spray","colour":"#000000","width":1}]',
    '[{"nib":"pen","colour":"red","width":1}]',
  ]) {
    shelf.set('swatches noor', broken)
    expect(keptSwatches('noor', STUDENT_SWATCHES)).toBe(STUDENT_SWATCHES)
  }
})

test('every swatch has a name of its own to be heard', () => {
  for (const strip of [STUDENT_SWATCHES, TEACHER_SWATCHES]) {
    expect(new Set(strip.map(swatchName)).size).toBe(strip.length)
  }
  expect(swatchName({ nib: 'pen', colour: '#123456', width: 1 })).toBe('fine #123456 pen')
  expect(new Set(COLOURS.map(([colour]) => colour)).size).toBe(COLOURS.length)
})

test('students are not given the teacher’s red', () => {
  expect(STUDENT_SWATCHES.map(({ colour }) => colour)).not.toContain('#a83a2e')
})
