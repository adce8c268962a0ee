import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Point } from '../ink/points.ts'
import { photographed, type Shot } from '../test/photographed.ts'
import { Picture } from '../test/pictureOf.ts'
import { seeded } from '../test/seeded.ts'
import { evenLight } from './evenLight.ts'
import { findSheet } from './findSheet.ts'
import { type Corners, homography, mapped } from './homography.ts'
import type { Pixels } from './pixels.ts'
import { sheetSize, straighten } from './straighten.ts'

const [WIDE, HIGH] = [480, 640]
/** A4 at 36 dots an inch, with lines of writing and a figure. */
function sheet(): Picture {
  const page = new Picture(298, 421).arc(210, 300, 50, 2)
  for (let line = 0; line < 12; line++)
    for (let word = 0; word < 8; word++) {
      const [x, y] = [30 + word * 30, 40 + line * 16]
      page.line(
        [
          [x, y],
          [x + 20, y],
        ],
        2,
      )
    }
  return page
}
const SHEET = sheet()

/** Corners of a sheet that somebody held a phone over: turned a little, nearer at one side. */
function askew(chance: () => number, far = 0.07): Corners {
  const turn = (chance() - 0.5) * 0.5
  const size = 0.6 + chance() * 0.2
  const [halfX, halfY] = [(HIGH * size) / Math.SQRT2 / 2, (HIGH * size) / 2]
  const off = () => (chance() - 0.5) * 2 * far * HIGH
  const corner = (x: number, y: number): Point => ({
    x: WIDE / 2 + x * halfX * Math.cos(turn) - y * halfY * Math.sin(turn) + off() * 0.6,
    y: HIGH / 2 + x * halfX * Math.sin(turn) + y * halfY * Math.cos(turn) + off() * 0.6,
  })
  return [corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)]
}

const TABLES = [
  [120, 84, 52],
  [60, 66, 74],
  [150, 150, 140],
  [30, 60, 40],
] as const

const shotOf = (chance: () => number): Shot => ({
  ...{ width: WIDE, height: HIGH, corners: askew(chance), noise: 10, chance },
  table: TABLES[Math.floor(chance() * TABLES.length)]!,
  light: [0.55 + chance() * 0.45, 0.55 + chance() * 0.45],
})

const farthest = (found: Corners, truly: Corners) =>
  Math.max(...found.map(({ x, y }, index) => Math.hypot(x - truly[index]!.x, y - truly[index]!.y)))

const coordinate = fc.double({ min: 0, max: 1000, noNaN: true })
const place = fc.record({ x: coordinate, y: coordinate })

