import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { events, idOf, PAGE } from '../test/arbitrary.ts'
import { applyAll, emptyPage, inSight } from './apply.ts'
import type { KeptEvent, PageAct } from './events.ts'
import { asHandedIn, differenceOf, roundEnds } from './rounds.ts'

let made = 8000
const kept = (seq: number, round: number, act: PageAct, layer: 'work' | 'feedback' = 'work'): KeptEvent =>
  ({
    id: idOf(made++),
    page: PAGE,
    layer,
    madeAt: 0,
    author: 'ana',
    round,
    seq,
    keptAt: seq,
    ...act,
  }) as KeptEvent
const note = (number: number, x = 10) => ({
  id: idOf(number),
  kind: 'voice' as const,
  x,
  y: 10,
  recording: idOf(number),
  seconds: 3,
})

const log = [
  kept(1, 1, { act: 'add', items: [note(1), note(2), note(3)] }),
  kept(2, 1, { act: 'add', items: [note(9)] }, 'feedback'),
  kept(3, 2, { act: 'take', items: [idOf(1)] }),
  kept(4, 2, { act: 'change', item: idOf(2), set: { x: 90 }, was: { x: 10 } }),
  kept(5, 2, { act: 'add', items: [note(4)] }),
]
const ids = (items: readonly { id: string }[]) => items.map(({ id }) => id)

test('a round ends with the last thing that students did in it; what they handed in has no feedback on it', () => {
  expect(roundEnds(log)).toEqual([
    { round: 1, count: 1 },
    { round: 2, count: 5 },
  ])
  expect(ids(inSight(asHandedIn(log, 1).get(PAGE)!).map(({ item }) => item))).toEqual([1, 2, 3].map(idOf))
  expect(roundEnds([])).toEqual([])
})

test('since the last round: what came, what was moved, what went, and nothing of the feedback', () => {
  const before = asHandedIn(log, 1).get(PAGE)!
  const { fresh, gone } = differenceOf(before, applyAll(emptyPage, log))
  expect(new Set(ids(fresh))).toEqual(new Set([idOf(2), idOf(4)]))
  expect(gone).toEqual([note(1)])
})

test('nothing differs from itself; what came one way went the other', () => {
  fc.assert(
    fc.property(events, events, (some, more) => {
      const before = applyAll(emptyPage, some)
      const now = applyAll(before, more)
      expect(differenceOf(now, now)).toEqual({ fresh: [], gone: [] })
      const there = differenceOf(before, now)
      const back = differenceOf(now, before)
      const wentBack = new Set(ids(back.fresh))
      for (const id of ids(there.gone)) expect(wentBack.has(id)).toBe(true)
      const freshNow = new Set(ids(there.fresh))
      for (const id of ids(back.gone)) expect(freshNow.has(id)).toBe(true)
    }),
  )
})
