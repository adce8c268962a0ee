import type { Similarity } from '../ink/similarity.ts'
import * as similarity from '../ink/similarity.ts'
import type { Stroke } from '../ink/stroke.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'
import type { Page } from './apply.ts'
import type { ItemChange, PageAct } from './events.ts'

interface Both {
  readonly was: Item
  readonly is: Item
}

interface Ink extends Both {
  readonly was: Stroke
  readonly is: Stroke
}

/**
 * What brings a page of somebody’s back to how it was, as far as it is theirs, in the order in which it is
 * to be done: what they took away since comes back, what they put there since is taken away, what was
 * moved, coloured, typed or drawn anew is as it was; a page of theirs that was taken out is there again.
 * Nothing when that would change nothing.
 */
export function bringBackTo(then: Page, now: Page, person: string): PageAct[] {
  const take: string[] = []
  const bring: string[] = []
  const both: Both[] = []
  for (const [at, { item, author, layer, taken }] of now.placed) {
    if (author !== person || layer !== 'work') continue
    const { id } = item
    const before = then.placed.get(at)
    if (!before || before.taken) {
      if (!taken) take.push(id)
      continue
    }
    if (taken) bring.push(id)
    both.push({ was: before.item, is: item })
  }
  const swap: PageAct[] = take.length + bring.length > 0 ? [{ act: 'swap', take, bring, items: [] }] : []
  const ink = both.filter((each): each is Ink => each.was.kind === 'stroke')
  return [
    ...sheetBack(then, now, person),
    ...swap,
    ...movesBack(ink),
    ...coloursBack(ink),
    ...changesBack(both),
  ]
}

function sheetBack({ sheet: then }: Page, { sheet: now }: Page, person: string): PageAct[] {
  const goneSince = then?.ruling && !then.gone && now?.gone && now.author === person
  return goneSince ? [{ act: 'sheet', set: { gone: false }, was: { gone: true } }] : []
}

/** Strokes that were moved together go back together. */
function movesBack(ink: readonly Ink[]): PageAct[] {
  const ways = new Map<string, { by: Similarity; items: string[] }>()
  for (const { was, is } of ink) {
    const by = similarity.compose(
      similarity.inverse(is.lies ?? similarity.identity),
      was.lies ?? similarity.identity,
    )
    if (isStill(by)) continue
    const key = [by.a, by.b, by.e, by.f].map((part) => part.toFixed(5)).join(' ')
    const way = ways.get(key) ?? { by, items: [] }
    ways.set(key, way)
    way.items.push(is.id)
  }
  return [...ways.values()].map(({ by, items }) => ({ act: 'move', items, by }))
}

/** Nearer than this is the same: moves are told with the precision of numbers. */
const SAME = 1e-5
const isStill = ({ a, b, e, f }: Similarity): boolean =>
  Math.max(Math.abs(a - 1), Math.abs(b), Math.abs(e), Math.abs(f)) < SAME

function coloursBack(ink: readonly Ink[]): PageAct[] {
  const other = ink.filter(({ was, is }) => was.colour !== is.colour)
  if (other.length === 0) return []
  return [
    {
      act: 'recolour',
      items: other.map(({ is }) => is.id),
      to: other.map(({ was }) => was.colour),
      was: other.map(({ is }) => is.colour),
    },
  ]
}

function changesBack(both: readonly Both[]): PageAct[] {
  return both.flatMap((each): PageAct[] => {
    // Ink is moved and coloured instead.
    const [set, was] = [each.was, each.is].map((item) => kindOfItem(item).asChange?.(item) as ItemChange)
    if (!set || !was || JSON.stringify(set) === JSON.stringify(was)) return []
    return [{ act: 'change', item: each.is.id, set, was }]
  })
}
