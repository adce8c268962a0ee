import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { Problem } from '../../api/ask.ts'
import { SpokenWaiting, type WaitingSpoken } from './spokenWaiting.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

const sound = new Blob(['high water at noon'])

/** A device that remembers, and a school that can fail. */
function devices() {
  const there = {
    memory: new Map<string, WaitingSpoken>(),
    school: [] as string[],
    failing: undefined as unknown,
  }
  const open = (person = 'teacher') =>
    new SpokenWaiting(
      person,
      {
        all: async () => [...there.memory.values()],
        put: async (spoken) => void there.memory.set(spoken.id, spoken),
        drop: async (id) => void there.memory.delete(id),
      },
      async (id) => {
        if (there.failing) throw there.failing
        there.school.push(id)
      },
    )
  return { there, open }
}

describe('a direction that was spoken', () => {
  test('without a network it stays on the device, outlives the tab, and goes when it can', async () => {
    const { there, open } = devices()
    there.failing = new Problem('out of reach', 0)
    const first = open()
    await first.keep('a', sound)
    await first.flush()
    expect(first.state.getState().get('a')).toBe('going')
    expect(first.bytesOf('a')).toBe(sound)
    there.failing = undefined
    const again = open()
    await again.flush()
    expect(there.school).toEqual(['a'])
    expect(again.state.getState().size).toBe(0)
    expect(there.memory.size).toBe(0)
  })

  test('it goes by itself after a while', async () => {
    const { there, open } = devices()
    there.failing = new Problem('out of reach', 0)
    const waiting = open()
    await waiting.keep('a', sound)
    await jest.advanceTimersByTimeAsync(500)
    there.failing = undefined
    await jest.advanceTimersByTimeAsync(1000)
    expect(there.school).toEqual(['a'])
  })

  test('refused, it says why, stays, and does not hold up the next', async () => {
    const { there, open } = devices()
    const waiting = open()
    there.failing = new Problem('This is no sound.', 422)
    await waiting.keep('a', sound)
    await waiting.flush()
    expect(waiting.state.getState().get('a')).toEqual({ refused: 'This is no sound.' })
    expect(there.memory.has('a')).toBe(true)
    there.failing = undefined
    await waiting.keep('b', sound)
    await waiting.flush()
    expect(there.school).toEqual(['b'])
  })

  test('somebody else at this device neither sends nor hears it', async () => {
    const { there, open } = devices()
    there.failing = new Problem('out of reach', 0)
    await open().keep('a', sound)
    there.failing = undefined
    const other = open('somebody else')
    await other.flush()
    expect(there.school).toEqual([])
    expect(other.bytesOf('a')).toBeUndefined()
  })

  test('taken away, it is nowhere', async () => {
    const { there, open } = devices()
    there.failing = new Problem('out of reach', 0)
    const waiting = open()
    await waiting.keep('a', sound)
    await waiting.drop('a')
    there.failing = undefined
    await jest.advanceTimersByTimeAsync(5000)
    expect(there.school).toEqual([])
    expect(there.memory.size).toBe(0)
  })
})
