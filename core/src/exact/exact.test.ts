import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { InkPoint, Point } from '../ink/points.ts'
import { mm } from '../worksheet/box.ts'
import { edgesOf, guideAt, wholeCircle } from './along.ts'
import { type Compasses, felt, type Instrument, newInstrument, placeOn, RULER_BROAD } from './instrument.ts'
import { sayDrawn, sayLengthOf } from './sayDrawn.ts'

const ruler = { kind: 'ruler', at: { x: 300, y: 300 }, turn: 0, long: mm(150) } as const
const protractor = { kind: 'protractor', at: { x: 300, y: 300 }, turn: 0, radius: mm(50), arm: 60 } as const
const compasses: Compasses = { kind: 'compasses', at: { x: 300, y: 300 }, turn: 0, radius: mm(40) }
const sample = ({ x, y }: Point, time = 0): InkPoint => ({ x, y, pressure: 0.5, time })
const coordinate = fc.double({ min: -200, max: 900, noNaN: true })
const place = fc.record({ x: coordinate, y: coordinate })
const turn = fc.double({ min: -180, max: 180, noNaN: true })
const instrument: fc.Arbitrary<Instrument> = fc
  .tuple(
    fc.constantFrom('ruler', 'protractor', 'compasses'),
    place,
    turn,
    fc.integer({ min: 100, max: 1200 }),
  )
  .map(([kind, at, turn, width]) => ({ ...newInstrument(kind, at, width), turn }) as Instrument)

const offLine = ([from, to]: readonly [Point, Point], { x, y }: Point) =>
  Math.abs((to.x - from.x) * (y - from.y) - (to.y - from.y) * (x - from.x)) /
  Math.hypot(to.x - from.x, to.y - from.y)

