import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { strokeOutline } from '../ink/outline.ts'
import { packPoints } from '../ink/pack.ts'
import type { Point } from '../ink/points.ts'
import { toSegment } from '../ink/simplify.ts'
import { strokePoints } from '../ink/stroke.ts'
import { idOf } from '../test/arbitrary.ts'
import { colourParts, middleLineOperators, strokeOperators } from './pdfInk.ts'

const stroke = (points: string) => ({
  id: idOf(1),
  kind: 'stroke' as const,
  nib: 'pen' as const,
  colour: '#a83a2e',
  width: 2,
  points,
})

test('a stroke becomes one filled path in its colour, near where it was drawn', () => {
  const points = Array.from({ length: 20 }, (_, index) => ({
    x: 100 + index * 5,
    y: 300,
    pressure: 0.5,
    time: index * 8,
  }))
  const operators = strokeOperators(stroke(toBase64(packPoints(points))))
  expect(operators).toMatch(/^q 0.659 0.227 0.180 rg /)
  expect(operators).toMatch(/\nf Q$/)
  const corners = cornersOf(operators)
  expect(corners.length).toBeGreaterThan(8)
  for (const { x, y } of corners) {
    expect(x).toBeGreaterThan(95)
    expect(Math.abs(y - 300)).toBeLessThan(4)
  }
})

/** Where the corners of a stroke's operators lie on the page. */
function cornersOf(operators: string): { x: number; y: number }[] {
  const [, size, x0, y0] = /rg ([\d.]+) 0 0 [\d.]+ (-?[\d.]+) (-?[\d.]+) cm/.exec(operators)!.map(Number)
  return [...operators.matchAll(/^(-?\d+) (-?\d+) [ml]$/gm)].map(([, x, y]) => ({
    x: x0! + Number(x) * size!,
    y: y0! + Number(y) * size!,
  }))
}

test('on paper the outline lies where it lies on the screen, with much less than it takes to say all of it', () => {
  const wave = fc.record({
    high: fc.double({ min: 2, max: 40, noNaN: true }),
    wide: fc.integer({ min: 3, max: 12 }),
  })
  fc.assert(
    fc.property(wave, ({ high, wide }) => {
      const points = Array.from({ length: 160 }, (_, index) => ({
        x: 100 + index * 0.9,
        y: 300 + Math.sin(index / wide) * high,
        pressure: 0.5 + 0.3 * Math.sin(index / 20),
        time: index * 8,
      }))
      const packed = toBase64(packPoints(points))
      const outline = strokeOutline(strokePoints(stroke(packed)), 'pen', 2)
      const corners = cornersOf(strokeOperators(stroke(packed)))
      const closed = [...corners, corners[0]!]
      const away = (x: number, y: number) =>
        Math.min(...corners.map((from, index) => toSegment({ x, y }, from, closed[index + 1]!)))
      const middles = outline.map(([x, y], index) => {
        const [nx, ny] = outline[(index + 1) % outline.length]!
        return [(x! + nx!) / 2, (y! + ny!) / 2] as const
      })
      for (const [x, y] of middles) expect(away(x, y)).toBeLessThan(0.23)
      // Every edge of the outline as a curve would be 38 letters and more.
      expect(strokeOperators(stroke(packed)).length).toBeLessThan((outline.length * 38) / 3)
    }),
    { numRuns: 20 },
  )
})

test('ink that cannot be read draws nothing', () => {
  expect(strokeOperators(stroke('AAAA'))).toBe('')
})

test('colours come apart', () => {
  expect(colourParts('#ff8000').map((part) => Math.round(part * 255))).toEqual([255, 128, 0])
})

test('in a small picture a stroke is its middle line: from end to end, never far from a point, as broad as its nib', () => {
  const points = Array.from({ length: 80 }, (_, index) => ({
    x: 50 + index * 0.5,
    y: 100 + 20 * Math.sin(index / 9),
    pressure: 0.5,
    time: index * 8,
  }))
  const drawn = middleLineOperators(stroke(toBase64(packPoints(points))))
  const way = [...drawn.matchAll(/(-?[\d.]+) (-?[\d.]+) [ml]\n/g)].map(([, x, y]) => ({
    x: Number(x),
    y: Number(y),
  }))
  const away = (point: Point) =>
    Math.min(...way.slice(1).map((to, index) => toSegment(point, way[index]!, to)))
  for (const point of points) expect(away(point)).toBeLessThan(0.6)
  expect(Math.hypot(way[0]!.x - 50, way[0]!.y - 100)).toBeLessThan(0.2)
  expect(Math.hypot(way.at(-1)!.x - points.at(-1)!.x, way.at(-1)!.y - points.at(-1)!.y)).toBeLessThan(0.2)
  expect(way.length).toBeLessThan(25)
  expect(drawn).toContain(' w 1 J 1 j')
  expect(middleLineOperators(stroke('AAAA'))).toBe('')
  // A dot is drawn as well.
  const dot = [{ x: 50, y: 60, pressure: 0.5, time: 0 }]
  expect(middleLineOperators(stroke(toBase64(packPoints(dot))))).toContain('50 60 m\n50 60 l\nS')
})
