import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Printed } from '../kinds/printed.ts'
import { lineEnds } from '../kinds/shape.ts'
import { around, bottom, right } from '../worksheet/box.ts'
import type { WorksheetPage } from '../worksheet/page.ts'
import { align, distribute, gridSteps, type Side, sameSize } from './align.ts'
import { type Handle, handlePlace, handlesOf, resizeItem } from './resize.ts'
import { paperLines, type SnapLines, snapLines, snapMove } from './snap.ts'

const length = fc.double({ min: 1, max: 400, noNaN: true })
const place = fc.double({ min: -100, max: 900, noNaN: true })
const box = fc.record({ x: place, y: place, width: length, height: length })
const things = fc
  .array(box, { minLength: 1, maxLength: 12 })
  .map((boxes) => boxes.map((each, index) => ({ ...each, id: String(index) })))
const side = fc.constantFrom<Side>('left', 'centre', 'right', 'top', 'middle', 'bottom')

test('aligning twice is aligning once, leaves the other direction, and stays within what was there', () => {
  fc.assert(
    fc.property(things, side, (all, to) => {
      const once = align(all, to)
      const across = to === 'left' || to === 'centre' || to === 'right'
      for (const [index, thing] of align(once, to).entries()) {
        expect(thing.x).toBeCloseTo(once[index]!.x, 6)
        expect(thing.y).toBeCloseTo(once[index]!.y, 6)
        expect(across ? thing.y : thing.x).toBe(across ? all[index]!.y : all[index]!.x)
      }
      const before = around(all)
      const after = around(once)
      expect(after.x).toBeGreaterThanOrEqual(before.x - 1e-6)
      expect(right(after)).toBeLessThanOrEqual(right(before) + 1e-6)
      expect(bottom(after)).toBeLessThanOrEqual(bottom(before) + 1e-6)
    }),
  )
})

test('aligned things share the side they were brought to', () => {
  fc.assert(
    fc.property(things, (all) => {
      expect(new Set(align(all, 'left').map(({ x }) => x)).size).toBe(1)
      const ends = align(all, 'bottom').map((thing) => bottom(thing))
      expect(Math.max(...ends) - Math.min(...ends)).toBeLessThan(1e-6)
    }),
  )
})

test('distributing makes equal gaps, keeps the order and the outermost', () => {
  fc.assert(
    fc.property(
      things.filter((all) => all.length > 2),
      (all) => {
        const spaced = distribute(all, 'down')
        const order = (of: typeof all) =>
          [...of].sort((a, b) => a.y - b.y || a.height - b.height || Number(a.id) - Number(b.id))
        const was = order(all)
        const by = new Map(spaced.map((thing) => [thing.id, thing]))
        const now = was.map(({ id }) => by.get(id)!)
        expect(now[0]!.y).toBe(was[0]!.y)
        expect(now.at(-1)!.y).toBe(was.at(-1)!.y)
        const gaps = now.slice(1).map((thing, index) => thing.y - bottom(now[index]!))
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThan(1e-6)
      },
    ),
    {
      // Two that end at the same place only because their sums round.
      examples: [
        [
          [
            { id: '0', x: 0, y: -99.99999999999994, width: 1, height: 1.0000000000000002 },
            { id: '1', x: 0, y: -99.99999999999994, width: 1, height: 1 },
            { id: '2', x: 0, y: 0, width: 1, height: 1 },
          ],
        ],
      ],
    },
  )
})

test('the same size is that of the first, and corners stay', () => {
  const made = sameSize(
    [
      { id: 'a', x: 0, y: 0, width: 50, height: 10 },
      { id: 'b', x: 9, y: 40, width: 70, height: 20 },
    ],
    'width',
  )
  expect(made.map(({ x, width, height }) => [x, width, height])).toEqual([
    [0, 50, 10],
    [9, 50, 20],
  ])
})

test('a grid has a place for every copy but the original, evenly apart', () => {
  expect(gridSteps({ width: 10, height: 5 }, 2, 2, { x: 2, y: 3 })).toEqual([
    { dx: 12, dy: 0 },
    { dx: 0, dy: 8 },
    { dx: 12, dy: 8 },
  ])
})

const lines = fc.array(
  place.map((at) => ({ at, from: 0, to: 100 })),
  { maxLength: 20 },
)

