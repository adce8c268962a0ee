import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { moved } from '../holding/moved.ts'
import { boundsOfItem, canBePicked } from '../holding/pick.ts'
import { type Handle, handlePlace, handlesOf, resizeItem } from '../holding/resize.ts'
import { styled, styleOf } from '../holding/style.ts'
import * as similarity from '../ink/similarity.ts'
import { applyAll, emptyPage, inSight } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { invert } from '../log/invert.ts'
import { anyMove, idOf, PAGE } from '../test/arbitrary.ts'
import { fromSchema } from '../test/fromSchema.ts'
import { measured } from '../test/measured.ts'
import { middle } from '../worksheet/box.ts'
import { drawnItem, ITEM_KINDS, type Item, item, kindOfItem, THING_KINDS } from './items.ts'
import {
  blankItem,
  canTurn,
  drawnPrinted,
  filesOf,
  fitHeight,
  layItem,
  PRINTED_KINDS,
  type PrintedItem,
  type PrintedKind,
  printedItem,
  sentItem,
  spokenOf,
  wordsOf,
} from './printed.ts'
import { seenBox } from './turned.ts'

// Laws of every kind there is: a new one is held to them by standing in its table.

const printedKinds = Object.keys(PRINTED_KINDS) as PrintedKind[]
const itemKinds = Object.keys(ITEM_KINDS) as (keyof typeof ITEM_KINDS)[]
const newId = () => crypto.randomUUID()
const box = { x: 40, y: 60, width: 160, height: 90 }
const anyPrinted = (kind: PrintedKind) =>
  fromSchema<PrintedItem>(PRINTED_KINDS[kind].schema as never).map(sane)

/** Pages are not kilometres long: what is drawn for each point would take long. */
function sane(made: PrintedItem): PrintedItem {
  const side = (length: number) => 1 + (length % 500)
  const turn = 'turn' in made && made.turn ? { turn: made.turn % 360 } : {}
  return { ...made, width: side(made.width), height: side(made.height), ...turn }
}

const degrees = fc.double({ min: -180, max: 180, noNaN: true })

/** The handle across, and whether dragging this one keeps the thing's shape. */
function across(item: PrintedItem, handle: Handle): { handle: Handle; inShape: boolean } {
  const others: Record<string, string> = { n: 's', s: 'n', e: 'w', w: 'e' }
  const opposite = handle.length > 2 ? handle : [...handle].map((side) => others[side]).join('')
  return {
    handle: (handle === 'start' ? 'end' : handle === 'end' ? 'start' : opposite) as Handle,
    inShape: handle.length === 2 && PRINTED_KINDS[item.kind].reshapes !== 'freely',
  }
}

/** Whether two lie in the same place at the same size, to a thousandth of a point. */
const alike = (a: PrintedItem, b: PrintedItem) =>
  (['x', 'y', 'width', 'height'] as const).every((side) => Math.abs(a[side] - b[side]) < 0.001)

