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

test('acts, layers and kinds that nobody knows here are left out; what stands beside them is read', () => {
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
  expect(
    readEvents([{ ...add, act: 'fold' }, { ...add, layer: 'margin' }, null, 'a', 7, { ...add, items: 'x' }]),
  ).toEqual([])
  const change = {
    ...frame,
    act: 'change',
    item: idOf(3),
    was: {},
    set: { thing: { id: idOf(3), kind: 'hologram' } },
  }
  expect(readEvents([change])).toEqual([])
  expect(readEvents([{ ...change, set: { x: 4 } }])).toHaveLength(1)
  // Not even the names that every object has.
  expect(readEvents([{ ...add, items: [{ id: idOf(4), kind: 'constructor' }] }])).toEqual([
    { ...add, items: [] },
  ])
  expect(readEvents({ length: 3 })).toEqual([])
})
