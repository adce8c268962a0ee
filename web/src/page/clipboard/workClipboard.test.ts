import { boundsAround, type Item } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pasted, picturesIn, readWork } from './workClipboard.ts'

const COPY = crypto.randomUUID()
const PAGE = { width: 600, height: 800 }
const shape = (x: number, y: number, width = 80): Item => ({
  id: crypto.randomUUID(),
  kind: 'shape',
  form: 'ellipse',
  colour: '#1e2b3a',
  line: 1,
  fill: null,
  dashed: false,
  rising: false,
  heads: 'none',
  x,
  y,
  width,
  height: 60,
  turn: 0,
})

test('what was copied is read back; other words are not', () => {
  const items = [shape(10, 10)]
  expect(readWork(JSON.stringify({ handBackWork: items, copy: COPY }))?.handBackWork).toEqual(items)
  for (const other of [
    '',
    'the ebb',
    '{}',
    '[1]',
    JSON.stringify({ handBackWork: [{ kind: 'script' }], copy: COPY }),
  ])
    expect(readWork(other)).toBeUndefined()
})

test('where it lay, under ids of its own; a little aside where it lies already', () => {
  const items = [shape(10, 10), shape(200, 300)]
  const elsewhere = pasted({ handBackWork: items, copy: COPY }, new Set(), PAGE, 14)
  expect(elsewhere.map((item) => 'x' in item && [item.x, item.y])).toEqual([
    [10, 10],
    [200, 300],
  ])
  expect(elsewhere.some(({ id }) => items.some((item) => item.id === id))).toBe(false)
  const beside = pasted({ handBackWork: items, copy: COPY }, new Set([items[0]!.id]), PAGE, 14)
  expect(beside[0]).toMatchObject({ x: 24, y: 24 })
})

test('wherever it comes from, some of it lies on the page', () => {
  const far = fc.integer({ min: -5000, max: 5000 })
  fc.assert(
    fc.property(far, far, (x, y) => {
      const { x0, y0, x1, y1 } = boundsAround(
        pasted({ handBackWork: [shape(x, y)], copy: COPY }, new Set(), PAGE, 14),
      )!
      expect(x1).toBeGreaterThan(0)
      expect(y1).toBeGreaterThan(0)
      expect(x0).toBeLessThan(PAGE.width)
      expect(y0).toBeLessThan(PAGE.height)
    }),
  )
})

test('only pictures have bytes to be brought along', () => {
  expect(picturesIn([shape(1, 1)])).toEqual([])
})
