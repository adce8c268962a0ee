import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { atNextBeat } from './atNextBeat.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

test('all that waits runs in one beat, each once; what comes then waits for the next', () => {
  const ran: string[] = []
  const first = () => {
    ran.push('first')
    atNextBeat(second)
  }
  const second = () => ran.push('second')
  atNextBeat(first)
  atNextBeat(first)
  expect(ran).toEqual([])
  jest.runOnlyPendingTimers()
  expect(ran).toEqual(['first'])
  jest.runOnlyPendingTimers()
  expect(ran).toEqual(['first', 'second'])
  expect(jest.getTimerCount()).toBe(0)
})
