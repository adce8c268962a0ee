import type { Habits } from '@hand-back/core'
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals'
import { HabitStore } from './habitStore.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

/** A school that remembers, and can be out of reach; devices with memories of their own. */
function school() {
  const there: { habits: Habits; reached: boolean; sent: Habits[] } = { habits: {}, reached: true, sent: [] }
  const device = () => {
    const memory = new Map<string, string>()
    const open = (person = 'noor') =>
      new HabitStore(person, {
        ask: async () => {
          if (!there.reached) throw new Error('out of reach')
          return there.habits
        },
        send: async (changed) => {
          if (!there.reached) throw new Error('out of reach')
          there.sent.push(changed)
          there.habits = { ...there.habits, ...changed }
        },
        read: (key) => memory.get(key) ?? null,
        write: (key, value) => memory.set(key, value),
      })
    return { memory, open }
  }
  return { there, device }
}

const settle = () => jest.advanceTimersByTimeAsync(20_000)

test('what was chosen on one device is there on another; changes in a row are sent once', async () => {
  const { there, device } = school()
  const one = device().open()
  one.change({ strip: 'left' })
  one.change({ active: 2 })
  await settle()
  expect(there.sent).toEqual([{ strip: 'left', active: 2 }])
  const other = device().open()
  await settle()
  expect(other.state.getState()).toEqual({ strip: 'left', active: 2 })
})

test('chosen without a network it shows at once, outlives the tab, and is sent later over what school has', async () => {
  const { there, device } = school()
  there.habits = { strip: 'right', letters: 'larger' }
  there.reached = false
  const tablet = device()
  tablet.open().change({ strip: 'left' })
  await settle()
  const again = tablet.open()
  expect(again.state.getState()).toEqual({ strip: 'left' })
  there.reached = true
  await settle()
  const { habits } = there
  expect(habits).toEqual({ strip: 'left', letters: 'larger' })
})

test('one person’s habits are not another’s, and nonsense is as good as nothing', async () => {
  const { there, device } = school()
  there.reached = false
  const tablet = device()
  tablet.open('noor').change({ strip: 'left' })
  expect(tablet.open('ilja').state.getState()).toEqual({})
  for (const broken of ['{', '[]', '{"swatches":[{"nib":"spray"}]}']) {
    tablet.memory.set('habits ilja', broken)
    expect(tablet.open('ilja').state.getState()).toEqual({})
  }
})
