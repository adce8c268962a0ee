import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { segmentsDistance2 } from './hitTest.ts'
import type { InkPoint, Point } from './points.ts'
import { rubOut } from './rubOut.ts'
import { toSegment } from './simplify.ts'

const place = fc.record({
  x: fc.double({ min: 0, max: 200, noNaN: true }),
  y: fc.double({ min: 0, max: 200, noNaN: true }),
})
const ink = fc
  .array(place, { minLength: 2, maxLength: 25 })
  .map((places) =>
    places.map((each, index): InkPoint => ({ ...each, pressure: (index % 5) / 5, time: index * 8 })),
  )
const way = fc.array(place, { minLength: 1, maxLength: 8 })
const radius = fc.double({ min: 0.5, max: 40, noNaN: true })
const NEAR = 1e-4

const length = (points: readonly Point[]) =>
  points
    .slice(1)
    .reduce((sum, to, index) => sum + Math.hypot(to.x - points[index]!.x, to.y - points[index]!.y), 0)
const toWay = (p: Point, places: readonly Point[]) =>
  Math.min(...places.map((to, index) => toSegment(p, places[Math.max(0, index - 1)]!, to)))
/** Places spread evenly along a line, with its corners. */
const along = (points: readonly Point[], each = 7) =>
  points.slice(1).flatMap((to, index) => {
    const from = points[index]!
    return Array.from({ length: each + 1 }, (_, step) => ({
      x: from.x + ((to.x - from.x) * step) / each,
      y: from.y + ((to.y - from.y) * step) / each,
    }))
  })

describe('rubbing out', () => {
  test('two samples that are nearly the same place are rubbed out like one', () => {
    const points = [1.5e-162, 0, 0].map((x, index) => ({ x, y: 0, pressure: index / 5, time: index * 8 }))
    expect(rubOut(points, [{ x: 0, y: 0 }], 0.5)).toEqual([])
  })

  test('what is left lies on the stroke and nowhere nearer to the way than the radius', () => {
    fc.assert(
      fc.property(ink, way, radius, (points, places, reach) => {
        for (const piece of rubOut(points, places, reach) ?? [])
          for (const at of along(piece)) {
            const off = Math.min(...points.slice(1).map((to, index) => toSegment(at, points[index]!, to)))
            expect(off).toBeLessThan(NEAR)
            expect(toWay(at, places)).toBeGreaterThan(reach - NEAR)
          }
      }),
    )
  })

  test('what is left and what was rubbed out together are the stroke', () => {
    fc.assert(
      fc.property(ink, way, radius, (points, places, reach) => {
        const pieces = rubOut(points, places, reach) ?? [points]
        for (const at of along(points)) {
          if (toWay(at, places) < reach + NEAR) continue
          const off = Math.min(
            ...pieces.flatMap((piece) => piece.slice(1).map((to, index) => toSegment(at, piece[index]!, to))),
            ...pieces
              .filter((piece) => piece.length === 1)
              .map(([only]) => Math.hypot(only!.x - at.x, only!.y - at.y)),
          )
          expect(off).toBeLessThan(NEAR)
        }
        expect(pieces.reduce((sum, piece) => sum + length(piece), 0)).toBeLessThan(length(points) + NEAR)
      }),
    )
  })

  test('nothing is met exactly when the way keeps off', () => {
    fc.assert(
      fc.property(ink, way, radius, (points, places, reach) => {
        const nearest = Math.sqrt(
          Math.min(
            ...points
              .slice(1)
              .flatMap((to, index) =>
                places.map((end, at) =>
                  segmentsDistance2(points[index]!, to, places[Math.max(0, at - 1)]!, end),
                ),
              ),
          ),
        )
        fc.pre(Math.abs(nearest - reach) > NEAR)
        expect(rubOut(points, places, reach) === undefined).toBe(nearest > reach)
      }),
    )
  })

  test('across the middle of a line two pieces are left, with pressure and time between', () => {
    const line: InkPoint[] = [
      { x: 0, y: 0, pressure: 0, time: 0 },
      { x: 100, y: 0, pressure: 1, time: 100 },
    ]
    const pieces = rubOut(
      line,
      [
        { x: 50, y: -30 },
        { x: 50, y: 30 },
      ],
      10,
    )!
    expect(pieces).toHaveLength(2)
    expect(pieces[0]!.at(-1)).toEqual({ x: 40, y: 0, pressure: 0.4, time: 40 })
    expect(pieces[1]![0]).toEqual({ x: 60, y: 0, pressure: 0.6, time: 60 })
  })

  test('a dot goes whole or stays; going all along leaves nothing', () => {
    const dot = [{ x: 5, y: 5, pressure: 0.5, time: 0 }]
    expect(rubOut(dot, [{ x: 8, y: 5 }], 4)).toEqual([])
    expect(rubOut(dot, [{ x: 10, y: 5 }], 4)).toBeUndefined()
    const line = [0, 10, 20].map((x) => ({ x, y: 0, pressure: 0.5, time: x }))
    expect(rubOut(line, line, 3)).toEqual([])
    expect(rubOut([], line, 3)).toBeUndefined()
  })
})
