import { expect, test } from '@jest/globals'
import type { PrintedItem } from '../kinds/printed.ts'
import { idOf } from '../test/arbitrary.ts'
import { lenientKey } from './key.ts'
import { sayKey } from './sayKey.ts'

const item = (number: number, rest: object) =>
  ({ id: idOf(number), x: 0, y: 0, width: 10, height: 10, ...rest }) as PrintedItem
const typed = item(1, { kind: 'typed', label: '', takes: 'line', size: 12 })
const choice = item(2, {
  kind: 'choice',
  options: [
    { id: idOf(21), text: 'ebb' },
    { id: idOf(22), text: 'flood' },
    { id: idOf(23), text: '' },
  ],
})
const ebb = item(31, { kind: 'card', face: { kind: 'text', text: 'ebb', size: 12 } })
const shore = item(32, { kind: 'card', face: { kind: 'picture', file: 'f', alt: 'the shore' } })

test('what is right is said in words', () => {
  expect(sayKey(lenientKey(['4.5 m', ' ', '4,5 m']), typed, [])).toBe('4.5 m or 4,5 m')
  expect(sayKey({ kind: 'choice', options: [idOf(22), idOf(23)] }, choice, [])).toBe(
    'flood, an option without words',
  )
  expect(
    sayKey({ kind: 'cards', cards: [idOf(32), idOf(31)] }, item(3, { kind: 'drop' }), [ebb, shore]),
  ).toBe('ebb, the shore')
  expect(sayKey(lenientKey([]), typed, [])).toBe('')
})
