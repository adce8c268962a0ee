import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { NOBODYS } from '../draw/scene.ts'
import { isAt } from '../holding/pick.ts'
import { inLoop, loopOf } from '../ink/loop.ts'
import type { Point } from '../ink/points.ts'
import { drawnItem, thing } from '../kinds/items.ts'
import { Picture } from '../test/pictureOf.ts'
import { areaOf } from './areaOf.ts'
import { fillAt, MOST_RING_PLACES } from './fillAt.ts'

/** 150 dots an inch. */
const SCALE = 150 / 72
const WIDE = 3

const tap = (x: number, y: number): Point => ({ x: x / SCALE, y: y / SCALE })
const isIn = (rings: readonly Point[][], x: number, y: number): boolean =>
  rings.filter((ring) => inLoop(loopOf(ring), tap(x, y))).length % 2 === 1
/** In square pixels. */
const extentOf = (rings: readonly Point[][]) =>
  Math.abs(rings.reduce((sum, ring) => sum + signed(ring), 0)) * SCALE * SCALE
const signed = (ring: readonly Point[]) =>
  ring.reduce((sum, a, index) => {
    const b = ring[(index + 1) % ring.length]!
    return sum + (a.x * b.y - b.x * a.y) / 2
  }, 0)
const turned = (x: number, y: number, far: number, degrees: number) => {
  const angle = (degrees * Math.PI) / 180
  return [x + far * Math.cos(angle), y + far * Math.sin(angle)] as const
}

/** A circle in eighths. */
function eighths(radius = 150): Picture {
  const picture = new Picture(400, 400).arc(200, 200, radius, WIDE)
  for (let part = 0; part < 8; part++) picture.line([[200, 200], turned(200, 200, radius, part * 45)], WIDE)
  return picture
}

