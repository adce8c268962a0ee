import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { events, idOf, PAGE } from '../test/arbitrary.ts'
import { applyAll, emptyPage, inSight, type Page } from './apply.ts'
import type { PageAct, SignedEvent } from './events.ts'
import { type Exchange, missedOf, piecesOf } from './missed.ts'

let made = 7000
const by = (author: string, act: PageAct, free = false): SignedEvent =>
  ({ id: idOf(made++), page: PAGE, layer: 'work', madeAt: 0, author, round: 1, ...act, free }) as SignedEvent
/** A stroke along y = 100 from x to x. */
const stroke = (number: number, from: number, to: number, colour = '#1e2b3a') => ({
  id: idOf(number),
  kind: 'stroke' as const,
  nib: 'pen' as const,
  colour,
  width: 2,
  points: toBase64(
    packPoints([from, to].map((x, index) => ({ x, y: 100, pressure: 0.5, time: index * 10 }))),
  ),
})
const exchangesOf = (all: readonly SignedEvent[]) =>
  all.flatMap((event): Exchange[] =>
    event.act === 'swap' && event.layer === 'work'
      ? [{ take: event.take, items: event.items.map(({ id }) => id) }]
      : [],
  )
const ids = (page: Page) => inSight(page).map(({ item }) => item.id)

const drawn = by('ben', { act: 'add', items: [stroke(1, 0, 100)] })
/** Ana rubs out the middle of what Ben drew, and then one half more. */
const rubbed = [
  drawn,
  by('ana', { act: 'swap', take: [idOf(1)], bring: [], items: [stroke(2, 0, 40), stroke(3, 60, 100)] }, true),
  by('ana', { act: 'swap', take: [idOf(3)], bring: [], items: [stroke(4, 80, 100)] }, true),
]

test('what was rubbed out in part comes back whole, in exchange for all pieces that are left of it', () => {
  const page = applyAll(emptyPage, rubbed)
  expect(ids(page)).toEqual([idOf(2), idOf(4)])
  const missed = missedOf(page, 'ben')
  expect(missed).toEqual({ bring: [idOf(1)], take: [idOf(2), idOf(4)] })
  expect(missedOf(page, 'ana').bring).toEqual([])
  const whole = applyAll(page, [by('marit', { act: 'swap', ...missed, items: [] }, true)])
  expect(ids(whole)).toEqual([idOf(1)])
  expect(missedOf(whole, 'ben').bring).toEqual([])
})

test('what may be taken in exchange is what can be a piece of it, and no more', () => {
  const exchanges = exchangesOf(rubbed)
  expect([...piecesOf([idOf(1)], exchanges)]).toEqual([idOf(2), idOf(3), idOf(4)])
  expect([...piecesOf([idOf(3)], exchanges)]).toEqual([idOf(4)])
  expect([...piecesOf([idOf(9)], exchanges)]).toEqual([])
  // Whatever was done: what is missed brings nothing along but pieces.
  fc.assert(
    fc.property(events, fc.constantFrom('ana', 'ben'), (all, author) => {
      const { bring, take } = missedOf(applyAll(emptyPage, all), author)
      const pieces = piecesOf(bring, exchangesOf(all))
      for (const id of take) expect(pieces).toContain(id)
    }),
  )
})

test('pieces belong to whoever drew the stroke; other ink laid in its place does not pass for theirs', () => {
  const page = applyAll(emptyPage, rubbed)
  for (const { author } of inSight(page)) expect(author).toBe('ben')
  const forged = [stroke(5, 0, 400), stroke(6, 10, 20, '#2457a6')]
  const tried = applyAll(emptyPage, [
    drawn,
    by('ana', { act: 'swap', take: [idOf(1)], bring: [], items: forged }, true),
  ])
  for (const { author } of inSight(tried)) expect(author).toBe('ana')
  // Where nothing of others may be touched, their stroke stays, and nothing becomes theirs.
  const closed = applyAll(emptyPage, [
    drawn,
    by('ana', { act: 'swap', take: [idOf(1)], bring: [], items: [stroke(7, 0, 40)] }),
  ])
  expect(inSight(closed).map(({ author }) => author)).toEqual(['ben', 'ana'])
})
