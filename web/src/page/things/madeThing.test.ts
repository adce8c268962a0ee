import { thing } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { PUTS } from '../kinds/index.ts'
import type { Look } from '../kinds/laidKind.ts'
import { madeThing, ontoPage } from './madeThing.ts'

const PUTTING = [...PUTS.keys()]

const LOOK: Look = { colour: '#2457a6', width: 3, tone: 'madder', times: 1 }
const place = fc.record({ x: fc.integer({ min: 0, max: 600 }), y: fc.integer({ min: 0, max: 800 }) })

test('whatever is put down, wherever it is drawn, school would take it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...PUTTING), place, place, (kind, from, to) => {
      const made = madeThing(kind, { from, to }, LOOK)
      expect(thing.safeParse(made).error).toBeUndefined()
    }),
  )
})

test('a press gives the usual size, a way its own; an arrow points where the way went', () => {
  const from = { x: 100, y: 100 }
  expect(madeThing('rectangle', { from, to: from }, LOOK).width).toBeGreaterThan(50)
  expect(madeThing('rectangle', { from: { x: 300, y: 250 }, to: from }, LOOK)).toMatchObject({
    x: 100,
    y: 100,
    width: 200,
    height: 150,
  })
  expect(madeThing('arrow', { from, to: { x: 200, y: 50 } }, LOOK)).toMatchObject({
    rising: true,
    heads: 'end',
  })
  expect(madeThing('arrow', { from: { x: 200, y: 50 }, to: from }, LOOK)).toMatchObject({
    heads: 'start',
  })
  expect(madeThing('text', { from, to: { x: 101, y: 300 } }, LOOK).height).toBeLessThan(50)
})

test('pressed beside the page, it lies on it all the same', () => {
  const far = fc.record({ x: fc.integer({ min: -900, max: 900 }), y: fc.integer({ min: -900, max: 1500 }) })
  fc.assert(
    fc.property(fc.constantFrom(...PUTTING), far, (kind, from) => {
      const { x, y, width, height } = ontoPage(madeThing(kind, { from, to: from }, LOOK), {
        width: 595,
        height: 842,
      })
      expect(Math.min(x, y)).toBeGreaterThanOrEqual(0)
      expect(x + width).toBeLessThanOrEqual(595)
      expect(y + height).toBeLessThanOrEqual(842)
    }),
  )
})

test('on a page that is much smaller or larger, things begin as much smaller or larger', () => {
  const from = { x: 10, y: 10 }
  const usual = madeThing('note', { from, to: from }, LOOK)
  for (const times of [0.085, 17]) {
    const made = madeThing('note', { from, to: from }, { ...LOOK, times })
    expect(made.width).toBeCloseTo(usual.width * times)
    expect('size' in made && 'size' in usual && made.size / usual.size).toBeCloseTo(times)
  }
})