describe('a photo of a sheet', () => {
  test('a homography takes its four places where they belong, and its opposite back again', () => {
    const quads = fc.tuple(
      place,
      fc.double({ min: -0.3, max: 0.3, noNaN: true }),
      fc.double({ min: 50, max: 400, noNaN: true }),
    )
    fc.assert(
      fc.property(quads, quads, place, ([a, turnA, sizeA], [b, turnB, sizeB], at) => {
        const square = ({ x, y }: Point, turn: number, size: number): Corners => [
          { x, y },
          { x: x + size, y: y + turn * size },
          { x: x + size * 0.8, y: y + size },
          { x: x - turn * size, y: y + size * 1.2 },
        ]
        const [from, to] = [square(a, turnA, sizeA), square(b, turnB, sizeB)]
        const there = homography(from, to)!
        const back = homography(to, from)!
        for (const [index, corner] of from.entries()) {
          expect(mapped(there, corner).x).toBeCloseTo(to[index]!.x, 3)
          expect(mapped(there, corner).y).toBeCloseTo(to[index]!.y, 3)
        }
        const inside = {
          x: from[0].x + (at.x / 1000) * sizeA * 0.7,
          y: from[0].y + (at.y / 1000) * sizeA * 0.7,
        }
        expect(mapped(back, mapped(there, inside)).x).toBeCloseTo(inside.x, 2)
      }),
    )
    const line: Corners = [
      { x: 0, y: 0 },
      { x: 1, y: 1 },
      { x: 2, y: 2 },
      { x: 3, y: 3 },
    ]
    expect(homography(line, line)).toBeUndefined()
  })

  test('of 24 crooked, dim photos the sheet is found in nearly all, to a few pixels of their height', () => {
    const chance = seeded(7)
    let right = 0
    for (let photo = 0; photo < 24; photo++) {
      const shot = shotOf(chance)
      const found = findSheet(photographed(SHEET, shot))
      if (found && farthest(found, shot.corners) < HIGH * 0.008) right++
    }
    expect(right).toBeGreaterThanOrEqual(23)
  })

  test('where light comes from one side only, a bright table is not taken for paper', () => {
    const chance = seeded(21)
    for (const table of TABLES) {
      const shot = { ...shotOf(chance), table, light: [0.42, 0.95] as const }
      const found = findSheet(photographed(SHEET, shot))!
      expect(farthest(found, shot.corners)).toBeLessThan(HIGH * 0.01)
    }
  })

  test('a thumb over a side does not move it', () => {
    const chance = seeded(11)
    const shot = shotOf(chance)
    const [upper, lower] = [shot.corners[1], shot.corners[2]]
    const at = { x: (upper.x + lower.x) / 2 + 8, y: (upper.y + lower.y) / 2 }
    const found = findSheet(photographed(SHEET, { ...shot, thumb: { at, radius: 26 } }))!
    expect(farthest(found, shot.corners)).toBeLessThan(HIGH * 0.02)
  })

  test('where there is no sheet none is found', () => {
    const chance = seeded(3)
    const flat = (value: number): Pixels => {
      const picture = new Picture(WIDE, HIGH)
      for (let at = 0; at < picture.data.length; at += 4)
        for (let part = 0; part < 3; part++) picture.data[at + part] = value + chance() * 20
      return picture
    }
    for (const value of [20, 120, 230]) expect(findSheet(flat(value))).toBeUndefined()
    expect(findSheet(new Picture(1, 1))).toBeUndefined()
    // A round dark table is none either.
    expect(
      findSheet(
        new Picture(400, 300).line(
          [
            [200, 150],
            [201, 150],
          ],
          180,
        ),
      ),
    ).toBeUndefined()
  })

  test('straightened it lies as it was printed, and in even light its paper is white and its ink dark', () => {
    const chance = seeded(5)
    const shot = { ...shotOf(chance), light: [0.95, 0.45] as const }
    const photo = photographed(SHEET, shot)
    const { width, height } = sheetSize(shot.corners, 421, photo)
    expect(height / width).toBeCloseTo(Math.SQRT2, 1)
    const flat = straighten(photo, shot.corners, 298, 421)!
    evenLight(flat)
    const at = (x: number, y: number) => flat.data[(y * 298 + x) * 4]!
    for (const [x, y] of [
      [15, 200],
      [285, 200],
      [150, 405],
      [60, 28],
      [275, 30],
    ] as const)
      expect(at(x, y)).toBeGreaterThan(232)
    let dark = 0
    for (let word = 0; word < 8; word++)
      if (Math.min(at(40 + word * 30, 39), at(40 + word * 30, 40), at(40 + word * 30, 41)) < 130) dark++
    expect(dark).toBe(8)
    expect(
      straighten(photo, [shot.corners[0], shot.corners[0], shot.corners[0], shot.corners[0]], 10, 10),
    ).toBeUndefined()
  })

  test('what is filled with colour on it stays so', () => {
    const bar = new Picture(298, 421).line(
      [
        [60, 210],
        [240, 210],
      ],
      60,
      [30, 60, 180],
    )
    const chance = seeded(8)
    const shot = { ...shotOf(chance), light: [0.5, 0.9] as const }
    const flat = straighten(photographed(bar, shot), shot.corners, 298, 421)!
    evenLight(flat)
    for (const x of [70, 150, 230])
      for (const [part, value] of [30, 60, 180].entries())
        expect(Math.abs(flat.data[(210 * 298 + x) * 4 + part]! - value)).toBeLessThan(30)
    expect(flat.data[(300 * 298 + 150) * 4]).toBeGreaterThan(235)
  })

  test('seen from any side, A4 is A4 and Letter is Letter', () => {
    const chance = seeded(31)
    for (const proportion of [Math.SQRT2, 11 / 8.5, 1.8])
      for (let view = 0; view < 40; view++) {
        // A camera with a focal length of one photo's height looks at a sheet that leans away in both directions.
        const [lean, sway, roll] = [0.2 + chance() * 0.5, (chance() - 0.5) * 0.8, (chance() - 0.5) * 0.4]
        const corner = (across: number, down: number): Point => {
          const [x0, y0] = [across * 100, down * 100 * proportion]
          const [x1, y1] = [
            x0 * Math.cos(roll) - y0 * Math.sin(roll),
            x0 * Math.sin(roll) + y0 * Math.cos(roll),
          ]
          const [y2, z2] = [y1 * Math.cos(lean), y1 * Math.sin(lean)]
          const [x3, z3] = [
            x1 * Math.cos(sway) + z2 * Math.sin(sway),
            z2 * Math.cos(sway) - x1 * Math.sin(sway),
          ]
          const far = 500 - z3
          return { x: 600 + (x3 / far) * 1600, y: 800 + (y2 / far) * 1600 }
        }
        const seen = sheetSize([corner(-1, -1), corner(1, -1), corner(1, 1), corner(-1, 1)], 1e4, {
          width: 1200,
          height: 1600,
        })
        expect(seen.height / seen.width / proportion).toBeGreaterThan(0.985)
        expect(seen.height / seen.width / proportion).toBeLessThan(1.015)
      }
  })

  test('a sheet is as large as it is seen, in the proportions of its paper', () => {
    const square = (width: number, height: number): Corners => [
      { x: 0, y: 0 },
      { x: width, y: 0 },
      { x: width, y: height },
      { x: 0, y: height },
    ]
    const SEEN = { width: 4000, height: 3000 }
    expect(sheetSize(square(300, 400), 1000, SEEN)).toEqual({ width: 309, height: 400 })
    expect(sheetSize(square(400, 290), 1000, SEEN)).toEqual({ width: 400, height: 283 })
    expect(sheetSize(square(3000, 1000), 1500, SEEN)).toEqual({ width: 1500, height: 500 })
  })
})
