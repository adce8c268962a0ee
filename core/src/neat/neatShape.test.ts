import { describe, expect, test } from '@jest/globals'
import type { Point } from '../ink/points.ts'
import { drawnByHand } from '../test/drawnByHand.ts'
import { seeded } from '../test/seeded.ts'
import type { Neat } from './neat.ts'
import { neatShape } from './neatShape.ts'

const ring = (count: number, width: number, height: number, from = 0): Point[] =>
  Array.from({ length: count }, (_, index) => {
    const angle = from + (index / count) * 2 * Math.PI
    return { x: (width / 2) * Math.cos(angle), y: (height / 2) * Math.sin(angle) }
  })
const box = (width: number, height: number): Point[] => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
]
const turned = (places: readonly Point[], degrees: number): Point[] => {
  const angle = (degrees * Math.PI) / 180
  return places.map(({ x, y }) => ({
    x: 300 + x * Math.cos(angle) - y * Math.sin(angle),
    y: 400 + x * Math.sin(angle) + y * Math.cos(angle),
  }))
}
const arrow = (long: number): Point[] => [
  { x: 0, y: 0 },
  { x: long, y: 0 },
  { x: long - 18, y: -12 },
  { x: long, y: 0 },
  { x: long - 18, y: 12 },
]

type Drawn = readonly [kind: string, way: (size: number) => Point[], closed: boolean]
const KINDS: readonly Drawn[] = [
  [
    'line',
    (size) => [
      { x: 0, y: 0 },
      { x: size, y: 0 },
    ],
    false,
  ],
  ['arrow', (size) => arrow(size + 40), false],
  ['rectangle', (size) => box(size, size * 0.6), true],
  ['rectangle', (size) => box(size, size), true],
  ['ellipse', (size) => ring(60, size, size), true],
  ['ellipse', (size) => ring(60, size, size * 0.55), true],
  [
    '3',
    (size) => [
      { x: 0, y: 0 },
      { x: size, y: size * 0.1 },
      { x: size * 0.3, y: size * 0.8 },
    ],
    true,
  ],
  ['5', (size) => ring(5, size, size), true],
]

const nameOf = (neat: Neat | undefined): string => {
  if (!neat) return 'nothing'
  if (neat.form === 'polygon') return String(neat.corners?.length)
  return neat.form === 'line' && neat.heads !== 'none' ? 'arrow' : neat.form
}

/** Of so many drawn by a hand that strays so far, the share that is taken for what it is; and for what the others were taken. */
function rate([kind, way, closed]: Drawn, count: number, wobble: number) {
  const taken: Record<string, number> = {}
  for (let seed = 0; seed < count; seed++) {
    const random = seeded(seed * 7919 + wobble * 1e5)
    const size = 50 + random() * 200
    const gap = (random() - 0.45) * 0.16
    const places = turned(way(size), random() * 360)
    const name = nameOf(neatShape(drawnByHand(places, closed, { wobble, gap, random })))
    taken[name] = (taken[name] ?? 0) + 1
  }
  return { right: (taken[kind] ?? 0) / count, taken }
}

describe('what is drawn by hand', () => {
  test.each(KINDS)('%s %#: drawn carefully, nearly all; quickly, most', (...kind) => {
    const careful = rate(kind, 100, 0.015)
    const quick = rate(kind, 100, 0.035)
    if (process.env.RATES) console.log(kind[0], careful, quick)
    expect(careful.right).toBeGreaterThanOrEqual(0.95)
    expect(quick.right).toBeGreaterThanOrEqual(0.8)
  })
})

const curve = (count: number, at: (part: number) => Point): Point[] =>
  Array.from({ length: count }, (_, index) => at(index / (count - 1)))
