import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { idOf } from '../test/arbitrary.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { applyAll, emptyPage, type Page } from './apply.ts'
import { bringBackTo } from './bringBack.ts'
import type { KeptEvent, PageSet, SignedEvent } from './events.ts'
import { invert } from './invert.ts'
import { pagesNow, placeAfter } from './pagesNow.ts'
import { inOrder, pagesAt } from './past.ts'

const printed: WorksheetPage[] = [1, 2, 3].map((number) => ({
  id: idOf(number),
  width: 595,
  height: 842,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed: [],
}))
const RULING = { form: 'plain', colour: '#9fb4c7' } as const
let made = 0
const sheet = (page: string, set: PageSet, was: PageSet = { gone: true }, author = 'ana'): SignedEvent => ({
  id: idOf(10_000 + ++made),
  page,
  layer: 'work',
  madeAt: 0,
  author,
  round: 1,
  act: 'sheet',
  set,
  was,
})
const after = (log: ReadonlyMap<string, Page>, event: SignedEvent) =>
  new Map(log).set(event.page, applyAll(log.get(event.page) ?? emptyPage, [event]))
const ids = (log: ReadonlyMap<string, Page>) => pagesNow(printed, log).map(({ id }) => id)
const lay = (log: ReadonlyMap<string, Page>, id: string, behind: string | undefined) => {
  const place = placeAfter(pagesNow(printed, log), log, behind)
  return after(log, sheet(id, { ...place, width: 595, height: 842, ruling: RULING, gone: false }))
}

describe('pages laid in', () => {
  test('each stands right after the page that it was laid behind, whatever was laid in before', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(), { maxLength: 12 }), (picks) => {
        let log: ReadonlyMap<string, Page> = new Map()
        let order = ids(log)
        for (const [index, pick] of picks.entries()) {
          const at = pick % (order.length + 1)
          const id = idOf(100 + index)
          log = lay(log, id, order[at - 1])
          order = [...order.slice(0, at), id, ...order.slice(at)]
          expect(ids(log)).toEqual(order)
        }
      }),
    )
  })

  test('taken out, laid back in and moved, all to be undone', () => {
    let log: ReadonlyMap<string, Page> = lay(new Map(), idOf(100), idOf(1))
    const out = sheet(idOf(100), { gone: true }, { gone: false })
    log = after(log, out)
    expect(ids(log)).toEqual([1, 2, 3].map(idOf))
    log = after(log, { ...invert(out, idOf(900), 0), author: 'ana', round: 1 })
    expect(ids(log)).toEqual([1, 100, 2, 3].map(idOf))
    log = after(log, sheet(idOf(100), { after: idOf(3), order: 0 }))
    expect(ids(log)).toEqual([1, 2, 3, 100].map(idOf))
  })

  test('is its author’s: nobody else takes it out', () => {
    const log = lay(new Map(), idOf(100), idOf(1))
    expect(ids(after(log, sheet(idOf(100), { gone: true }, {}, 'ben')))).toHaveLength(4)
  })

  test('after a page that is not there any more it stands at the end', () => {
    const log = lay(new Map(), idOf(100), idOf(1))
    expect(pagesNow(printed.slice(1), log).map(({ id }) => id)).toEqual([2, 3, 100].map(idOf))
  })
})

describe('more room', () => {
  test('a printed page grows and never gets smaller than it was; one nobody touched stays the same object', () => {
    const log = after(new Map(), sheet(idOf(1), { height: 1200, width: 100 }))
    const [first, second] = pagesNow(printed, log)
    expect(first).toMatchObject({ width: 595, height: 1200 })
    expect(second).toBe(printed[1])
  })
})

test('the past: pages as they were, and what brings them back', () => {
  const kept = (seq: number, rest: object): KeptEvent =>
    ({
      id: idOf(500 + seq),
      page: idOf(1),
      layer: 'work',
      madeAt: 0,
      author: 'ana',
      round: 1,
      seq,
      keptAt: seq * 1000,
      ...rest,
    }) as KeptEvent
  const voice = (number: number) => ({
    id: idOf(number),
    kind: 'voice',
    x: 1,
    y: 1,
    recording: idOf(50),
    seconds: 2,
  })
  const log = inOrder([
    kept(3, { act: 'add', items: [voice(8)] }),
    kept(1, { act: 'add', items: [voice(7)] }),
    kept(2, { act: 'take', items: [idOf(7)] }),
  ])
  const then = pagesAt(log, 1).get(idOf(1))!
  const now = pagesAt(log, 3).get(idOf(1))!
  expect(bringBackTo(then, now, 'ana')).toEqual([
    { act: 'swap', take: [idOf(8)], bring: [idOf(7)], items: [] },
  ])
  expect(bringBackTo(then, now, 'ben')).toEqual([])
})
