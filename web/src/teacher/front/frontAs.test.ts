import type { Front } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { frontChanged, frontWith, frontWithout, shownCopies } from './frontAs.ts'

const ids = fc.constantFrom('a', 'b', 'c', 'd')
type Step = (front: Front | null) => Front | null
const steps: fc.Arbitrary<Step> = fc.oneof(
  fc.tuple(ids, fc.boolean()).map(
    ([copy, beside]): Step =>
      (front) =>
        frontWith(front, copy, 'page', beside),
  ),
  ids.map(
    (copy): Step =>
      (front) =>
        frontWithout(front, copy),
  ),
  fc.constant<Step>(() => ({ what: 'page', page: 'page' })),
)

test('two copies at most are at the front, nobody twice, and whoever comes to it comes without a name', () => {
  fc.assert(
    fc.property(fc.array(steps), ids, fc.boolean(), (all, copy, beside) => {
      const before = all.reduce<Front | null>((front, step) => step(front), null)
      const named = frontChanged(before, copy, { named: true })
      expect(shownCopies(named)).toHaveLength(shownCopies(before).length)
      const after = shownCopies(frontWith(named, copy, 'page', beside))
      expect(after.length).toBeLessThanOrEqual(2)
      expect(new Set(after.map((each) => each.copy)).size).toBe(after.length)
      expect(after.at(-1)).toMatchObject({ copy, named: false, part: null })
      expect(shownCopies(frontWithout(named, copy)).some((each) => each.copy === copy)).toBe(false)
    }),
  )
})

test('when the last is taken off nothing is shown, and a page stays what it is', () => {
  expect(frontWithout(frontWith(null, 'a', 'page', false), 'a')).toBeNull()
  expect(frontChanged(null, 'a', { named: true })).toBeNull()
  const page: Front = { what: 'page', page: 'page' }
  expect(frontChanged(page, 'a', { named: true })).toEqual(page)
  expect(frontWithout(page, 'a')).toEqual(page)
})
