import { expect, test } from '@jest/globals'
import { answerId } from '../answers/answers.ts'
import type { Item } from '../kinds/items.ts'
import { idOf } from '../test/arbitrary.ts'
import { lenientKey } from '../worksheet/key.ts'
import { PageMaker } from '../worksheet/maker.ts'
import { firstLook } from './firstLook.ts'

const copy = idOf(1)
let made = 100
const make = new PageMaker(() => idOf(made++))
const box = (y: number) => ({ x: 60, y, width: 120, height: 24 })
const [height, rise] = [make.typed(box(100), 'height', 'number'), make.typed(box(140), 'rise', 'number')]
const drop = make.drop(box(200), 'rocks')
const [limpet, goby] = [make.card(box(300), 'limpet'), make.card(box(340), 'goby')]
const elsewhere = make.typed(box(600), 'not asked here')
const page = make.page({ form: 'plain', colour: '#9fb4c7' }, [height, rise, drop, limpet, goby, elsewhere])
const question = {
  id: idOf(2),
  label: '1',
  fullMarks: 3,
  areas: [{ page: page.id, x: 40, y: 90, width: 300, height: 160 }],
}
const keys = {
  [height.id]: lenientKey(['0.5']),
  [rise.id]: lenientKey(['4.5 m']),
  [drop.id]: { kind: 'cards', cards: [limpet.id] },
  [elsewhere.id]: lenientKey(['x']),
} as const
const typed = (place: string, text: string): Item => ({
  id: answerId(copy, place),
  kind: 'answer',
  place,
  value: { text },
})
const laid = (card: typeof limpet, x: number, y: number): Item => ({
  id: answerId(copy, card.id),
  kind: 'card',
  card: card.id,
  x,
  y,
})
const look = (...items: Item[]) => firstLook(question, copy, [page], () => items, keys as never)

test('all right is full marks; a share of them is cut down to halves', () => {
  const all = [typed(height.id, '1/2'), typed(rise.id, '4,5 m'), laid(limpet, drop.x + 2, drop.y + 2)]
  expect(look(...all)).toEqual({ right: 3, of: 3, suggested: 300 })
  expect(look(...all.slice(0, 2))).toEqual({ right: 2, of: 3, suggested: 200 })
  expect(look()).toEqual({ right: 0, of: 3, suggested: 0 })
  expect(
    firstLook({ ...question, fullMarks: 1 }, copy, [page], () => all.slice(0, 1), keys as never),
  ).toEqual({
    right: 1,
    of: 3,
    suggested: 0,
  })
})

test('a card too many, and a wrong one, are not right', () => {
  const right = laid(limpet, drop.x + 2, drop.y + 2)
  expect(look(right, laid(goby, drop.x + 4, drop.y + 2))?.right).toBe(0)
  expect(look(laid(goby, drop.x + 4, drop.y + 2))?.right).toBe(0)
})

test('a question without a key is left to the teacher', () => {
  const bare = { ...question, areas: [{ ...question.areas[0]!, y: 400, height: 100 }] }
  expect(firstLook(bare, copy, [page], () => [], keys as never)).toBeUndefined()
  expect(firstLook(question, copy, [page], () => [], {})).toBeUndefined()
})
