import type { TrayEntry } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { inTray, isChanged } from './trayOrder.ts'

const entry = (title: string, more: Partial<TrayEntry> = {}) =>
  ({
    title,
    state: 'waiting',
    way: 'own',
    dueAt: null,
    handedOutAt: 0,
    changedAt: null,
    ...more,
  }) as TrayEntry

test('in hand by date with those without a date last; the rest newest first; reading on its own', () => {
  const groups = inTray([
    entry('no date', { handedOutAt: 9 }),
    entry('late', { dueAt: 1, state: 'working' }),
    entry('later', { dueAt: 5, handedOutAt: 8 }),
    entry('old', { state: 'handed back', handedOutAt: 1 }),
    entry('new', { state: 'handed back', handedOutAt: 2 }),
    entry('map', { way: 'read' }),
    entry('given', { state: 'handed in' }),
  ])
  expect(groups.map(({ title, entries }) => [title, ...entries.map((each) => each.title)])).toEqual([
    ['In your hands', 'late', 'later', 'no date'],
    ['Came back to you', 'new', 'old'],
    ['To read', 'map'],
    ['With your teacher', 'given'],
  ])
})

test('a change is told for a week, and only while one works on it', () => {
  const now = 1_000_000_000
  expect(isChanged(entry('a', { changedAt: now - 1000 }), now)).toBe(true)
  expect(isChanged(entry('a', { changedAt: now - 8 * 24 * 3_600_000 }), now)).toBe(false)
  expect(isChanged(entry('a', { changedAt: now, state: 'handed in' }), now)).toBe(false)
  expect(isChanged(entry('a'), now)).toBe(false)
})
