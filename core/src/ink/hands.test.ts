import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { anyMove } from '../test/arbitrary.ts'
import { type Guide, guided, guidedEnd } from './guide.ts'
import { inLoop, loopOf, loopTakes } from './loop.ts'
import type { InkPoint, Point } from './points.ts'
import * as similarity from './similarity.ts'
import { simplify, toSegment } from './simplify.ts'
import { lean, Steadier } from './steady.ts'

const place = fc.record({
  x: fc.double({ min: -300, max: 300, noNaN: true }),
  y: fc.double({ min: -300, max: 300, noNaN: true }),
})
const places = fc.array(place, { minLength: 1, maxLength: 60 })
/** At least so many places as a screen tells them: in parts of a pixel. */
const screenPoints = (minLength: number) =>
  fc.array(fc.record({ x: fc.integer({ min: -800, max: 800 }), y: fc.integer({ min: -800, max: 800 }) }), {
    minLength,
    maxLength: 60,
  })
const expectAt = (one: Point, other: Point) => {
  expect(one.x).toBeCloseTo(other.x, 4)
  expect(one.y).toBeCloseTo(other.y, 4)
}

describe('laying elsewhere', () => {
  test('first one then the other is both; back is back', () => {
    fc.assert(
      fc.property(anyMove, anyMove, place, (one, other, at) => {
        expectAt(
          similarity.apply(at, similarity.compose(one, other)),
          similarity.apply(similarity.apply(at, one), other),
        )
        expectAt(similarity.apply(similarity.apply(at, one), similarity.inverse(one)), at)
        expectAt(
          similarity.apply(at, similarity.compose(one, similarity.identity)),
          similarity.apply(at, one),
        )
      }),
    )
  })

  test('distances grow alike, and what it is about stays', () => {
    fc.assert(
      fc.property(place, place, fc.double({ min: 0.1, max: 9, noNaN: true }), (middle, at, factor) => {
        const by = similarity.about(middle, factor, 30)
        expectAt(similarity.apply(middle, by), middle)
        const to = similarity.apply(at, by)
        const [was, is] = [at, to].map(({ x, y }) => Math.hypot(x - middle.x, y - middle.y))
        expect(is).toBeCloseTo(was! * factor, 4)
        expect(similarity.scaleOf(by)).toBeCloseTo(factor)
        expect(similarity.angleOf(by)).toBeCloseTo(30)
      }),
    )
  })

  test('two fingers take what is under them along', () => {
    fc.assert(
      fc.property(place, place, place, place, (a, b, c, d) => {
        fc.pre(Math.hypot(a.x - b.x, a.y - b.y) > 1 && Math.hypot(c.x - d.x, c.y - d.y) > 1)
        const by = similarity.between([a, b], [c, d])
        expectAt(similarity.apply(a, by), c)
        expectAt(similarity.apply(b, by), d)
      }),
    )
    expect(
      similarity.between(
        [
          { x: 1, y: 1 },
          { x: 1, y: 1 },
        ],
        [
          { x: 4, y: 2 },
          { x: 9, y: 9 },
        ],
      ),
    ).toEqual(similarity.translation(3, 1))
  })
})

describe('a steadied hand', () => {
  const leash = fc.double({ min: 0.5, max: 20, noNaN: true })
  test('never strays farther than its leash, and ends where it was lifted', () => {
    fc.assert(
      fc.property(places, leash, (hand, most) => {
        const steadier = new Steadier(most)
        for (const [time, at] of hand.entries()) {
          const sample: InkPoint = { ...at, pressure: 0.5, time }
          const out = steadier.next(sample)
          expect(Math.hypot(out.x - at.x, out.y - at.y)).toBeLessThanOrEqual(most + 1e-9)
          expect(out.time).toBe(time)
        }
        expect(steadier.end()).toMatchObject(hand.at(-1)!)
      }),
    )
  })

  test('trembles less than the hand did', () => {
    const steadier = new Steadier(6)
    const trembles = Array.from({ length: 60 }, (_, x) => ({
      x,
      y: x % 2 === 0 ? 2 : -2,
      pressure: 0.5,
      time: x,
    }))
    const out = trembles.map((sample) => steadier.next(sample)).slice(5)
    expect(Math.max(...out.map(({ y }) => Math.abs(y)))).toBeLessThan(1.1)
  })
})

