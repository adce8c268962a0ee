import { randomUUID } from 'node:crypto'
import { type InkPoint, type Layer, type PageEvent, packPoints, type Stroke, toBase64 } from '@hand-back/core'

/** A straight stroke from one place to another, in points of the page. */
export function lineStroke(from: [number, number], to: [number, number], look: Partial<Stroke> = {}): Stroke {
  const count = 30
  const points: InkPoint[] = Array.from({ length: count }, (_, index) => {
    const along = index / (count - 1)
    return {
      x: from[0] + (to[0] - from[0]) * along,
      y: from[1] + (to[1] - from[1]) * along,
      pressure: 0.5,
      time: index * 8,
    }
  })
  return {
    id: randomUUID(),
    kind: 'stroke',
    nib: 'pen',
    colour: '#1e2b3a',
    width: 2,
    points: toBase64(packPoints(points)),
    ...look,
  }
}

/** An event that puts strokes on a page. */
export function adding(page: string, layer: Layer = 'work', ...items: Stroke[]): PageEvent & { act: 'add' } {
  const strokes = items.length > 0 ? items : [lineStroke([100, 100], [200, 120])]
  return { id: randomUUID(), page, layer, madeAt: 1_790_000_000_000, act: 'add', items: strokes }
}
