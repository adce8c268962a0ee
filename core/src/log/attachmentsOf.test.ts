import { expect, test } from '@jest/globals'
import { idOf, PAGE } from '../test/arbitrary.ts'
import { attachmentsOf } from './attachmentsOf.ts'
import type { PageEvent } from './events.ts'

const event = (act: object) =>
  ({ id: idOf(1), page: PAGE, layer: 'work', madeAt: 0, ...act }) as unknown as PageEvent
const reply = (recording?: number) => ({
  done: false,
  words: '',
  ...(recording === undefined ? {} : { voice: { recording: idOf(recording), seconds: 2 } }),
})

test('a voice is named by the act that lays it, gives it as an answer, or takes that back', () => {
  const note = { id: idOf(2), kind: 'voice', x: 0, y: 0, recording: idOf(3), seconds: 2 }
  const answer = { id: idOf(4), kind: 'reply', to: idOf(5), reply: reply(6) }
  expect(attachmentsOf(event({ act: 'add', items: [note, answer] }))).toEqual([idOf(3), idOf(6)])
  const changed = { act: 'change', item: idOf(4), set: { reply: reply(7) }, was: { reply: reply(6) } }
  expect(attachmentsOf(event(changed))).toEqual([idOf(7), idOf(6)])
  expect(attachmentsOf(event({ ...changed, set: { reply: reply() }, was: { reply: reply() } }))).toEqual([])
  expect(attachmentsOf(event({ act: 'take', items: [idOf(2)] }))).toEqual([])
})
