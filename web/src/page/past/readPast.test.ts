import type { KeptEvent } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { readPast } from './readPast.ts'

const event = (seq: number, layer = 'work', keptAt = seq * 10) =>
  ({
    id: `${layer} ${seq}`,
    layer,
    seq,
    keptAt,
    act: 'take',
    items: ['x'],
    page: 'p',
    madeAt: 3,
  }) as unknown as KeptEvent
const away = async () => {
  throw new Error('out of reach')
}
const ids = (events: readonly KeptEvent[]) => events.map(({ id }) => id)

test('school is asked; what waits here comes last, and nothing twice', async () => {
  const past = await readPast({
    ask: async () => [event(1), event(2)],
    read: away,
    pending: [event(2), event(7)],
  })
  expect(ids(past)).toEqual(['work 1', 'work 2', 'work 7'])
  expect(past[2]!.keptAt).toBeGreaterThanOrEqual(past[1]!.keptAt)
})

test('out of reach, it is what this device has read, each layer as far as nothing is missing', async () => {
  const read = [event(2), event(1), event(2), event(4), event(1, 'help'), event(3, 'help')]
  const past = await readPast({ ask: away, read: async () => read, pending: [event(9)] })
  expect(ids(past).sort()).toEqual(['help 1', 'work 1', 'work 2', 'work 9'])
})

test('a school that does not answer is not waited for', async () => {
  const past = await readPast(
    { ask: () => new Promise(() => {}), read: async () => [event(1)], pending: [] },
    5,
  )
  expect(ids(past)).toEqual(['work 1'])
})

test('with nothing on the device either, it says why', async () => {
  await expect(readPast({ ask: away, read: async () => [], pending: [] })).rejects.toThrow('out of reach')
})
