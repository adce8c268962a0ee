import { COPY_STATES, type CopyRow } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { isReviewed, PILE_ORDERS, type PileOrder, pileOrder } from './pileOrder.ts'

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
  reviewed: fc.constant(null),
  goFor: fc.constant(null),
  marksKept: fc.constant(false),
  stateBefore: fc.constant(null),
  dueAt: fc.constant(null),
  handsBackAt: fc.constant(null),
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

test('in every order all copies are there once; chance is the same for the same seed', () => {
  const order = fc.constantFrom(...(Object.keys(PILE_ORDERS) as PileOrder[]))
  fc.assert(
    fc.property(
      fc.uniqueArray(row, { selector: ({ id }) => id, maxLength: 30 }),
      order,
      fc.nat(),
      (copies, by, seed) => {
        const reviewed = ({ id }: CopyRow) => id < '8'
        const pile = pileOrder(copies, by, reviewed, seed)
        expect(new Set(pile)).toEqual(new Set(copies))
        expect(pile).toHaveLength(copies.length)
        expect(pileOrder([...copies].reverse(), 'at random', reviewed, seed)).toEqual(
          pileOrder(copies, 'at random', reviewed, seed),
        )
        const first = pileOrder(copies, 'to review', reviewed).findIndex(
          (copy) => copy.state !== 'handed in' || reviewed(copy),
        )
        const rest = first < 0 ? [] : pileOrder(copies, 'to review', reviewed).slice(first)
        expect(rest.every((copy) => copy.state !== 'handed in' || reviewed(copy))).toBe(true)
      },
    ),
  )
})

test('reviewed is what the teacher said, or what all marks say', () => {
  const id = 'a'
  const sums = (left: number, full = 600) => [{ copy: id, given: 0, full, left, leftNow: left }]
  expect(isReviewed({ id, reviewed: null }, sums(0))).toBe(true)
  expect(isReviewed({ id, reviewed: null }, sums(1))).toBe(false)
  expect(isReviewed({ id, reviewed: null }, sums(0, 0))).toBe(false)
  expect(isReviewed({ id, reviewed: true }, sums(1))).toBe(true)
  expect(isReviewed({ id, reviewed: false }, sums(0))).toBe(false)
})
