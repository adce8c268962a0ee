import type { CopyRow } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { filtersOf, PILE_FILTERS, type PileFacts, type PileFilter, passes } from './pileFilter.ts'

const row = (id: string, more: Partial<CopyRow>): CopyRow => ({
  id,
  name: id,
  shared: false,
  students: [],
  set: null,
  setId: null,
  pageNumbers: null,
  state: 'working',
  round: 1,
  markingBegan: false,
  reviewed: null,
  goFor: null,
  marksKept: false,
  stateBefore: null,
  handedInAt: null,
  dueAt: null,
  handsBackAt: null,
  withdrawn: false,
  ...more,
})

const copies = [
  row('in time', { state: 'handed in', handedInAt: 50 }),
  row('late', { state: 'handed in', handedInAt: 150, reviewed: true }),
  row('marked', { state: 'handed in', handedInAt: 60 }),
  row('at it', {}),
  row('has longer', { dueAt: 400 }),
  row('untouched', { state: 'waiting' }),
]
const facts: PileFacts = {
  handout: { dueAt: 100, way: 'own', withdrawn: false },
  now: 200,
  sums: [{ copy: 'marked', given: 100, full: 200, left: 0, leftNow: 0 }],
  work: [{ copy: 'at it', pages: 1, recordings: 2, pins: 1, watched: 0, worked: 0 }],
}
const shown = (filter: PileFilter | undefined) =>
  copies.filter((copy) => passes(filter, copy, facts)).map(({ id }) => id)

test('a filter shows what its words say, and none shows all', () => {
  expect(shown(undefined)).toHaveLength(copies.length)
  expect(shown('handed in')).toEqual(['in time', 'late', 'marked'])
  expect(shown('to review')).toEqual(['in time'])
  expect(shown('late')).toEqual(['late'])
  expect(shown('overdue')).toEqual(['at it', 'untouched'])
  expect(shown('recordings')).toEqual(['at it'])
  expect(shown('pins')).toEqual(['at it'])
})

test('only filters that show something are offered, and each says how many', () => {
  const offered = filtersOf(copies, facts)
  expect(offered.map(({ filter }) => filter)).not.toContain('another go')
  for (const { filter, count } of offered) expect(count).toBe(shown(filter).length)
  const every = Object.keys(PILE_FILTERS) as PileFilter[]
  for (const filter of every.filter((each) => !offered.some((other) => other.filter === each)))
    expect(shown(filter)).toEqual([])
})
