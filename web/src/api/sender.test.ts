import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals'
import { Sender } from './sender.ts'

beforeEach(() => void jest.useFakeTimers())
afterEach(() => void jest.useRealTimers())

/** A way that takes what waits, one a time, and can be cut. */
function way(...waiting: string[]) {
  const there = { waiting, sent: [] as string[], cut: false, tries: 0 }
  const sender = new Sender(
    {
      isOpen: () => there.waiting.length > 0,
      next: async () => {
        there.tries++
        if (there.cut) throw new Error('cut')
        there.sent.push(there.waiting.shift()!)
        return there.waiting.length > 0
      },
    },
    { first: 1000, longest: 4000 },
  )
  return { there, sender }
}
const pass = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds)

describe('what a device sends by itself', () => {
  test('goes in order; while it is under way nothing goes twice', async () => {
    const { there, sender } = way('a', 'b', 'c')
    void sender.run()
    void sender.run()
    await pass(0)
    expect(there.sent).toEqual(['a', 'b', 'c'])
    expect(there.tries).toBe(3)
  })

  test('waits until the hand rests, counted anew from every change', async () => {
    const { there, sender } = way('a')
    sender.rest(500)
    await pass(400)
    sender.rest(500)
    await pass(499)
    expect(there.sent).toEqual([])
    await pass(1)
    expect(there.sent).toEqual(['a'])
  })

  test('after what failed it waits twice as long every time, up to the longest', async () => {
    const { there, sender } = way('a')
    there.cut = true
    void sender.run()
    const tries: number[] = []
    for (let second = 0; second < 12; second++) {
      await pass(second === 0 ? 0 : 1000)
      tries.push(there.tries)
    }
    expect(tries).toEqual([1, 2, 2, 3, 3, 3, 3, 4, 4, 4, 4, 5])
    there.cut = false
    await pass(4000)
    expect(there.sent).toEqual(['a'])
  })

  test('asked to send now it does not sit out the pause, and says when it cannot', async () => {
    const { there, sender } = way('a')
    there.cut = true
    await sender.now()
    expect(there.tries).toBe(1)
    there.cut = false
    await sender.now()
    expect(there.sent).toEqual(['a'])
  })

  test('with nothing to send, now is over at once', async () => {
    const { there, sender } = way()
    await sender.now()
    expect(there.tries).toBe(0)
  })
})
