import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Item } from '../kinds/items.ts'
import type { Mark } from '../kinds/mark.ts'
import { applyAll, emptyPage, inSight } from '../log/apply.ts'
import type { KeptEvent } from '../log/events.ts'
import { events, idOf, PAGE } from '../test/arbitrary.ts'
import { afterGoing, tellsOfMarks, toldTo } from './withoutMarks.ts'

const BACK = { state: 'handed back', round: 2, withoutMarks: [2] } as const
const common = {
  page: PAGE,
  layer: 'feedback',
  madeAt: 5,
  author: 'marit',
  round: 2,
  keptAt: 9,
} as const

const mark = (more: Partial<Mark> = {}): Mark => ({
  id: idOf(1),
  kind: 'mark',
  question: idOf(2),
  label: '1',
  given: 377,
  full: 477,
  x: 1,
  y: 2,
  ...more,
})
const level = { at: 1, name: 'nearly', words: 'says what happens' }
const tick: Item = {
  id: idOf(3),
  kind: 'sign',
  form: 'tick',
  x: 1,
  y: 2,
  width: 20,
  height: 20,
  carries: 377,
}
const add = (...items: Item[]): KeptEvent => ({ ...common, id: idOf(50), seq: 1, act: 'add', items })
const change = (set: object, was: object): KeptEvent => ({
  ...common,
  id: idOf(51),
  seq: 2,
  act: 'change',
  item: idOf(1),
  set,
  was,
})

describe('of a round that went back without its marks', () => {
  test.each<[string, KeptEvent]>([
    ['a mark', add(mark())],
    ['what a mark was changed to', change({ given: 377 }, { given: 477 })],
    ['a level with its marks', add(mark({ level }))],
    ['a level that was changed', change({ given: 377, level }, { given: 477, level })],
    ['a sign that carries marks', add(tick)],
    ['a mark beside ink', add(mark(), { ...tick, id: idOf(4) })],
  ])('%s tells its student no number of marks, and keeps its place', (_what, event) => {
    const told = toldTo('student', BACK, event)!
    expect(JSON.stringify(told)).not.toMatch(/[34]77/)
    expect(told).toMatchObject({ id: event.id, seq: event.seq, layer: 'feedback', withheld: true })
    expect(tellsOfMarks(event)).toBe(true)
    expect(tellsOfMarks(told)).toBe(false)
  })

  test('the teacher is told all of it; so is the student once the marks are given', () => {
    const event = add(mark(), tick)
    expect(toldTo('teacher', BACK, event)).toBe(event)
    expect(toldTo('student', { ...BACK, withoutMarks: [1] }, event)).toBe(event)
    expect(toldTo('student', { ...BACK, state: 'handed in' }, event)).toBeUndefined()
  })

  test('the levels of a rubric and the signs are there all the same', () => {
    const told = [
      add(mark({ level }), tick),
      change({ given: 1, level: { ...level, at: 2 } }, { given: 2, level }),
    ]
    const page = applyAll(
      emptyPage,
      told.map((event) => toldTo('student', BACK, event)!),
    )
    expect(inSight(page).map(({ item }) => item)).toMatchObject([
      { kind: 'mark', given: 0, full: 0, level: { at: 2 } },
      { kind: 'sign', form: 'tick' },
    ])
  })

  test('what has nothing to do with marks is told as it is', () => {
    fc.assert(
      fc.property(events, (list) => {
        for (const [index, event] of list.entries()) {
          const kept = { ...event, layer: 'feedback', round: 2, seq: index + 1, keptAt: 0 } as KeptEvent
          expect(toldTo('student', BACK, kept)).toBe(kept)
        }
      }),
    )
  })
})

test('which rounds are without marks follows from how each went back last', () => {
  expect(afterGoing([], 1, true)).toEqual([])
  expect(afterGoing([], 1, false)).toEqual([1])
  expect(afterGoing([1], 2, true)).toEqual([1])
  expect(afterGoing([1, 2], 1, true)).toEqual([2])
  expect(afterGoing([1], 1, false)).toEqual([1])
})
