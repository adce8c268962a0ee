import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { madeId } from '../ink/stroke.ts'
import type { Item } from '../kinds/items.ts'
import type { Printed } from '../kinds/printed.ts'
import { apply, emptyPage, inSight } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { invert } from '../log/invert.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { answerId, cardsInPlace, cardsOn, dropPlaceUnder, settle } from './answers.ts'

const copy = crypto.randomUUID()
const uuid = fc.uuid()

test('the id of an answer is an id, the same on every device, and no other place’s', () => {
  fc.assert(
    fc.property(uuid, uuid, uuid, (of, a, b) => {
      expect(madeId.safeParse(answerId(of, a)).success).toBe(true)
      expect(answerId(of, a)).toBe(answerId(of, a))
      if (a !== b) expect(answerId(of, a) === answerId(of, b)).toBe(false)
    }),
  )
})

const event = (act: object, author = 'Teodor'): SignedEvent =>
  ({ id: crypto.randomUUID(), page: 'p', layer: 'work', madeAt: 0, author, round: 1, ...act }) as SignedEvent
const answer = (place: string, text: string): Item => ({
  id: answerId(copy, place),
  kind: 'answer',
  place,
  value: { text },
})

describe('an answer in the log', () => {
  const place = crypto.randomUUID()
  const texts = (...events: SignedEvent[]) =>
    inSight(events.reduce(apply, emptyPage)).map(({ item }) => item.kind === 'answer' && item.value)

  test('begun on two devices is one answer, the latest', () => {
    const first = event({ act: 'add', items: [answer(place, 'ebb')] })
    const second = event({ act: 'add', items: [answer(place, 'flow')] })
    expect(texts(first, second)).toEqual([{ text: 'flow' }])
    expect(texts(second, first, second)).toEqual([{ text: 'ebb' }])
  })
  test('that was taken back and is given again is there', () => {
    const add = event({ act: 'add', items: [answer(place, 'ebb')] })
    const take = event({ act: 'take', items: [answerId(copy, place)] })
    expect(texts(add, take)).toEqual([])
    expect(texts(add, take, event({ act: 'add', items: [answer(place, 'flow')] }))).toEqual([
      { text: 'flow' },
    ])
  })
  test('is everybody’s who shares the copy: the latest counts', () => {
    const add = event({ act: 'add', items: [answer(place, 'ebb')] })
    const theirs = event(
      { act: 'change', item: answerId(copy, place), set: { value: { text: 'x' } }, was: {} },
      'Rafi',
    )
    expect(texts(add, theirs)).toEqual([{ text: 'x' }])
  })
  test('changed and undone is as it was', () => {
    const add = event({ act: 'add', items: [answer(place, 'ebb')] })
    const change = event({
      act: 'change',
      item: answerId(copy, place),
      set: { value: { text: 'flow' } },
      was: { value: { text: 'ebb' } },
    })
    const back = { ...invert(change, crypto.randomUUID(), 1), author: 'Teodor', round: 1 }
    expect(texts(add, change)).toEqual([{ text: 'flow' }])
    expect(texts(add, change, back)).toEqual([{ text: 'ebb' }])
  })
})

const card = (x: number, stack = false): Printed<'card'> => ({
  id: crypto.randomUUID(),
  kind: 'card',
  x,
  y: 10,
  width: 60,
  height: 20,
  face: { kind: 'text', text: 'crab', size: 12 },
  tint: '#f7f5ef',
  stack,
})
const drop: Printed<'drop'> = {
  id: crypto.randomUUID(),
  kind: 'drop',
  x: 300,
  y: 200,
  width: 100,
  height: 50,
  label: '',
}
const single = card(10)
const stack = card(100, true)
const page: WorksheetPage = {
  id: crypto.randomUUID(),
  width: 600,
  height: 800,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
  printed: [single, stack, drop],
}

describe('cards', () => {
  test('lie where they were printed until they are moved; a stack gives as many as are taken', () => {
    expect(cardsOn(page, [], copy).map(({ box }) => box.x)).toEqual([10])
    const moved: Item = { id: answerId(copy, single.id), kind: 'card', card: single.id, x: 310, y: 210 }
    const taken: Item[] = [1, 2, 3].map((x) => ({
      id: crypto.randomUUID(),
      kind: 'card',
      card: stack.id,
      x,
      y: 5,
    }))
    const cards = cardsOn(page, [moved, ...taken], copy)
    expect(cards.map(({ box }) => box.x)).toEqual([310, 1, 2, 3])
    expect(cardsInPlace(page, drop.id, cards)).toEqual([single.id])
  })
  test('never leave the page, and of a card that is not printed nothing is shown', () => {
    fc.assert(
      fc.property(fc.integer({ min: -9000, max: 9000 }), fc.integer({ min: -9000, max: 9000 }), (x, y) => {
        const items: Item[] = [
          { id: answerId(copy, single.id), kind: 'card', card: single.id, x, y },
          { id: crypto.randomUUID(), kind: 'card', card: crypto.randomUUID(), x, y },
        ]
        const [only, ...others] = cardsOn(page, items, copy)
        expect(others).toEqual([])
        expect(only!.box.x).toBeGreaterThanOrEqual(0)
        expect(only!.box.x + 60).toBeLessThanOrEqual(600)
        expect(only!.box.y + 20).toBeLessThanOrEqual(800)
      }),
    )
  })
  test('let go over a drop place come to lie wholly in it, elsewhere just there', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 540 }), fc.integer({ min: 0, max: 780 }), (x, y) => {
        const box = { x, y, width: 60, height: 20 }
        const to = settle(page, box)
        const place = dropPlaceUnder(page, box)
        if (!place) expect(to).toEqual({ x, y })
        else {
          expect(to.x).toBeGreaterThanOrEqual(300)
          expect(to.x + 60).toBeLessThanOrEqual(400)
          expect(to.y).toBeGreaterThanOrEqual(200)
          expect(to.y + 20).toBeLessThanOrEqual(250)
        }
        expect(settle(page, { ...box, ...to })).toEqual(to)
      }),
    )
  })
})