describe.each(printedKinds)('printed: %s', (kind) => {
  test('begins as something that school takes, and is seen', () => {
    const blank = blankItem(kind, box, newId)
    expect(printedItem.safeParse(blank).error).toBeUndefined()
    expect(blank).toMatchObject(box)
    expect(Array.isArray(drawnPrinted(blank, measured))).toBe(true)
  })

  test('draws the same for the same, whatever it holds, and says only what it holds', () => {
    fc.assert(
      fc.property(anyPrinted(kind), (made) => {
        expect(drawnPrinted(made, measured)).toEqual(drawnPrinted(made, measured))
        expect(spokenOf(made, undefined).every((words) => typeof words === 'string')).toBe(true)
        expect(typeof wordsOf(made)).toBe('string')
      }),
      { numRuns: 30 },
    )
  })

  test('fitted twice is fitted once; laid elsewhere and back is where it was', () => {
    fc.assert(
      fc.property(
        anyPrinted(kind),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        degrees,
        (made, factor, by) => {
          const fitted = fitHeight(made, measured)
          expect(alike(fitHeight(fitted, measured), fitted)).toBe(true)
          const move = similarity.about({ x: 90, y: 30 }, factor, by)
          const laid = layItem(made, move)
          expect(alike(layItem(laid, similarity.inverse(move)), made)).toBe(true)
          expect(canTurn(made) || !('turn' in laid)).toBe(true)
        },
      ),
      { numRuns: 30 },
    )
  })

  test('turned, it is seen around the same middle, and a dragged handle goes where it is dragged', () => {
    const blank = blankItem(kind, box, newId)
    const quarter = layItem(blank, similarity.about(middle(blank), 1, 90))
    const seen = seenBox(quarter)
    expect(middle(seen).x).toBeCloseTo(middle(blank).x)
    expect(middle(seen).y).toBeCloseTo(middle(blank).y)
    expect(seen.width).toBeCloseTo(canTurn(blank) ? blank.height : blank.width)
    if (!canTurn(blank)) return
    const askew = layItem(blank, similarity.about(middle(blank), 1, 33))
    for (const handle of handlesOf(askew).filter((each) => !across(askew, each).inShape)) {
      const was = handlePlace(askew, handle)
      const wasAcross = handlePlace(askew, across(askew, handle).handle)
      const now = resizeItem(askew, handle, 12, 9)
      const stays = handlePlace(now, across(askew, handle).handle)
      expect(stays.x).toBeCloseTo(wasAcross.x)
      expect(stays.y).toBeCloseTo(wasAcross.y)
      if (handle.length !== 2) continue
      const is = handlePlace(now, handle)
      expect(is.x - was.x).toBeCloseTo(12)
      expect(is.y - was.y).toBeCloseTo(9)
    }
  })

  test('every handle that it offers changes it, and the side across stays', () => {
    const blank = blankItem(kind, box, newId)
    for (const handle of handlesOf(blank)) {
      const larger = resizeItem(
        blank,
        handle,
        handle.includes('w') ? -20 : 20,
        handle.includes('n') ? -20 : 20,
      )
      expect(larger).not.toEqual(blank)
      if (handle.includes('e')) expect(larger.x).toBeCloseTo(blank.x)
      if (handle.includes('w')) expect(larger.x + larger.width).toBeCloseTo(blank.x + blank.width)
    }
  })

  test('in another style it has what it can have of it, is still one of its kind, and back again it is as before', () => {
    const style = { colour: '#b3413f', letters: 23, line: 3 }
    fc.assert(
      fc.property(anyPrinted(kind), (made) => {
        const now = styled(made, style)
        expect(printedItem.parse(now)).toEqual(now)
        const has = styleOf(made)
        for (const part of ['colour', 'letters', 'line'] as const)
          expect(styleOf(now)[part]).toBe(has[part] === undefined ? undefined : style[part])
        expect(styleOf(styled(now, has))).toEqual(has)
        expect(styled(made, {})).toEqual(made)
      }),
      { numRuns: 30 },
    )
  })

  test('sent, it names no file of the teacher’s', () => {
    fc.assert(
      fc.property(anyPrinted(kind), (made) => {
        const own = filesOf([made])
        const sent = sentItem(made, () => 'f'.repeat(64))
        for (const file of own) if (file !== 'f'.repeat(64)) expect(JSON.stringify(sent)).not.toContain(file)
        expect(sent.id).toBe(made.id)
      }),
      { numRuns: 30 },
    )
  })
})

const anyOfKind = (kind: keyof typeof ITEM_KINDS) =>
  fromSchema<Item>(ITEM_KINDS[kind].schema as never).map(
    (made) =>
      // Nobody turns a thing a thousand times, or writes letters as high as a house.
      ({
        ...made,
        ...('turn' in made ? { turn: made.turn % 360 } : {}),
        ...('size' in made ? { size: made.size % 300 } : {}),
      }) as Item,
  )
