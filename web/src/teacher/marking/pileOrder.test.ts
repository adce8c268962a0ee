import { COPY_STATES, type CopyRow } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pileOrder } from './pileOrder.ts'

const row = fc.record({
  id: fc.uuid(),
  name: fc.constantFrom('Noor Farrant', 'Ilja Egorov', 'Zélie Rahman', 'Bram Castellanos'),
  shared: fc.constant(false),
  students: fc.constant([]),
  set: fc.constant(null),
  setId: fc.constant(null),
  pageNumbers: fc.constant(null),
  state: fc.constantFrom(...COPY_STATES),
  round: fc.constant(1),
  markingBegan: fc.boolean(),
  stateBefore: fc.constant(null),
  dueAt: fc.constant(null),
  withdrawn: fc.constant(false),
  handedInAt: fc.option(fc.nat(1000), { nil: null }),
}) satisfies fc.Arbitrary<CopyRow>

test('the pile holds every copy once, what is handed in first, the oldest on top', () => {
  fc.assert(
    fc.property(fc.array(row, { maxLength: 30 }), (copies) => {
      const before = [...copies]
      const pile = pileOrder(copies)
      expect(copies).toEqual(before)
      expect(pile).toHaveLength(copies.length)
      expect(new Set(pile)).toEqual(new Set(copies))
      const handedIn = pile.filter(({ state }) => state === 'handed in')
      expect(pile.slice(0, handedIn.length)).toEqual(handedIn)
      handedIn.slice(1).forEach((copy, index) => {
        expect(copy.handedInAt ?? 0).toBeGreaterThanOrEqual(handedIn[index]!.handedInAt ?? 0)
      })
      // What nobody has opened lies at the bottom.
      const waiting = pile.filter(({ state }) => state === 'waiting')
      expect(pile.slice(pile.length - waiting.length)).toEqual(waiting)
    }),
  )
})
