import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import * as similarity from '../ink/similarity.ts'
import type { Item } from '../kinds/items.ts'
import { events, idOf, PAGE } from '../test/arbitrary.ts'
import { applyAll, emptyPage, type Page, placedOn } from './apply.ts'
import { bringBackTo } from './bringBack.ts'
import type { PageAct, SignedEvent } from './events.ts'

let made = 5000
const signed = (act: PageAct, author = 'ana'): SignedEvent =>
  ({ id: idOf(made++), page: PAGE, layer: 'work', madeAt: 0, author, round: 1, ...act }) as SignedEvent
const after = (page: Page, acts: readonly PageAct[], author?: string) =>
  applyAll(
    page,
    acts.map((act) => signed(act, author)),
  )
/** What can be told of an item, its place to the precision of numbers. */
const look = (item: Item) =>
  item.kind === 'stroke'
    ? {
        colour: item.colour,
        at: similarity.apply({ x: 100, y: 50 }, item.lies ?? { a: 1, b: 0, e: 0, f: 0 }),
      }
    : item

test('whatever was done since, what is somebody’s own is as it was then, and nothing is left to do', () => {
  fc.assert(
    fc.property(events, fc.nat(25), (all, count) => {
      const then = applyAll(emptyPage, all.slice(0, count))
      const now = applyAll(emptyPage, all)
      const again = after(now, bringBackTo(then, now, 'ana'))
      for (const [at, { author, layer, item, taken }] of again.placed) {
        if (author !== 'ana' || layer !== 'work') {
          expect(again.placed.get(at)).toEqual(now.placed.get(at))
          continue
        }
        const before = then.placed.get(at)
        expect(taken).toBe(!before || before.taken)
        if (before && !before.taken) {
          const [is, was] = [look(item), look(before.item)]
          if ('at' in is && 'at' in was) {
            expect(is.at.x).toBeCloseTo(was.at.x, 2)
            expect(is.at.y).toBeCloseTo(was.at.y, 2)
          } else expect(is).toEqual(was)
        }
      }
      expect(bringBackTo(then, again, 'ana')).toEqual([])
    }),
  )
})

test('what was typed over, moved and coloured since is as it was; moved together, it goes back in one', () => {
  const stroke = (number: number) =>
    ({ id: idOf(number), kind: 'stroke', nib: 'pen', colour: '#1e2b3a', width: 2, points: 'AA==' }) as Item
  const answer: Item = { id: idOf(3), kind: 'answer', place: idOf(4), value: { text: 'at ten past four' } }
  const then = after(emptyPage, [{ act: 'add', items: [stroke(1), stroke(2), answer] }])
  const now = after(then, [
    { act: 'move', items: [idOf(1), idOf(2)], by: { a: 2, b: 0, e: 10, f: 0 } },
    { act: 'recolour', items: [idOf(1)], to: ['#2457a6'], was: ['#1e2b3a'] },
    {
      act: 'change',
      item: idOf(3),
      set: { value: { text: '' } },
      was: { value: { text: 'at ten past four' } },
    },
  ])
  const acts = bringBackTo(then, now, 'ana')
  expect(acts.map(({ act }) => act)).toEqual(['move', 'recolour', 'change'])
  expect(acts[0]).toMatchObject({ items: [idOf(1), idOf(2)] })
  const again = after(now, acts)
  expect(placedOn(again, 'work', idOf(3))!.item).toEqual(answer)
  expect(look(placedOn(again, 'work', idOf(1))!.item)).toMatchObject({
    colour: '#1e2b3a',
    at: { x: 100, y: 50 },
  })
})

test('a page of one’s own that was taken out since is laid in again; another’s is not', () => {
  const ruling = { form: 'plain', colour: '#ffffff' } as const
  const set = { ruling, width: 300, height: 400, after: null, order: 0, gone: false }
  const then = after(emptyPage, [{ act: 'sheet', set, was: { gone: true } }])
  const now = after(then, [{ act: 'sheet', set: { gone: true }, was: { gone: false } }])
  const acts = bringBackTo(then, now, 'ana')
  expect(after(now, acts).sheet).toEqual(then.sheet)
  expect(bringBackTo(then, now, 'ben')).toEqual([])
  expect(bringBackTo(then, then, 'ana')).toEqual([])
})
