import { expect, test } from '@jest/globals'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import type { Item } from '../kinds/items.ts'
import type { PrintedItem } from '../kinds/printed.ts'
import { applyAll, emptyPage, type Page } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { idOf } from '../test/arbitrary.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { answerId } from './answers.ts'
import { untouchedIn } from './untouched.ts'

const COPY = idOf(77)
const place = (number: number, kind: string, y: number, rest: object = {}): PrintedItem =>
  ({
    id: idOf(number),
    kind,
    label: `${kind} ${number}`,
    x: 100,
    y,
    width: 100,
    height: 30,
    ...rest,
  }) as PrintedItem
const page = (number: number, ...printed: PrintedItem[]): WorksheetPage => ({
  id: idOf(number),
  width: 600,
  height: 800,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed,
})
const pages = [
  page(
    1,
    place(11, 'typed', 10, { takes: 'line', size: 12 }),
    place(12, 'choice', 60, {
      options: [{ id: idOf(99), text: 'ebb' }],
      many: false,
      across: false,
      size: 12,
    }),
    place(13, 'drop', 110),
    place(14, 'speak', 160),
    place(15, 'photo', 210),
    place(16, 'text', 300),
  ),
  page(2),
]
let made = 0
const logOf = (on: string, ...items: Item[]): Map<string, Page> => {
  const add: SignedEvent = {
    id: idOf(5000 + ++made),
    page: on,
    layer: 'work',
    madeAt: 0,
    author: 'ana',
    round: 1,
    act: 'add',
    items,
  }
  return new Map([[on, applyAll(emptyPage, [add])]])
}
const labels = (log: ReadonlyMap<string, Page>) =>
  untouchedIn(pages, log, COPY).map(({ number, blank, places }) => [
    number,
    blank,
    places.map(({ label }) => label),
  ])
const answer = (number: number, value: object) =>
  ({ id: answerId(COPY, idOf(number)), kind: 'answer', place: idOf(number), value }) as Item
const ALL = ['typed 11', 'choice 12', 'drop 13', 'speak 14', 'photo 15']

test('a copy nobody worked on: every page is blank, and what asks for nothing is no place', () => {
  expect(labels(new Map())).toEqual([
    [1, true, ALL],
    [2, true, []],
  ])
})

test('an answer touches its place; an empty one does not', () => {
  const left = (...items: Item[]) => labels(logOf(idOf(1), ...items))[0]![2]
  expect(left(answer(11, { text: '4.5' }))).toEqual(ALL.slice(1))
  expect(left(answer(11, { text: '  ' }))).toEqual(ALL)
  expect(left(answer(12, { options: [idOf(99)] }))).not.toContain('choice 12')
  expect(left(answer(12, { options: [] }))).toContain('choice 12')
})

test('ink over a place, a note in it and a photo touch it too; elsewhere they do not', () => {
  const ink = (y: number): Item => ({
    id: idOf(6000 + ++made),
    kind: 'stroke',
    nib: 'pen',
    colour: '#1e2b3a',
    width: 2,
    points: toBase64(packPoints([110, 140].map((x, time) => ({ x, y, pressure: 0.5, time })))),
  })
  const voice = { id: idOf(7001), kind: 'voice', x: 110, y: 170, recording: idOf(1), seconds: 2 } as Item
  const photo = {
    id: idOf(7002),
    kind: 'photo',
    place: idOf(15),
    recording: idOf(2),
    x: 0,
    y: 0,
    width: 9,
    height: 9,
  } as Item
  expect(labels(logOf(idOf(1), ink(20), ink(125), voice, photo))[0]).toEqual([1, false, ['choice 12']])
  expect(labels(logOf(idOf(1), ink(600)))[0]).toEqual([1, false, ALL])
})

test('with everything done there is nothing to say', () => {
  const one = logOf(idOf(1), answer(11, { text: 'x' }))
  const two = logOf(idOf(2), answer(11, { text: 'x' }))
  const bare = [page(1), page(2)]
  expect(untouchedIn(bare, new Map([...one, ...two]), COPY)).toEqual([])
})

test('in a go for chosen questions only what is open counts', () => {
  const part = { areasOn: (id: string) => (id === idOf(1) ? [{ x: 90, y: 50, width: 200, height: 50 }] : []) }
  expect(
    untouchedIn(pages, new Map(), COPY, part).map(({ number, places }) => [number, places.length]),
  ).toEqual([[1, 1]])
})

test('places that are called alike are told apart, in reading order', () => {
  const alike = page(
    3,
    place(32, 'typed', 60, { takes: 'line', size: 12, label: 'height' }),
    place(31, 'typed', 10, { takes: 'line', size: 12, label: 'height' }),
    place(33, 'typed', 60, { takes: 'line', size: 12, label: 'height', x: 300 }),
    place(34, 'typed', 90, { takes: 'line', size: 12, label: '' }),
    place(35, 'typed', 120, { takes: 'line', size: 12, label: '' }),
  )
  expect(untouchedIn([alike], new Map(), COPY)[0]!.places.map(({ label }) => label)).toEqual([
    'height (2 of 3)',
    'height (1 of 3)',
    'height (3 of 3)',
    '',
    '',
  ])
})