const events = (made: Item, act: object): SignedEvent[] =>
  [{ act: 'add', items: [made] }, act].map(
    (each, index) =>
      ({
        id: idOf(index + 1),
        page: PAGE,
        layer: 'work',
        madeAt: 0,
        author: 'ana',
        round: 1,
        ...each,
      }) as SignedEvent,
  )
const seen = (all: readonly SignedEvent[]) => inSight(applyAll(emptyPage, all)).map(({ item }) => item)

describe.each(itemKinds)('on a copy: %s', (kind) => {
  test('is put down and taken away, and that is undone', () => {
    fc.assert(
      fc.property(anyOfKind(kind), (made) => {
        expect(item.safeParse(made).error).toBeUndefined()
        const all = events(made, { act: 'take', items: [made.id] })
        expect(seen(all)).toEqual([])
        expect(seen([...all, { ...all[0]!, ...invert(all[1]!, idOf(9), 1) } as SignedEvent])).toEqual([made])
      }),
      { numRuns: 25 },
    )
  })

  test('moved and back, it lies where it lay', () => {
    fc.assert(
      fc.property(anyOfKind(kind).filter(isNear), fc.integer({ min: -90, max: 90 }), (made, by) => {
        const back = moved(moved(made, similarity.translation(by, -by)), similarity.translation(-by, by))
        const [was, is] = [boundsOfItem(made), boundsOfItem(back)]
        for (const side of ['x0', 'y0', 'x1', 'y1'] as const) expect(is[side]).toBeCloseTo(was[side], 3)
      }),
      { numRuns: 25 },
    )
  })

  test('however it is laid, it is still something that school takes', () => {
    fc.assert(
      fc.property(anyOfKind(kind).filter(isNear), anyMove, (made, by) => {
        if (canBePicked(made)) expect(item.safeParse(moved(made, by)).error).toBeUndefined()
        expect(moved(made, by).id).toBe(made.id)
      }),
      { numRuns: 25 },
    )
  })

  test('what changes it can be told, and makes it so', () => {
    fc.assert(
      fc.property(anyOfKind(kind), anyOfKind(kind), (made, other) => {
        const { asChange, changed } = kindOfItem(made)
        if (!asChange) return
        // A mark for a question becomes none for a criterion.
        if (hasLevel(made) !== hasLevel(other)) return
        const now = changed!({ ...made }, asChange(other))
        expect(kindOfItem(now).schema.safeParse(now).success).toBe(true)
        expect(changed!(now, asChange(now))).toEqual(now)
        // No more than full marks are given, whatever is told.
        const isTooMuch = made.kind === 'mark' && asChange(other).given! > made.full
        if (!isTooMuch) expect(kindOfItem(now).asChange!(now)).toEqual(withId(asChange(other), made.id))
      }),
      { numRuns: 25 },
    )
  })
})

/** Far away, a point is finer than numbers are. */
const isNear = (made: Item): boolean => {
  const { x0, y0, x1, y1 } = boundsOfItem(made)
  return Math.max(...[x0, y0, x1, y1].map(Math.abs)) < 1e5 && !('lies' in made && made.lies)
}

const withId = (change: object, id: string) =>
  'thing' in change ? { thing: { ...(change.thing as object), id } } : change

test.each(Object.keys(THING_KINDS) as (keyof typeof THING_KINDS)[])(
  'a thing (%s) is drawn as what is printed of its kind is, and can be picked up',
  (kind) => {
    const thing = { ...blankItem(kind, box, newId), turn: 0, file: idOf(3) } as unknown as Item
    expect(canBePicked(thing)).toBe(true)
    expect(drawnItem(thing, measured)).toEqual(drawnPrinted(thing as unknown as PrintedItem, measured))
    expect(drawnItem({ ...thing, turn: 30 } as Item, measured)[0]).toMatchObject({ kind: 'laid' })
  },
)

function hasLevel(item: Item): boolean {
  return item.kind === 'mark' && item.level !== undefined
}
