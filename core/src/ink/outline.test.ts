import { describe, expect, test } from '@jest/globals'
import { touches } from './hitTest.ts'
import { hasPressure, strokeOutline, traceOutline } from './outline.ts'
import { boundsOf, overlap } from './points.ts'
import { LEAST_STEP, worthKeeping } from './thin.ts'

const line = (pressure: (along: number) => number) =>
  Array.from({ length: 50 }, (_, index) => ({
    x: index * 4,
    y: 100,
    pressure: pressure(index / 49),
    time: index * 8,
  }))

const thickness = (outline: number[][], near: number) => {
  const ys = outline.filter(([x]) => Math.abs(x! - near) < 10).map(([, y]) => y!)
  return Math.max(...ys) - Math.min(...ys)
}

describe('the outline of a stroke', () => {
  test('is thicker where the pen pressed harder', () => {
    const outline = strokeOutline(
      line((along) => 0.15 + 0.8 * along),
      'pen',
      4,
    )
    expect(thickness(outline, 160)).toBeGreaterThan(thickness(outline, 40) * 1.3)
  })

  test('of a highlighter keeps its width whatever the pressure', () => {
    const outline = strokeOutline(
      line((along) => along),
      'highlighter',
      12,
    )
    expect(thickness(outline, 160)).toBeCloseTo(12, 0)
    expect(thickness(outline, 40)).toBeCloseTo(12, 0)
  })

  test('of one tap is a dot of about the pen width', () => {
    const box = boundsOf(
      strokeOutline([{ x: 10, y: 10, pressure: 0.5, time: 0 }], 'pen', 3).map(([x, y]) => ({ x: x!, y: y! })),
    )
    expect(box.x1 - box.x0).toBeGreaterThan(1)
    expect(box.x1 - box.x0).toBeLessThan(6)
  })

  test('is traced as one closed path that stays within the outline', () => {
    const outline = strokeOutline(
      line(() => 0.5),
      'pen',
      4,
    )
    const calls: string[] = []
    const ys: number[] = []
    traceOutline(outline, {
      moveTo(_x, y) {
        calls.push('m')
        ys.push(y)
      },
      quadraticCurveTo(_cx, cy, _x, y) {
        calls.push('q')
        ys.push(cy, y)
      },
      closePath() {
        calls.push('z')
      },
    })
    expect(calls[0]).toBe('m')
    expect(calls.at(-1)).toBe('z')
    expect(calls.filter((call) => call === 'q')).toHaveLength(outline.length)
    expect(Math.max(...ys.map((y) => Math.abs(y - 100)))).toBeLessThan(4)
    traceOutline([[0, 0]], { moveTo: fail, quadraticCurveTo: fail, closePath: fail })
  })

  test('pressure that never changes is no pressure', () => {
    expect(hasPressure(line(() => 0.5))).toBe(false)
    expect(hasPressure(line((along) => along))).toBe(true)
  })
})

function fail(): never {
  throw new Error('nothing was to be drawn')
}

describe('touching a stroke', () => {
  const stroke = [
    { x: 0, y: 0 },
    { x: 100, y: 0 },
  ]
  test('counts the half width and the radius', () => {
    expect(touches(stroke, 4, { x: 50, y: 6.9 }, { x: 50, y: 6.9 }, 5)).toBe(true)
    expect(touches(stroke, 4, { x: 50, y: 7.1 }, { x: 50, y: 7.1 }, 5)).toBe(false)
  })
  test('sees a fast eraser that jumps over it', () => {
    expect(touches(stroke, 1, { x: 50, y: -80 }, { x: 50, y: 80 }, 1)).toBe(true)
    expect(touches(stroke, 1, { x: 150, y: -80 }, { x: 150, y: 80 }, 1)).toBe(false)
  })
  test('sees a dot and nothing in nothing', () => {
    expect(touches([{ x: 5, y: 5 }], 2, { x: 5, y: 7 }, { x: 5, y: 7 }, 1.5)).toBe(true)
    expect(touches([], 2, { x: 5, y: 7 }, { x: 5, y: 7 }, 100)).toBe(false)
  })
})

test('bounds hold their points and overlap when they share one', () => {
  const a = boundsOf(
    [
      { x: 3, y: 9 },
      { x: -1, y: 2 },
    ],
    1,
  )
  expect(a).toEqual({ x0: -2, y0: 1, x1: 4, y1: 10 })
  expect(overlap(a, boundsOf([{ x: 4, y: 10 }]))).toBe(true)
  expect(overlap(a, boundsOf([{ x: 4.1, y: 10 }]))).toBe(false)
  expect(boundsOf([])).toEqual({ x0: 0, y0: 0, x1: 0, y1: 0 })
})

test('a sample that says nothing new is not kept', () => {
  const at = { x: 1, y: 1, pressure: 0.5, time: 0 }
  expect(worthKeeping(undefined, at)).toBe(true)
  expect(worthKeeping(at, { ...at, x: 1 + LEAST_STEP / 2 })).toBe(false)
  expect(worthKeeping(at, { ...at, x: 1 + LEAST_STEP * 2 })).toBe(true)
  expect(worthKeeping(at, { ...at, pressure: 0.7 })).toBe(true)
})

describe('tiny writing', () => {
  const size = (points: { x: number; y: number }[], width: number) => {
    const ink = points.map((point, index) => ({ ...point, pressure: 0.5, time: index * 8 }))
    const box = boundsOf(strokeOutline(ink, 'felt tip', width).map(([x, y]) => ({ x: x!, y: y! })))
    return [box.x1 - box.x0, box.y1 - box.y0] as const
  }

  test('a dash of 2 pt with a nib of 0.5 pt is about that long and that thick', () => {
    const [across, down] = size(
      [0, 0.5, 1, 1.5, 2].map((x) => ({ x: 100 + x, y: 50 })),
      0.5,
    )
    expect(across).toBeGreaterThan(1.9)
    expect(across).toBeLessThan(2.8)
    expect(down).toBeLessThan(0.65)
  })

  test('a dot is as wide as its nib', () => {
    for (const width of [0.3, 0.5, 2, 8]) {
      const [across, down] = size([{ x: 10, y: 10 }], width)
      expect(across).toBeLessThan(width * 1.6)
      expect(down).toBeLessThan(width * 1.6)
      expect(across).toBeGreaterThan(width * 0.6)
    }
  })
})
