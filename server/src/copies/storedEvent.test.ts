import { ITEM_KINDS, type Item, LOG_VERSION, type PageEvent, toBase64 } from '@hand-back/core'
import { fromSchema } from '@hand-back/core/test/fromSchema.ts'
import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { fromStored, toStored } from './storedEvent.ts'

const added = { seq: 3, author: 'ana', round: 1, keptAt: 17 }
const back = (event: PageEvent, version = LOG_VERSION) =>
  fromStored({ ...toStored(event), id: event.id, layer: event.layer, ...added, version })

test.each(Object.keys(ITEM_KINDS) as (keyof typeof ITEM_KINDS)[])(
  'an event with %s comes back from the database as it was told',
  (kind) => {
    fc.assert(
      fc.property(fromSchema<Item>(ITEM_KINDS[kind].schema as never), fc.uint8Array(), (any, ink) => {
        // Only ink that can be read gets this far (judge.ts).
        const made = any.kind === 'stroke' ? { ...any, points: toBase64(ink) } : any
        const id = crypto.randomUUID()
        const event: PageEvent = { id, page: id, layer: 'work', madeAt: 5, act: 'add', items: [made] }
        expect(back(event)).toEqual({ ...event, ...added })
      }),
      { numRuns: 25 },
    )
  },
)

test('what a newer house has written is not guessed at', () => {
  const id = crypto.randomUUID()
  const event: PageEvent = { id, page: id, layer: 'work', madeAt: 5, act: 'take', items: [id] }
  expect(back(event)).toEqual({ ...event, ...added })
  expect(() => back(event, LOG_VERSION + 1)).toThrow('newer')
})
