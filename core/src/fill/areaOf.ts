import { boundsOf, type Point } from '../ink/points.ts'
import { AREA_STEPS, type Shape } from '../kinds/shape.ts'
import { boxOfBounds } from '../worksheet/box.ts'

/** Where an area with these rings (in points of the page) lies, and its rings in its box. */
export function areaOf(rings: readonly (readonly Point[])[]): Pick<Shape, 'x' | 'y' | 'width' | 'height'> & {
  rings: number[][]
} {
  const { x, y, width, height } = boxOfBounds(boundsOf(rings.flat()))
  const box = { x: short(x), y: short(y), width: short(width), height: short(height) }
  const step = (at: number, from: number, long: number) =>
    long === 0 ? 0 : Math.min(AREA_STEPS, Math.max(0, Math.round(((at - from) / long) * AREA_STEPS)))
  return {
    ...box,
    rings: rings.map((ring) =>
      ring.flatMap(({ x, y }) => [step(x, box.x, box.width), step(y, box.y, box.height)]),
    ),
  }
}

const short = (value: number) => Math.round(value * 100) / 100