const NONE: Readonly<Record<string, readonly Point[]>> = {
  'a wave': curve(120, (part) => ({ x: part * 200, y: 20 * Math.sin(part * 12) })),
  'half a ring': curve(60, (part) => ({ x: 60 * Math.cos(part * 3.1), y: 60 * Math.sin(part * 3.1) })),
  'a spiral': curve(200, (part) => ({
    x: 80 * part * Math.cos(part * 20),
    y: 80 * part * Math.sin(part * 20),
  })),
  'an eight': curve(120, (part) => ({ x: 60 * Math.sin(part * 6.28), y: 40 * Math.sin(part * 12.56) })),
  'a scribble': curve(200, (part) => ({
    x: 120 * part + 20 * Math.sin(part * 90),
    y: 30 * Math.cos(part * 83),
  })),
  'to and fro': curve(100, (part) => ({ x: 100 * Math.abs(Math.sin(part * 14)), y: part * 12 })),
  'a tick': [
    { x: 0, y: 20 },
    { x: 10, y: 40 },
    { x: 50, y: 0 },
  ].flatMap((at, index, all) => (index === 0 ? [at] : curve(12, (part) => mix(all[index - 1]!, at, part)))),
  'a seven': [
    { x: 0, y: 0 },
    { x: 40, y: 0 },
    { x: 15, y: 60 },
  ].flatMap((at, index, all) => (index === 0 ? [at] : curve(12, (part) => mix(all[index - 1]!, at, part)))),
  'a dot': curve(10, (part) => ({ x: part, y: part })),
  'a small o': ring(40, 14, 16),
}
function mix(a: Point, b: Point, part: number): Point {
  return { x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part }
}

describe('what is no shape', () => {
  test.each(Object.entries(NONE))('%s', (_name, way) => {
    for (const degrees of [0, 37, 90, 200]) expect(neatShape(turned(way, degrees))).toBeUndefined()
  })

  test('samples that are no numbers, all at one place, or too few', () => {
    const here = { x: 10, y: 10 }
    expect(neatShape([])).toBeUndefined()
    expect(neatShape([here])).toBeUndefined()
    expect(neatShape(Array.from({ length: 50 }, () => here))).toBeUndefined()
    expect(neatShape(Array.from({ length: 50 }, (_, x) => ({ x, y: Number.NaN })))).toBeUndefined()
  })
})

describe('what was meant', () => {
  const drawn = (places: readonly Point[], closed: boolean) =>
    neatShape(drawnByHand(places, closed, { wobble: 0.012, gap: 0.03, random: seeded(5) }))!
  test('what is nearly level, upright, square or round is', () => {
    expect(drawn(turned(box(120, 125), 3), true)).toMatchObject({ form: 'rectangle', turn: 0 })
    const square = drawn(turned(box(120, 125), 3), true)
    expect(square.width).toBe(square.height)
    const round = drawn(turned(ring(60, 100, 106), 50), true)
    expect([round.width === round.height, round.turn]).toEqual([true, 0])
    expect(
      drawn(
        turned(
          [
            { x: 0, y: 0 },
            { x: 180, y: 0 },
          ],
          2,
        ),
        false,
      ),
    ).toMatchObject({ form: 'line', height: 0 })
    expect(
      drawn(
        turned(
          [
            { x: 0, y: 0 },
            { x: 180, y: 0 },
          ],
          91,
        ),
        false,
      ),
    ).toMatchObject({ form: 'line', width: 0 })
    expect(drawn(turned(box(150, 60), 30), true).turn).toBeCloseTo(30, -0.8)
  })

  test('it lies where it was drawn, and an arrow points where it pointed', () => {
    const { x, y, width, height } = drawn(turned(box(160, 90), 0), true)
    expect(Math.hypot(x - 300, y - 400)).toBeLessThan(6)
    expect([Math.abs(width - 160) < 8, Math.abs(height - 90) < 8]).toEqual([true, true])
    expect(drawn(turned(arrow(150), 0), false).heads).toBe('end')
    expect(drawn(turned(arrow(150), 180), false).heads).toBe('start')
    expect(drawn(turned(arrow(150), 120), false)).toMatchObject({ heads: 'start', rising: true })
  })
})
