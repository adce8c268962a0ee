import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { loopOf } from '../ink/loop.ts'
import { packPoints } from '../ink/pack.ts'
import type { Stroke } from '../ink/stroke.ts'
import type { Item, Thing } from '../kinds/items.ts'
import { anyItem, anyMove, idOf } from '../test/arbitrary.ts'
import { moved } from './moved.ts'
import { boundsAround, boundsOfItem, canBePicked, itemUnder, pickedBy } from './pick.ts'

const stroke = (number: number, ...points: [number, number][]): Stroke => ({
  id: idOf(number),
  kind: 'stroke',
  nib: 'pen',
  colour: '#1e2b3a',
  width: 2,
  points: toBase64(packPoints(points.map(([x, y], index) => ({ x, y, pressure: 0.5, time: index })))),
})
const shape = (number: number, rest: object): Thing =>
  ({
    id: idOf(number),
    kind: 'shape',
    form: 'rectangle',
    colour: '#1e2b3a',
    line: 2,
    fill: null,
    dashed: false,
    rising: false,
    heads: 'none',
    turn: 0,
    ...rest,
  }) as Thing
const square = (x: number, y: number, side: number) =>
  loopOf([
    { x, y },
    { x: x + side, y },
    { x: x + side, y: y + side },
    { x, y: y + side },
  ])

describe('picking up', () => {
  test('a loop takes ink and things that lie in it, wherever all of it is moved to', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(anyItem, { selector: ({ id }) => id, maxLength: 6 }),
        anyMove,
        (items, by) => {
          const around = square(-30_000, -30_000, 80_000)
          const wanted = items.filter((item) => canBePicked(item) && !isEmptyInk(item)).map(({ id }) => id)
          expect(pickedBy(items, around).map(({ id }) => id)).toEqual(wanted)
          const farther = square(-900_000, -900_000, 1_800_000)
          expect(
            pickedBy(
              items.map((item) => moved(item, by)),
              farther,
            ).map(({ id }) => id),
          ).toEqual(wanted)
          expect(pickedBy(items, square(900_000, 900_000, 10))).toEqual([])
        },
      ),
    )
  })

  test('a tap takes what lies uppermost; ink lies over things', () => {
    const [line, box] = [stroke(1, [10, 10], [90, 10]), shape(2, { x: 0, y: 0, width: 100, height: 60 })]
    const items: Item[] = [line, box, stroke(3, [10, 12], [90, 12])]
    expect(itemUnder(items, { x: 50, y: 11 }, 3)?.id).toBe(idOf(3))
    expect(itemUnder(items, { x: 50, y: 40 }, 3)?.id).toBe(idOf(2))
    expect(itemUnder(items, { x: 200, y: 40 }, 3)).toBeUndefined()
  })

  test('a turned thing is taken where it is seen, a line only along itself', () => {
    const turned = shape(1, { x: 0, y: 40, width: 100, height: 20, turn: 90 })
    expect(itemUnder([turned], { x: 50, y: 95 }, 1)).toBe(turned)
    expect(itemUnder([turned], { x: 95, y: 50 }, 1)).toBeUndefined()
    expect(boundsOfItem(turned).x0).toBeCloseTo(39)
    expect(boundsOfItem(turned).x1).toBeCloseTo(61)
    const line = shape(2, { form: 'line', x: 0, y: 0, width: 100, height: 100, rising: true })
    expect(itemUnder([line], { x: 20, y: 80 }, 2)).toBe(line)
    expect(itemUnder([line], { x: 20, y: 20 }, 2)).toBeUndefined()
  })

  test('the rectangle around several holds each; there is none around none', () => {
    const items = [stroke(1, [10, 10], [20, 30]), shape(2, { x: 50, y: 5, width: 10, height: 10 })]
    expect(boundsAround(items)).toEqual({ x0: 9, y0: 4, x1: 61, y1: 31 })
    expect(boundsAround([])).toBeUndefined()
  })
})

const isEmptyInk = (item: Item) =>
  item.kind === 'stroke' && boundsOfItem(item).x1 === 0 && boundsOfItem(item).y1 === 0
