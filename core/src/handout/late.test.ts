import { expect, test } from '@jest/globals'
import { dueOf, latenessOf } from './late.ts'

const copy = { state: 'handed in', round: 1, dueAt: null, handedInAt: 100, withdrawn: false } as const
const due = (dueAt: number | null) => ({ dueAt, way: 'own', withdrawn: false }) as const

test('handed in after its date is late, at it is not; its own date counts before that of the hand-out', () => {
  expect(latenessOf(copy, due(100), 500)).toBe(undefined)
  expect(latenessOf(copy, due(99), 500)).toBe('late')
  expect(latenessOf({ ...copy, state: 'handed back' }, due(99), 500)).toBe('late')
  expect(latenessOf({ ...copy, dueAt: 120 }, due(99), 500)).toBe(undefined)
  expect(latenessOf({ ...copy, dueAt: 80 }, due(120), 500)).toBe('late')
  expect(latenessOf(copy, due(null), 500)).toBe(undefined)
})

test('not handed in is overdue once the date has passed', () => {
  const open = { ...copy, state: 'working', handedInAt: null } as const
  expect(latenessOf(open, due(100), 100)).toBe(undefined)
  expect(latenessOf(open, due(100), 101)).toBe('overdue')
  expect(latenessOf({ ...open, state: 'waiting' }, due(100), 101)).toBe('overdue')
})

test('another go has its own date or none', () => {
  const again = { ...copy, state: 'another go', round: 2 } as const
  expect(dueOf(again, 100)).toBe(null)
  expect(latenessOf(again, due(100), 500)).toBe(undefined)
  expect(latenessOf({ ...again, dueAt: 300 }, due(100), 299)).toBe(undefined)
  expect(latenessOf({ ...again, dueAt: 300 }, due(100), 301)).toBe('overdue')
})

test('what is only to read, or was withdrawn, is awaited from nobody', () => {
  const open = { ...copy, state: 'working', handedInAt: null } as const
  expect(latenessOf(open, { ...due(100), way: 'read' }, 101)).toBe(undefined)
  expect(latenessOf(open, { ...due(100), withdrawn: true }, 101)).toBe(undefined)
  expect(latenessOf({ ...open, withdrawn: true }, due(100), 101)).toBe(undefined)
  expect(latenessOf({ ...copy, withdrawn: true }, due(99), 101)).toBe('late')
})
