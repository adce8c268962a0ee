import { expect, test } from '@jest/globals'
import { dueOf, latenessOf } from './late.ts'

const copy = { state: 'handed in', round: 1, dueAt: null, handedInAt: 100 } as const

test('handed in after its date is late, at it is not; its own date counts before that of the hand-out', () => {
  expect(latenessOf(copy, 100, 500)).toBe(undefined)
  expect(latenessOf(copy, 99, 500)).toBe('late')
  expect(latenessOf({ ...copy, state: 'handed back' }, 99, 500)).toBe('late')
  expect(latenessOf({ ...copy, dueAt: 120 }, 99, 500)).toBe(undefined)
  expect(latenessOf({ ...copy, dueAt: 80 }, 120, 500)).toBe('late')
  expect(latenessOf(copy, null, 500)).toBe(undefined)
})

test('not handed in is overdue once the date has passed', () => {
  const open = { ...copy, state: 'working', handedInAt: null } as const
  expect(latenessOf(open, 100, 100)).toBe(undefined)
  expect(latenessOf(open, 100, 101)).toBe('overdue')
  expect(latenessOf({ ...open, state: 'waiting' }, 100, 101)).toBe('overdue')
})

test('another go has its own date or none', () => {
  const again = { ...copy, state: 'another go', round: 2 } as const
  expect(dueOf(again, 100)).toBe(null)
  expect(latenessOf(again, 100, 500)).toBe(undefined)
  expect(latenessOf({ ...again, dueAt: 300 }, 100, 299)).toBe(undefined)
  expect(latenessOf({ ...again, dueAt: 300 }, 100, 301)).toBe('overdue')
})