describe('fewer places', () => {
  test('every place left out is near the line; ends stay; the order stays', () => {
    fc.assert(
      fc.property(places, fc.double({ min: 0.01, max: 30, noNaN: true }), (line, error) => {
        const fewer = simplify(line, error)
        expect(fewer[0]).toBe(line[0])
        expect(fewer.at(-1)).toBe(line.at(-1))
        const at = fewer.map((each) => line.indexOf(each))
        expect(at).toEqual([...at].sort((a, b) => a - b))
        if (fewer.length < 2) return
        for (const each of line) {
          const off = Math.min(...fewer.slice(1).map((to, index) => toSegment(each, fewer[index]!, to)))
          expect(off).toBeLessThanOrEqual(error + 1e-9)
        }
      }),
    )
  })
  test('a straight line needs its ends only', () => {
    const line = Array.from({ length: 50 }, (_, x) => ({ x, y: 2 * x }))
    expect(simplify(line, 0.01)).toEqual([line[0], line[49]])
  })
})

describe('a loop', () => {
  const rims = [
    { x: 0, y: 0 },
    { x: 10, y: 0 },
    { x: 10, y: 10 },
    { x: 0, y: 10 },
  ]
  const square = loopOf(rims)
  test('holds what lies inside, wherever it was begun and whichever way round', () => {
    fc.assert(
      fc.property(place, fc.nat(3), fc.boolean(), (at, from, turned) => {
        const corners = [...rims.slice(from), ...rims.slice(0, from)]
        const loop = loopOf(turned ? corners.reverse() : corners)
        const inside = at.x > 0 && at.x < 10 && at.y > 0 && at.y < 10
        const onRim = [0, 10].some((rim) => Math.abs(at.x - rim) < 1e-6 || Math.abs(at.y - rim) < 1e-6)
        if (!onRim) expect(inLoop(loop, at)).toBe(inside)
      }),
    )
  })
  test('holds the same as when every one of its sides is looked at', () => {
    fc.assert(
      fc.property(screenPoints(1), screenPoints(20), (loop, looked) => {
        const sides = loop.map((to, index) => [loop.at(index - 1)!, to] as const)
        for (const at of [...looked, ...loop]) {
          // How often the way to the right crosses a side.
          const crossed = sides.filter(
            ([from, to]) =>
              to.y > at.y !== from.y > at.y &&
              at.x < to.x + ((at.y - to.y) / (from.y - to.y)) * (from.x - to.x),
          )
          expect(inLoop(loopOf(loop), at)).toBe(crossed.length % 2 === 1)
        }
      }),
    )
  })
  test('takes what lies mostly inside', () => {
    const line = (from: number, to: number) =>
      Array.from({ length: 200 }, (_, index) => ({ x: from + ((to - from) * index) / 199, y: 5 }))
    expect(loopTakes(square, line(1, 9))).toBe(true)
    expect(loopTakes(square, line(2, 13))).toBe(true)
    expect(loopTakes(square, line(5, 25))).toBe(false)
    expect(loopTakes(square, [])).toBe(false)
  })
})

describe('a pen that lies flat', () => {
  const part = fc.double({ min: 0, max: 1, noNaN: true })
  const tilt = fc.integer({ min: -90, max: 90 })
  test('makes a leaning nib broader, never beyond the whole; upright it changes nothing', () => {
    fc.assert(
      fc.property(part, tilt, tilt, (pressure, x, y) => {
        expect(lean(pressure, x, y)).toBeGreaterThanOrEqual(pressure)
        expect(lean(pressure, x, y)).toBeLessThanOrEqual(1)
        expect(lean(pressure, 0, 0)).toBe(pressure)
        expect(lean(pressure, x, 0)).toBe(lean(pressure, -x, 0))
      }),
    )
    expect(lean(0.4, 80, 0)).toBeGreaterThan(lean(0.4, 30, 0))
  })
})

describe('guides', () => {
  const samples = fc
    .array(place, { minLength: 1, maxLength: 40 })
    .map((list): InkPoint[] => list.map((at, index) => ({ ...at, pressure: 0.5, time: index * 8 })))
  /** Brings everything onto one line, as a ruler does. */
  const ruler = (): Guide => ({ next: (at) => ({ ...at, y: 7 }), end: () => undefined })

  test('none leaves everything as it is; one behind another has the last word, to the end', () => {
    fc.assert(
      fc.property(samples, (all) => {
        expect(all.map((at) => guided([], at))).toEqual(all)
        const guides = [new Steadier(5), ruler()]
        const out = [...all.map((at) => guided(guides, at)), ...guidedEnd(guides)]
        expect(out.every(({ y }) => y === 7)).toBe(true)
        expect(out.at(-1)!.x).toBe(all.at(-1)!.x)
      }),
    )
  })
})