describe('drawing along an edge', () => {
  test('a stroke that begins at an edge lies on it, keeps its pressure and time, and is measured', () => {
    const guide = guideAt(ruler, { x: 200, y: 296 }, 6)!
    expect(guide.next({ x: 200, y: 296, pressure: 0.3, time: 5 })).toEqual({
      x: 200,
      y: 300,
      pressure: 0.3,
      time: 5,
    })
    guide.next(sample({ x: 200 + mm(63), y: 311 }))
    expect(sayDrawn(guide.drawn!, 'cm')).toBe('6.3 cm · 0°')
    expect(guide.end()).toBeUndefined()
  })

  test('one that begins elsewhere is free; the other edge of the ruler guides too', () => {
    expect(guideAt(ruler, { x: 200, y: 280 }, 6)).toBeUndefined()
    expect(guideAt(ruler, { x: 10, y: 300 }, 6)).toBeUndefined()
    expect(
      guideAt(ruler, { x: 200, y: 300 + RULER_BROAD }, 6)!.next(sample({ x: 250, y: 400 })).y,
    ).toBeCloseTo(300 + RULER_BROAD)
    expect(guideAt(compasses, { x: 300, y: 300 }, 6)).toBeUndefined()
  })

  test('the arm of a protractor guides from its middle, at the angle that it shows', () => {
    const out = { x: 300 + 200 * Math.cos(Math.PI / 3), y: 300 - 200 * Math.sin(Math.PI / 3) }
    const fromMiddle = guideAt(protractor, { x: 302, y: 298 }, 6)!
    // Base or arm: where the hand goes says which.
    expect(fromMiddle.next(sample({ x: 302, y: 298 }))).toMatchObject({ x: 300, y: 300 })
    fromMiddle.next(sample({ x: out.x + 9, y: out.y + 9 }))
    expect((fromMiddle.drawn as { angle: number }).angle).toBeCloseTo(60, 5)
    const left = guideAt(protractor, { x: 302, y: 298 }, 6)!
    left.next(sample({ x: 300, y: 300 }))
    expect(left.next(sample({ x: 250, y: 290 }))).toMatchObject({ y: 300 })
    const along = guideAt(protractor, { x: 315, y: 300 - 15 * Math.sqrt(3) }, 2)!
    along.next(sample({ x: 300, y: 300 }))
    along.next(sample(out))
    expect(along.drawn).toMatchObject({ kind: 'line' })
    expect((along.drawn as { angle: number }).angle).toBeCloseTo(60, 5)
  })

  test('compasses draw arcs of the radius that they are set to, either way round, all round at most', () => {
    const guide = guideAt(compasses, { x: 300 + mm(40) + 3, y: 300 }, 6)!
    for (let angle = 0; angle <= 400; angle += 20) {
      const far = mm(30) + angle / 10
      const turned = (angle * Math.PI) / 180
      const { x, y } = guide.next(
        sample({ x: 300 + far * Math.cos(turned), y: 300 - far * Math.sin(turned) }),
      )
      expect(Math.hypot(x - 300, y - 300)).toBeCloseTo(mm(40), 6)
      if (angle === 120) expect(sayDrawn(guide.drawn!, 'cm')).toBe('4.0 cm · 120°')
    }
    expect(sayDrawn(guide.drawn!, 'in')).toBe('1.55 in · 360°')
    const whole = wholeCircle(compasses)
    expect(whole.at(-1)!.x).toBeCloseTo(whole[0]!.x)
    for (const { x, y } of whole) expect(Math.hypot(x - 300, y - 300)).toBeCloseTo(mm(40), 6)
  })

  test('wherever it lies: what a guide draws lies on the edge, between its ends', () => {
    fc.assert(
      fc.property(instrument, place, fc.array(place, { minLength: 1, maxLength: 20 }), (of, from, way) => {
        const guide = guideAt(of, from, 1e6)!
        const drawn = way.map((at) => guide.next(sample(at)))
        if (of.kind === 'compasses') {
          for (const { x, y } of drawn) expect(Math.hypot(x - of.at.x, y - of.at.y)).toBeCloseTo(of.radius, 5)
          return
        }
        const edge = edgesOf(of).find((edge) => drawn.every((at) => offLine(edge, at) < 1e-6))
        expect(edge).toBeDefined()
        const long = Math.hypot(edge![1].x - edge![0].x, edge![1].y - edge![0].y)
        for (const at of drawn)
          for (const end of edge!)
            expect(Math.hypot(at.x - end.x, at.y - end.y)).toBeLessThanOrEqual(long + 1e-6)
      }),
    )
  })
})

describe('how instruments lie', () => {
  test('level and upright are felt, and a turn has one name', () => {
    expect([2.4, -2.4, 88, 93, 178.5, -179, 271, 360, 45].map(felt)).toEqual([
      0, 0, 90, 93, 180, 180, -90, 0, 45,
    ])
    fc.assert(
      fc.property(fc.double({ min: -1000, max: 1000, noNaN: true }), (turn) => {
        const once = felt(turn)
        expect(felt(once)).toBeCloseTo(once, 9)
        expect(Math.abs(once)).toBeLessThanOrEqual(180)
      }),
    )
  })

  test('a new ruler fits the page, and is true to it', () => {
    expect(newInstrument('ruler', { x: 0, y: 0 }, mm(210))).toHaveProperty('long', expect.closeTo(mm(150)))
    expect(newInstrument('ruler', { x: 0, y: 0 }, mm(297))).toHaveProperty('long', expect.closeTo(mm(250)))
    expect(newInstrument('ruler', { x: 0, y: 0 }, 100)).toHaveProperty('long', expect.closeTo(mm(100)))
    expect(sayLengthOf(mm(150), 'cm')).toBe('15.0 cm')
    expect(sayLengthOf(144, 'in')).toBe('2.00 in')
    const { x, y } = placeOn({ ...ruler, turn: 90 }, { x: mm(10), y: 0 })
    expect(x).toBeCloseTo(300)
    expect(y).toBeCloseTo(300 + mm(10))
  })
})
