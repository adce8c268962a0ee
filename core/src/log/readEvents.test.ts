import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { event, idOf } from '../test/arbitrary.ts'
import { readEvents } from './readEvents.ts'

test('what school keeps is read as it is', () => {
  fc.assert(
    fc.property(fc.array(event, { maxLength: 10 }), (made) => {
      const kept = made.map((each, index) => ({ ...each, seq: index + 1, keptAt: 0 }))
      expect(readEvents(kept)).toEqual(kept)
    }),
    { numRuns: 60 },
  )
})

test('an act that nobody knows here keeps its place and does nothing; a kind is left out; what has no place is not read', () => {
  const frame = {
    id: idOf(1),
    page: idOf(2),
    layer: 'work',
    madeAt: 0,
    author: 'ana',
    round: 1,
    seq: 1,
    keptAt: 0,
  }
  const stroke = { id: idOf(3), kind: 'stroke', nib: 'pen', colour: '#1e2b3a', width: 2, points: '' }
  const add = { ...frame, act: 'add', items: [stroke, { id: idOf(4), kind: 'hologram' }] }
  expect(readEvents([add])).toEqual([{ ...add, items: [stroke] }])
  // Not even by the names that every object has.
  expect(readEvents([{ ...add, items: [{ id: idOf(4), kind: 'constructor' }] }])).toEqual([
    { ...add, items: [] },
  ])

  const change = { ...frame, act: 'change', item: idOf(3), was: {}, set: { thing: { kind: 'hologram' } } }
  for (const strange of [{ ...add, act: 'fold' }, { ...add, items: 'x' }, change])
    expect(readEvents([strange])).toMatchObject([{ seq: 1, act: 'take', items: [] }])
  expect(readEvents([{ ...change, set: { x: 4 } }])).toMatchObject([{ act: 'change' }])

  expect(readEvents([{ ...add, layer: 'margin' }, { ...add, seq: '1' }, null, 'a', 7])).toEqual([])
  expect(readEvents({ length: 3 })).toEqual([])
})