test('snapping moves at most its reach, onto a line, and what snapped stays', () => {
  fc.assert(
    fc.property(box, lines, lines, fc.double({ min: 0, max: 20, noNaN: true }), (of, down, across, reach) => {
      const all: SnapLines = { down, across }
      const { dx, dy, guides } = snapMove(of, all, reach)
      expect(Math.abs(dx)).toBeLessThanOrEqual(reach)
      expect(Math.abs(dy)).toBeLessThanOrEqual(reach)
      const moved = { ...of, x: of.x + dx, y: of.y + dy }
      for (const guide of guides) {
        const sides =
          guide.way === 'down'
            ? [moved.x, moved.x + moved.width / 2, right(moved)]
            : [moved.y, moved.y + moved.height / 2, bottom(moved)]
        expect(Math.min(...sides.map((each) => Math.abs(each - guide.at)))).toBeLessThan(1e-6)
      }
      // The nearest line of those that could be reached.
      const free = down.filter(({ at }) =>
        [of.x, of.x + of.width / 2, right(of)].some((each) => Math.abs(at - each) <= reach),
      )
      expect(guides.some(({ way }) => way === 'down')).toBe(free.length > 0)
    }),
  )
})

const squared = (side: number): WorksheetPage => ({
  id: crypto.randomUUID(),
  width: 595.28,
  height: 841.89,
  paper: { kind: 'ruled', ruling: { form: 'squared', colour: '#9fb4c7', side } },
  printed: [],
})

test('the lines of squared paper that things snap to are its millimetres apart', () => {
  for (const side of [5, 10]) {
    const at = paperLines(squared(side), 'down')
    expect(at.length).toBeGreaterThan(10)
    for (const [index, line] of at.slice(1).entries())
      expect(line - at[index]!).toBeCloseTo((side * 72) / 25.4, 6)
  }
  expect(snapLines(squared(5), []).down.length).toBeGreaterThan(30)
})

const line: Printed<'shape'> = {
  id: crypto.randomUUID(),
  kind: 'shape',
  form: 'line',
  x: 10,
  y: 10,
  width: 80,
  height: 20,
  colour: '#1e2b3a',
  line: 1,
  fill: null,
  dashed: false,
  rising: false,
  heads: 'end',
}

test('an end of a line that is dragged goes where it is dragged, and the other stays, also past each other', () => {
  fc.assert(
    fc.property(place, place, (dx, dy) => {
      const dragged = resizeItem(line, 'end', dx, dy) as Printed<'shape'>
      const { start, end } = lineEnds(dragged)
      const wanted = [
        [10, 10],
        [90 + dx, 30 + dy],
      ].map((each) => each.map((n) => Math.round(n * 1e6)).join())
      const got = [start, end].map(({ x, y }) => [x, y].map((n) => Math.round(n * 1e6)).join())
      expect(got.sort()).toEqual(wanted.sort())
      expect(Math.min(dragged.width, dragged.height)).toBeGreaterThanOrEqual(0)
    }),
  )
})

test('a dragged corner leaves the opposite one where it was, and pictures keep their shape', () => {
  const picture: Printed<'picture'> = {
    id: crypto.randomUUID(),
    kind: 'picture',
    file: 'a'.repeat(64),
    alt: '',
    crop: { x: 0, y: 0, width: 1, height: 1 },
    x: 50,
    y: 60,
    width: 120,
    height: 40,
  }
  fc.assert(
    fc.property(fc.integer({ min: -90, max: 300 }), fc.integer({ min: -90, max: 300 }), (dx, dy) => {
      for (const handle of handlesOf(picture)) {
        const now = resizeItem(picture, handle, dx, dy)
        expect(now.width / now.height).toBeCloseTo(3, 6)
        const opposite: Record<string, Handle> = { nw: 'se', se: 'nw', ne: 'sw', sw: 'ne' }
        const was = handlePlace(picture, opposite[handle]!)
        const is = handlePlace(now, opposite[handle]!)
        expect(is.x).toBeCloseTo(was.x, 6)
        expect(is.y).toBeCloseTo(was.y, 6)
      }
    }),
  )
})

test('a corner of a text takes its letters along, a side leaves them', () => {
  const text: Printed<'text'> = {
    id: crypto.randomUUID(),
    kind: 'text',
    text: 'ebb',
    face: 'reading',
    size: 12,
    bold: false,
    colour: '#1e2b3a',
    align: 'left',
    list: 'none',
    x: 0,
    y: 0,
    width: 100,
    height: 20,
  }
  expect((resizeItem(text, 'se', 100, 20) as Printed<'text'>).size).toBe(24)
  expect((resizeItem(text, 'e', 100, 0) as Printed<'text'>).size).toBe(12)
})
