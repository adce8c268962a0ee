import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { OutboxState } from './outbox.ts'
import { ALL, asOneCopy, truthsOf } from './truths.ts'

const counts = fc
  .record({ copy: fc.nat(3), other: fc.nat(3) })
  .map((of) => new Map(Object.entries(of).filter(([, count]) => count > 0)))
const anyState: fc.Arbitrary<OutboxState> = fc.record({
  reached: fc.boolean(),
  looked: fc.boolean(),
  deviceKeeps: fc.boolean(),
  nowhere: fc.nat(3),
  nearlyFull: fc.boolean(),
  going: counts,
  held: counts,
  why: fc.constant(new Map([['copy', 'It was handed in.']])),
  elsewhere: fc.nat(2),
})

const quiet: OutboxState = {
  ...{ reached: true, looked: false, deviceKeeps: true, nowhere: 0, nearlyFull: false },
  ...{ going: new Map(), held: new Map(), why: new Map(), elsewhere: 0 },
}

test('a nearly full device whose outbox was not looked into yet does not say that all is kept', () => {
  expect(
    truthsOf({ ...quiet, nearlyFull: true }, 'copy', false, false).map((truth) => truth.state),
  ).not.toContain('kept')
})

test('the worst that is true comes first, and all that is true is said', () => {
  const ORDER = ['unsafe', 'full', 'held', 'here', 'going', 'kept']
  fc.assert(
    fc.property(anyState, fc.boolean(), fc.boolean(), (state, lost, slow) => {
      const truths = truthsOf(state, 'copy', lost, slow)
      const ranks = truths.map((truth) => ORDER.indexOf(truth.state))
      expect(ranks[0]).toBe(Math.min(...ranks))
      const states = new Set(truths.map((truth) => truth.state))
      const held = state.held.get('copy') ?? 0
      expect(states.has('held')).toBe(held > 0)
      expect(states.has('here')).toBe(lost)
      expect(states.has('unsafe') || states.has('full')).toBe(!state.deviceKeeps)
      expect(truths.some(({ words }) => /nearly full/.test(words))).toBe(state.nearlyFull)
      if (truths[0]!.words === 'Kept') {
        expect([held, lost, state.deviceKeeps, state.nearlyFull, state.looked]).toEqual([
          0,
          false,
          true,
          false,
          true,
        ])
        expect(state.elsewhere + (state.going.get('other') ?? 0) + (state.held.get('other') ?? 0)).toBe(0)
      }
    }),
  )
})

test('of all copies together, what waits anywhere is what waits', () => {
  const waiting = {
    ...quiet,
    looked: true,
    going: new Map([
      ['one', 2],
      ['other', 1],
    ]),
    held: new Map([['other', 1]]),
    why: new Map([['other', 'It was handed in.']]),
  }
  const truths = truthsOf(asOneCopy(waiting), ALL, true, false)
  expect(truths.map((truth) => truth.state)).toEqual(['held', 'here'])
  expect(truths[0]!.hint).toContain('It was handed in.')
  expect(truths[1]!.hint).toContain('3 changes')
  expect(truthsOf(asOneCopy({ ...quiet, looked: true }), ALL, false, false)[0]!.state).toBe('kept')
})
