import { expect, jest, test } from '@jest/globals'
import { type Drawer, PaperQueue, TooHeavy } from './paperQueue.ts'
import type { PaperAnswer, PaperSource, PaperTask } from './paperTasks.ts'

const source = (number: number): PaperSource => ({ kind: 'pdf', url: 'paper', number })
const part = { x0: 0, y0: 0, x1: 10, y1: 10 }
const BOMB = 13

/** A drawer that draws at once, but for the one page that it never finishes. */
function drawers() {
  const begun: number[] = []
  let ended = 0
  const make = (): Drawer => {
    let answer = (_told: PaperAnswer | undefined) => {}
    return {
      draw(task: PaperTask) {
        const { number } = task.source as Extract<PaperSource, { kind: 'pdf' }>
        begun.push(number)
        answer({ id: task.id, begun: true })
        if (number === BOMB) return
        void Promise.resolve().then(() =>
          answer({ id: task.id, bitmap: { number } as unknown as ImageBitmap }),
        )
      },
      onAnswer(listener) {
        answer = listener
      },
      end() {
        ended++
      },
    }
  }
  return { make, begun, ended: () => ended }
}

test('a paper whose drawing never ends is ended alone; the others go on, and it is not tried again', async () => {
  jest.useFakeTimers()
  try {
    const { make, begun, ended } = drawers()
    const queue = new PaperQueue(make, { within: 30_000, slow: 2_000 })
    const bomb = queue.draw(source(BOMB), part, 1).bitmap
    const failed = expect(bomb).rejects.toThrow(TooHeavy)
    const others = [1, 2, 3].map((number) => queue.draw(source(number), part, 1).bitmap)
    expect(begun).toEqual([BOMB])
    await jest.advanceTimersByTimeAsync(2_100)
    expect(await Promise.all(others)).toEqual([{ number: 1 }, { number: 2 }, { number: 3 }])
    expect(ended()).toBe(0)
    await jest.advanceTimersByTimeAsync(30_000)
    await failed
    expect(ended()).toBe(1)
    await expect(queue.draw(source(BOMB), part, 1).bitmap).rejects.toThrow(TooHeavy)
    expect(await queue.draw(source(4), part, 1).bitmap).toEqual({ number: 4 })
    expect(begun.filter((number) => number === BOMB)).toHaveLength(1)
  } finally {
    jest.useRealTimers()
  }
})

test('the newest wish comes first, and what is not wanted any more is not drawn', async () => {
  const { make, begun } = drawers()
  const queue = new PaperQueue(make, { within: 1000, slow: 500 })
  const wishes = [1, 2, 3, 4].map((number) => queue.draw(source(number), part, 1))
  wishes[1]!.forget()
  await Promise.all([wishes[0]!.bitmap, wishes[2]!.bitmap, wishes[3]!.bitmap])
  expect(begun).toEqual([1, 4, 3])
})
