import type { CopyRow } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { seatNames } from './seatNames.ts'

const row = (name: string, shared = false) => ({ id: name, name, shared }) as CopyRow
const told = (rows: CopyRow[], hidden = false) => [...seatNames(rows, hidden).values()]

test('a first name, with as much of the last as tells two apart', () => {
  expect(
    told([row('Noor Farrant'), row('Emre Okafor'), row('Noor Fischer'), row('Noor Kaya'), row('Mo')]),
  ).toEqual(['Noor Fa.', 'Emre', 'Noor Fi.', 'Noor K.', 'Mo'])
})

test('two of the same name, groups and numbers stay as they are', () => {
  expect(told([row('Noor Kaya'), row('Noor Kaya')].map((each, at) => ({ ...each, id: `${at}` })))).toEqual([
    'Noor Kaya',
    'Noor Kaya',
  ])
  expect(told([row('The red boat', true)])).toEqual(['The red boat'])
  expect(told([row('Copy 7')], true)).toEqual(['Copy 7'])
})
