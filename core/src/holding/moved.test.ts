import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import * as similarity from '../ink/similarity.ts'
import { strokePoints, strokeWidth } from '../ink/stroke.ts'
import type { Item, Thing } from '../kinds/items.ts'
import { fitThing } from '../kinds/items.ts'
import { applyAll, emptyPage, inSight, placedOn } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { invert } from '../log/invert.ts'
import { anyItem, anyMove, idOf, PAGE } from '../test/arbitrary.ts'
import { measured } from '../test/measured.ts'
import { colourOf, moved, recoloured } from './moved.ts'

/** What can be told of where an item lies, in numbers. */
function lie(item: Item): number[] {
  if (item.kind === 'stroke')
    return [strokeWidth(item), ...strokePoints(item).flatMap(({ x, y }) => [x / 1000, y / 1000])]
  if ('turn' in item) return [item.x, item.y, item.width, item.height, item.kind === 'shape' ? item.line : 0]
  return 'x' in item ? [item.x, item.y] : []
}
const turned = (item: Item) => ('turn' in item ? Math.sin((item.turn * Math.PI) / 180) : 0)

describe('moving, scaling and turning', () => {
  test('back is back, for everything that can be picked up', () => {
    fc.assert(
      fc.property(anyItem, anyMove, (item, by) => {
        const there = moved(moved(item, by), similarity.inverse(by))
        for (const [index, value] of lie(there).entries()) expect(value).toBeCloseTo(lie(item)[index]!, 2)
        expect(turned(there)).toBeCloseTo(turned(item))
        expect(there.id).toBe(item.id)
      }),
    )
  })

  test('no number of moves makes a place that is none: what cannot be seen any more stays', () => {
    const far = fc.record({
      a: fc.constantFrom(1000, -1000, 0.001, 1),
      b: fc.constantFrom(0, 1000),
      e: fc.constantFrom(0, 1e6),
      f: fc.constantFrom(0, -1e6),
    })
    fc.assert(
      fc.property(anyItem, far, (item, by) => {
        let there = item
        for (let times = 0; times < 110; times++) there = moved(there, by)
        for (const value of [...lie(there), turned(there)]) expect(Number.isFinite(value)).toBe(true)
      }),
    )
  })

  test('one event moves many, and undo brings all of them back', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(anyItem, { selector: ({ id }) => id, minLength: 1 }),
        anyMove,
        (items, by) => {
          const common = { page: PAGE, layer: 'work' as const, madeAt: 0, author: 'ana', round: 1 }
          const add: SignedEvent = { ...common, id: idOf(1), act: 'add', items }
          const move: SignedEvent = {
            ...common,
            id: idOf(2),
            act: 'move',
            items: items.map(({ id }) => id),
            by,
          }
          const undo = { ...invert(move, idOf(3), 0), author: 'ana', round: 1 }
          const there = inSight(applyAll(emptyPage, [add, move, undo]))
          expect(there.map(({ item }) => item.id)).toEqual(items.map(({ id }) => id))
          for (const [at, { item }] of there.entries())
            for (const [index, value] of lie(item).entries())
              expect(value).toBeCloseTo(lie(items[at]!)[index]!, 2)
        },
      ),
    )
  })
})

describe('colours', () => {
  test('what has a colour gets another, each its own back on undo', () => {
    fc.assert(
      fc.property(fc.uniqueArray(anyItem, { selector: ({ id }) => id, minLength: 1 }), (items) => {
        const coloured = items.filter((item) => colourOf(item) !== undefined)
        fc.pre(coloured.length > 0)
        const common = { page: PAGE, layer: 'work' as const, madeAt: 0, author: 'ana', round: 1 }
        const add: SignedEvent = { ...common, id: idOf(1), act: 'add', items }
        const change: SignedEvent = {
          ...common,
          id: idOf(2),
          act: 'recolour',
          items: coloured.map(({ id }) => id),
          to: coloured.map(() => '#a83a2e'),
          was: coloured.map((item) => colourOf(item)!),
        }
        const now = applyAll(emptyPage, [add, change])
        for (const { id } of coloured) expect(colourOf(placedOn(now, 'work', id)!.item)).toBe('#a83a2e')
        const undone = applyAll(now, [{ ...invert(change, idOf(3), 0), author: 'ana', round: 1 }])
        expect(coloured.map(({ id }) => colourOf(placedOn(undone, 'work', id)!.item))).toEqual(
          coloured.map(colourOf),
        )
      }),
    )
  })
  test('a shape filled in its own colour stays so; a voice note has none', () => {
    const shape = { kind: 'shape', colour: '#1e2b3a', fill: '#1e2b3a' } as unknown as Item
    expect(recoloured(shape, '#2457a6')).toMatchObject({ colour: '#2457a6', fill: '#2457a6' })
    const voice = { kind: 'voice', x: 1, y: 1 } as unknown as Item
    expect(recoloured(voice, '#2457a6')).toBe(voice)
  })
})

test('a turned text that gets another line keeps the corner that one sees', () => {
  const text = {
    id: idOf(1),
    kind: 'text',
    text: 'the ebb runs out under the quay',
    face: 'reading',
    size: 10,
    bold: false,
    colour: '#1e2b3a',
    align: 'left',
    list: 'none',
    x: 100,
    y: 100,
    width: 200,
    height: 13.5,
    turn: 90,
  } as Thing
  const corner = ({ x, y, width, height }: Thing) => ({
    x: x + width / 2 + height / 2,
    y: y + height / 2 - width / 2,
  })
  const longer = fitThing(
    { ...text, text: `${'the ebb runs out under the quay '.repeat(4)}` } as Thing,
    measured,
  )
  expect(longer.height).toBeGreaterThan(text.height * 1.5)
  expect(corner(longer).x).toBeCloseTo(corner(text).x)
  expect(corner(longer).y).toBeCloseTo(corner(text).y)
})
