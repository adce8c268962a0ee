import type { PageEvent, SignedEvent } from '@hand-back/core'
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { Problem } from '../../api/ask.ts'
import { WorkedKeeper } from './workedKeeper.ts'

const notes = new Map<string, string>()
beforeEach(() => {
  jest.useFakeTimers()
  notes.clear()
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => notes.get(key) ?? null,
      setItem: (key: string, value: string) => notes.set(key, value),
      removeItem: (key: string) => notes.delete(key),
    },
  })
})
afterEach(() => {
  jest.useRealTimers()
  Reflect.deleteProperty(globalThis, 'localStorage')
})

const act = (id: string): SignedEvent =>
  ({
    id,
    page: 'p',
    layer: 'work',
    madeAt: 1,
    act: 'take',
    items: ['x'],
    author: 'marit',
    round: 1,
  }) as SignedEvent

function school() {
  const there = { reached: true, refuses: false, asked: 0, sent: [] as string[][] }
  const send = async (events: readonly PageEvent[]) => {
    there.asked++
    if (!there.reached) throw new Error('out of reach')
    if (there.refuses) throw new Problem('This worked copy is full.', 409)
    there.sent.push(events.map(({ id }) => id))
  }
  return { there, open: (before: SignedEvent[] = []) => new WorkedKeeper('sheet', 'marit', before, send) }
}

const rest = () => jest.advanceTimersByTimeAsync(5000)

test('what is done in a row goes together; nothing of it stays on the device', async () => {
  const { there, open } = school()
  const keeper = open()
  await keeper.put('copy', act('a'))
  await keeper.put('copy', act('b'))
  expect(keeper.state.getState().state).toBe('going')
  await rest()
  expect(there.sent).toEqual([['a', 'b']])
  expect(keeper.state.getState().state).toBe('kept')
  expect(notes.size).toBe(0)
  // Opened again for other students' pages, all of it is there.
  expect((await keeper.waitingFor()).map(({ id }) => id)).toEqual(['a', 'b'])
})

test('out of reach it stays here, is there again when the tab was closed, and goes once school is reached', async () => {
  const { there, open } = school()
  there.reached = false
  const keeper = open()
  await keeper.put('copy', act('a'))
  await rest()
  expect(keeper.state.getState().state).toBe('here')
  const again = open([act('before')])
  expect((await again.waitingFor()).map(({ id }) => id)).toEqual(['before', 'a'])
  there.reached = true
  await rest()
  expect(there.sent.flat()).toContain('a')
  expect(again.state.getState().state).toBe('kept')
})

test('a recording is not taken, and does not stay on the page', async () => {
  const { there, open } = school()
  const keeper = open()
  const gone: string[] = []
  keeper.onDeleted((_copy, events) => gone.push(...events))
  await keeper.put('copy', act('a'), { name: 'sound' })
  await rest()
  expect(gone).toEqual(['a'])
  expect(there.sent).toEqual([])
})

test('what school refuses waits here and is said once; it is tried again with what is done next, not by itself', async () => {
  const { there, open } = school()
  there.refuses = true
  const keeper = open()
  await keeper.put('copy', act('a'))
  await rest()
  await rest()
  expect(there.asked).toBe(1)
  expect(keeper.state.getState().state).toBe('refused')
  there.refuses = false
  await keeper.put('copy', act('b'))
  await rest()
  expect(there.sent).toEqual([['a', 'b']])
  expect(keeper.state.getState().state).toBe('kept')
})
