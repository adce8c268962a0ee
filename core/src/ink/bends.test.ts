import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { withBends } from './bends.ts'
import { strokeOutline } from './outline.ts'
import { boundsOf, type InkPoint } from './points.ts'
import { NIBS } from './stroke.ts'

const place = fc.double({ min: -200, max: 800, noNaN: true })
const sample = fc.record({
  x: place,
  y: place,
  pressure: fc.double({ min: 0, max: 1, noNaN: true }),
  time: fc.integer({ min: 0, max: 10_000 }),
})
const samples = fc.array(sample, { minLength: 1, maxLength: 30 })
const at = (x: number, y: number, pressure = 0.5): InkPoint => ({ x, y, pressure, time: 0 })
const distance = (a: InkPoint, b: InkPoint) => Math.hypot(a.x - b.x, a.y - b.y)

describe('bends between samples', () => {
  test('every sample stays, in order, and what comes between lies near its leg', () => {
    fc.assert(
      fc.property(samples, (points) => {
        const bent = withBends(points, 3)
        let next = 0
        for (const point of bent) {
          if (point === points[next]) next++
          else {
            const [from, to] = [points[next - 1]!, points[next]!]
            const reach = distance(from, to)
            expect(distance(from, point)).toBeLessThanOrEqual(reach * 1.3)
            expect(point.pressure).toBeGreaterThanOrEqual(Math.min(from.pressure, to.pressure) - 1e-9)
            expect(point.pressure).toBeLessThanOrEqual(Math.max(from.pressure, to.pressure) + 1e-9)
          }
        }
        expect(next).toBe(points.length)
      }),
    )
  })

  test('what lies close together stays as it is', () => {
    const points = [at(0, 0), at(1, 1), at(2, 0)]
    expect(withBends(points, 3)).toBe(points)
  })

  test('straight to a corner, round through a curve', () => {
    const corner = withBends([at(0, 0), at(20, 0), at(20, 20)], 3)
    for (const { x, y } of corner) expect(Math.min(Math.abs(y), Math.abs(x - 20))).toBeLessThan(1e-9)
    const curve = withBends([at(0, 0), at(10, 3), at(20, 3), at(30, 0)], 3)
    expect(Math.max(...curve.map(({ y }) => y))).toBeGreaterThan(3.3)
  })
})

describe('outlines of few samples', () => {
  test('a zigzag with one sample a leg reaches all its corners', () => {
    for (const nib of ['pen', 'felt tip'] as const) {
      const corners = [at(0, 0), at(10, -14), at(20, 0), at(30, -14), at(40, 0)]
      const outline = strokeOutline(corners, nib, 2)
      for (const { x, y } of corners.slice(1, -1)) {
        const nearest = Math.min(...outline.map(([left, top]) => Math.hypot(left! - x, top! - y)))
        expect(nearest).toBeLessThan(1.6)
      }
    }
  })

  test('a tap is a round dot, with every nib, and lies within the bounds of its stroke', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...NIBS),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.array(sample, { minLength: 1, maxLength: 5 }),
        (nib, width, shakes) => {
          const points = shakes.map(({ x, y, pressure }) =>
            at(100 + (x / 1000) * width * 0.3, 100 + (y / 1000) * width * 0.3, pressure),
          )
          const box = boundsOf(strokeOutline(points, nib, width).map(([x, y]) => ({ x: x!, y: y! })))
          expect(box.x1 - box.x0).toBeCloseTo(box.y1 - box.y0, 1)
          expect(box.x1 - box.x0).toBeGreaterThan(width * 0.05)
          const room = boundsOf(points, width)
          expect(box.x0).toBeGreaterThanOrEqual(room.x0)
          expect(box.x1).toBeLessThanOrEqual(room.x1)
        },
      ),
    )
  })
})
