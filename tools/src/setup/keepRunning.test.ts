import { expect, test } from '@jest/globals'
import { keepRunning } from './keepRunning.ts'

/** Something whose runs last as long as the script says, in milliseconds of a clock of its own. */
function scripted(lasts: readonly (number | 'cannot start')[]) {
  let clock = 0
  const pauses: number[] = []
  let runs = 0
  let stop = () => {}
  const stopped = new Promise<void>((done) => {
    stop = done
  })
  const kept = keepRunning({
    async start() {
      const last = lasts[runs++]
      if (last === undefined) {
        stop()
        return { ended: new Promise<void>(() => {}) }
      }
      if (last === 'cannot start') throw new Error('the port is taken')
      return {
        ended: Promise.resolve().then(() => {
          clock += last
        }),
      }
    },
    stopped,
    now: () => clock,
    async pause(milliseconds) {
      pauses.push(milliseconds)
      clock += milliseconds
    },
    say: () => {},
  })
  return { kept, pauses, runs: () => runs }
}

test('whatever ends it, it is started again, each time after a longer pause', async () => {
  const { kept, pauses, runs } = scripted([10, 'cannot start', 10, 10, 10, 10, 10, 10, 10])
  await kept
  expect(runs()).toBe(10)
  expect(pauses).toEqual([500, 1000, 2000, 4000, 8000, 16_000, 30_000, 30_000, 30_000])
})

test('what ran well for a while is started again soon', async () => {
  const { kept, pauses } = scripted([10, 10, 120_000, 10])
  await kept
  expect(pauses).toEqual([500, 1000, 500, 1000])
})
