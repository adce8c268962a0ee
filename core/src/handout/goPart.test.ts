import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import * as similarity from '../ink/similarity.ts'
import type { Item } from '../kinds/items.ts'
import type { PageEvent } from '../log/events.ts'
import { goPartOf, isOpenAt, staysIn } from './goPart.ts'
import { sayGoFor } from './sayGoFor.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const [PAGE, NEXT] = [idOf(1), idOf(2)]
const questions = [
  { id: idOf(10), areas: [{ page: PAGE, x: 60, y: 100, width: 300, height: 80 }] },
  { id: idOf(11), areas: [{ page: PAGE, x: 60, y: 300, width: 300, height: 80 }] },
]
const part = goPartOf([idOf(10)], questions)!
const stroke = (id: number, x: number, y: number, toY = y): Item =>
  ({
    id: idOf(id),
    kind: 'stroke',
    nib: 'pen',
    colour: '#1e2b3a',
    width: 2,
    points: toBase64(
      packPoints([
        { x, y, pressure: 0.5, time: 0 },
        { x: x + 5, y: toY, pressure: 0.5, time: 9 },
      ] as never),
    ),
  }) as unknown as Item
const printed = new Map([
  [idOf(50), { x: 70, y: 120, width: 100, height: 20 }],
  [idOf(51), { x: 70, y: 320, width: 100, height: 20 }],
])
const answer = (id: number, place: number): Item =>
  ({ id: idOf(id), kind: 'answer', place: idOf(place), value: { text: '3' } }) as Item
const laid = new Map<string, Item>()
const there = { itemOf: (id: string) => laid.get(id), boxOf: (id: string) => printed.get(id) }
const stays = (act: object, page = PAGE) =>
  staysIn(part, { id: idOf(1), page, layer: 'work', madeAt: 0, ...act } as PageEvent, there)

describe('a go for chosen questions', () => {
  test('is for everything where none of them is on the copy, or none was chosen', () => {
    expect(goPartOf(null, questions)).toBeUndefined()
    expect(goPartOf([idOf(99)], questions)).toBeUndefined()
    expect(part.areasOn(NEXT)).toEqual([])
  })

  test('takes ink that begins in their areas, wherever it goes, and answers whose place is there', () => {
    expect(stays({ act: 'add', items: [stroke(20, 100, 150, 900)] })).toBe(true)
    expect(stays({ act: 'add', items: [stroke(20, 100, 320)] })).toBe(false)
    expect(stays({ act: 'add', items: [stroke(20, 100, 150)] }, NEXT)).toBe(false)
    expect(stays({ act: 'add', items: [answer(21, 50)] })).toBe(true)
    expect(stays({ act: 'add', items: [answer(21, 51)] })).toBe(false)
    expect(stays({ act: 'add', items: [stroke(20, 100, 150), stroke(22, 100, 320)] })).toBe(false)
  })

  test('takes a voice note that lies in their areas', () => {
    const voice = (y: number) =>
      ({ id: idOf(23), kind: 'voice', x: 80, y, recording: idOf(24), seconds: 3 }) as Item
    expect(stays({ act: 'add', items: [voice(120)] })).toBe(true)
    expect(stays({ act: 'add', items: [voice(320)] })).toBe(false)
  })

  test('leaves alone what lies elsewhere, and lets nothing be moved out or in', () => {
    laid.set(idOf(30), stroke(30, 100, 150))
    laid.set(idOf(31), stroke(31, 100, 320))
    for (const act of ['take', 'bring', 'recolour']) {
      expect(stays({ act, items: [idOf(30)] })).toBe(true)
      expect(stays({ act, items: [idOf(30), idOf(31)] })).toBe(false)
    }
    const down = similarity.translation(0, 170)
    expect(stays({ act: 'move', items: [idOf(30)], by: down })).toBe(false)
    expect(stays({ act: 'move', items: [idOf(31)], by: similarity.translation(0, -170) })).toBe(false)
    expect(stays({ act: 'move', items: [idOf(30)], by: similarity.translation(0, 10) })).toBe(true)
    const pieces = [stroke(32, 100, 700)]
    expect(stays({ act: 'swap', take: [idOf(30)], bring: [], items: pieces })).toBe(true)
    expect(stays({ act: 'swap', take: [idOf(31)], bring: [], items: pieces })).toBe(false)
    expect(stays({ act: 'swap', take: [], bring: [], items: pieces })).toBe(false)
    expect(stays({ act: 'sheet', set: { height: 900 }, was: {} })).toBe(false)
  })

  test('an undone act stays where the act did', () => {
    const inside = fc.record({ x: fc.integer({ min: 60, max: 360 }), y: fc.integer({ min: 100, max: 180 }) })
    const anywhere = fc.record({ x: fc.integer({ min: 0, max: 595 }), y: fc.integer({ min: 0, max: 842 }) })
    fc.assert(
      fc.property(fc.oneof(inside, anywhere), ({ x, y }) => {
        const item = stroke(40, x, y)
        laid.set(item.id, item)
        const made = stays({ act: 'add', items: [item] })
        expect(stays({ act: 'take', items: [item.id] })).toBe(made)
        expect(made).toBe(isOpenAt(part, PAGE, { x, y }))
      }),
    )
  })

  test('is said in words', () => {
    const labelled = ['1', '2a', '3'].map((label, index) => ({ id: idOf(10 + index), label }))
    expect(sayGoFor(null, labelled)).toBe('')
    expect(sayGoFor([idOf(99)], labelled)).toBe('')
    expect(sayGoFor([idOf(11)], labelled)).toBe('question 2a')
    expect(sayGoFor([idOf(12), idOf(10), idOf(11)], labelled)).toBe('questions 1, 2a and 3')
  })
})
