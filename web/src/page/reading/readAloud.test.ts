import { answerId, type Item } from '@hand-back/core'
import { afterEach, expect, jest, test } from '@jest/globals'
import { plainPage, typedBox, words } from '../../test/sheets.ts'
import { readAloud, wordsToRead } from './readAloud.ts'

const COPY = crypto.randomUUID()

test('a page is read from its top: what is printed, what a place asks, what was typed there, and one’s own words', () => {
  const box = typedBox('in cm', 0, 200)
  const page = plainPage(words('Look at the table.', 0, 50), box)
  const typed = { id: answerId(COPY, box.id), kind: 'answer', place: box.id, value: { text: '450' } } as Item
  const own = { ...words('because it falls', 0, 120), turn: 0 } as unknown as Item
  expect(wordsToRead(page, [typed, own])).toEqual(['Look at the table.', 'because it falls', 'in cm. 450'])
  expect(wordsToRead(plainPage(), [])).toEqual([])
})

const device = globalThis as { speechSynthesis?: unknown; SpeechSynthesisUtterance?: unknown }
afterEach(() => {
  delete device.speechSynthesis
  delete device.SpeechSynthesisUtterance
})

test('pressed while it reads, it stops', () => {
  const voice = { speaking: false, speak: jest.fn(), cancel: jest.fn() }
  device.speechSynthesis = voice
  device.SpeechSynthesisUtterance = class {
    readonly text: string
    constructor(text: string) {
      this.text = text
    }
  }
  readAloud(['the ebb', 'the flow'])
  expect(voice.speak.mock.calls.map(([said]) => (said as { text: string }).text)).toEqual([
    'the ebb',
    'the flow',
  ])
  voice.speaking = true
  readAloud(['the ebb'])
  expect(voice.cancel).toHaveBeenCalledTimes(1)
  expect(voice.speak).toHaveBeenCalledTimes(2)
})