describe('filling a region', () => {
  test('a part of a fraction circle is filled to the middle of its lines, and nothing beside', () => {
    const rings = fillAt(eighths(), tap(280, 230), SCALE)!
    expect(extentOf(rings) / ((Math.PI * 150 ** 2) / 8)).toBeGreaterThan(0.97)
    expect(extentOf(rings) / ((Math.PI * 150 ** 2) / 8)).toBeLessThan(1.03)
    // Into its sharp corner too.
    expect(isIn(rings, ...turned(200, 200, 12, 22))).toBe(true)
    expect(isIn(rings, ...turned(200, 200, 140, 50))).toBe(false)
    expect(isIn(rings, ...turned(200, 200, 160, 22))).toBe(false)
  })

  test('a letter in it, and the room that it encloses, are filled with it', () => {
    const rings = fillAt(eighths().arc(290, 240, 5, 2), tap(260, 215), SCALE)!
    expect(rings).toHaveLength(1)
    expect(isIn(rings, 290, 240)).toBe(true)
    // Whoever presses right on the letter means what it stands on.
    const onLetter = fillAt(eighths().arc(290, 240, 5, 2), tap(295, 240), SCALE)!
    expect(extentOf(onLetter)).toBeCloseTo(extentOf(rings), -1)
  })

  test('a window in it stays open', () => {
    const house = new Picture(300, 300)
      .line(
        [
          [50, 50],
          [250, 50],
          [250, 250],
          [50, 250],
          [50, 50],
        ],
        WIDE,
      )
      .line(
        [
          [100, 100],
          [140, 100],
          [140, 140],
          [100, 140],
          [100, 100],
        ],
        WIDE,
      )
    const rings = fillAt(house, tap(200, 200), SCALE)!
    expect(rings).toHaveLength(2)
    expect(isIn(rings, 120, 120)).toBe(false)
    expect(isIn(rings, 60, 60)).toBe(true)
  })

  test('lines that nearly meet bound it: between two parts a little, towards the whole page more', () => {
    const gap = (pixels: number) => {
      const at = (Math.asin(pixels / 2 / 100) * 180) / Math.PI
      return new Picture(400, 400).arc(200, 200, 100, WIDE, at, 360 - at)
    }
    for (const missed of [4, 12, 22]) {
      const rings = fillAt(gap(missed), tap(180, 200), SCALE)!
      expect(extentOf(rings) / (Math.PI * 100 ** 2)).toBeGreaterThan(0.97)
      expect(extentOf(rings) / (Math.PI * 100 ** 2)).toBeLessThan(1.04)
    }
    expect(fillAt(gap(60), tap(180, 200), SCALE)).toBeUndefined()
    const halves = new Picture(400, 400).arc(200, 200, 100, WIDE).line(
      [
        [100, 200],
        [294, 200],
      ],
      WIDE,
    )
    const rings = fillAt(halves, tap(200, 150), SCALE)!
    expect(extentOf(rings) / ((Math.PI * 100 ** 2) / 2)).toBeLessThan(1.04)
  })

  test('what is bound by nothing is not filled, nor what lies beside the page', () => {
    expect(fillAt(new Picture(300, 200), tap(100, 100), SCALE)).toBeUndefined()
    expect(fillAt(eighths(), tap(10, 10), SCALE)).toBeUndefined()
    // A stroke in a corner makes no region of the rest.
    expect(
      fillAt(
        new Picture(160, 120).line(
          [
            [6, 10],
            [13, 8],
          ],
          WIDE,
        ),
        tap(80, 80),
        SCALE,
      ),
    ).toBeUndefined()
    expect(fillAt(eighths(), { x: -500, y: 20 }, SCALE)).toBeUndefined()
    expect(fillAt(eighths(), { x: 1e6, y: 1e6 }, SCALE)).toBeUndefined()
  })

  test('a narrow ring is a region too, and a coloured land beside a coloured sea', () => {
    const ring = new Picture(400, 400).arc(200, 200, 100, WIDE).arc(200, 200, 110, WIDE)
    const rings = fillAt(ring, tap(305, 200), SCALE)!
    expect(isIn(rings, ...turned(200, 200, 105, 200))).toBe(true)
    expect(isIn(rings, 200, 200)).toBe(false)
    const coast = new Picture(400, 300, [232, 241, 245]).line(
      [
        [-200, 150],
        [600, 150],
      ],
      200,
      [240, 230, 205],
    )
    const land = fillAt(coast, tap(200, 150), SCALE)!
    expect(extentOf(land) / (400 * 200)).toBeGreaterThan(0.97)
    expect(extentOf(land) / (400 * 200)).toBeLessThan(1.03)
  })

  test('an area lies where it was filled, and is met only where it is', () => {
    const rings = fillAt(eighths(), tap(280, 230), SCALE)!
    const area = thing.parse({
      ...{ id: NOBODYS, kind: 'shape', form: 'area', colour: '#1b6e68', fill: '#1b6e68', line: 0 },
      ...{ dashed: false, rising: false, heads: 'none', turn: 0 },
      ...areaOf(rings),
    })
    expect(isAt(area, tap(280, 230), 3)).toBe(true)
    expect(isAt(area, tap(210, 290), 3)).toBe(false)
    expect(drawnItem(area, () => 0)).toMatchObject([{ fill: '#1b6e68', shines: true }])
    const edge = Math.max(...rings.flat().map(({ x }) => x))
    expect(area.x + area.width).toBeCloseTo(edge, 1)
  })

  test('whatever is drawn: the place tapped is filled or nothing is, and lines far from its edge are not crossed', () => {
    const place = fc.tuple(fc.integer({ min: 5, max: 155 }), fc.integer({ min: 5, max: 115 }))
    const picture = fc.array(fc.array(place, { minLength: 2, maxLength: 6 }), { maxLength: 6 })
    fc.assert(
      fc.property(picture, place, (lines, [x, y]) => {
        const drawn = lines.reduce((all, line) => all.line(line, WIDE), new Picture(160, 120))
        const rings = fillAt(drawn, tap(x, y), SCALE)
        if (!rings) return
        const at = (y * 160 + x) * 4
        if (drawn.data[at] === 255) expect(isIn(rings, x + 0.5, y + 0.5)).toBe(true)
        for (const { x, y } of rings.flat()) {
          expect(x * SCALE).toBeGreaterThan(-2)
          expect(x * SCALE).toBeLessThan(162)
          expect(y * SCALE).toBeLessThan(122)
        }
        expect(rings.flat().length).toBeLessThanOrEqual(MOST_RING_PLACES)
      }),
      { numRuns: 60 },
    )
  })
})
