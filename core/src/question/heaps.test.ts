import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { idOf } from '../test/arbitrary.ts'
import { type HeapAct, heapAct, heapsAfter, inHeap, MOST_HEAPS, noHeaps } from './heaps.ts'

const heap = fc.integer({ min: 1, max: 5 }).map(idOf)
const copies = fc.array(fc.integer({ min: 100, max: 108 }).map(idOf), { maxLength: 4 })
const acts: fc.Arbitrary<HeapAct> = fc.oneof(
  fc.record({ act: fc.constant('make' as const), heap, name: fc.string({ maxLength: 8 }), copies }),
  fc.record({ act: fc.constant('put' as const), heap: fc.option(heap), copies }),
  fc.record({ act: fc.constant('name' as const), heap, name: fc.constantFrom('right', 'added instead') }),
  fc.record({ act: fc.constant('give' as const), heap, given: fc.option(fc.integer({ min: 0, max: 400 })) }),
  fc.record({ act: fc.constant('drop' as const), heap }),
)

test('whatever is done, a copy lies in one heap at most, and only in one that is there', () => {
  fc.assert(
    fc.property(fc.array(acts, { maxLength: 30 }), (all) => {
      const after = all.reduce(heapsAfter, noHeaps)
      const ids = after.heaps.map(({ id }) => id)
      expect(new Set(ids).size).toBe(ids.length)
      for (const lies of Object.values(after.lies)) expect(ids).toContain(lies)
      const rows = Array.from({ length: 9 }, (_, at) => ({ id: idOf(100 + at) }))
      const laid = [undefined, ...ids].flatMap((each) => inHeap(after, each, rows))
      expect(laid.map(({ id }) => id).sort()).toEqual(rows.map(({ id }) => id))
    }),
  )
})

test('the same act a second time changes nothing', () => {
  fc.assert(
    fc.property(fc.array(acts, { maxLength: 12 }), acts, (all, act) => {
      const once = heapsAfter(all.reduce(heapsAfter, noHeaps), act)
      expect(heapsAfter(once, act)).toEqual(once)
    }),
  )
})

test('there is an end to heaps, and to names', () => {
  const many = Array.from({ length: MOST_HEAPS + 3 }, (_, at) => ({
    act: 'make' as const,
    heap: idOf(at),
    name: String(at),
    copies: [idOf(500)],
  }))
  const after = many.reduce(heapsAfter, noHeaps)
  expect(after.heaps).toHaveLength(MOST_HEAPS)
  expect(after.lies[idOf(500)]).toBe(idOf(MOST_HEAPS - 1))
  expect(heapAct.safeParse({ act: 'name', heap: idOf(1), name: 'x'.repeat(81) }).success).toBe(false)
  expect(heapAct.safeParse({ act: 'give', heap: idOf(1), given: -50 }).success).toBe(false)
})
