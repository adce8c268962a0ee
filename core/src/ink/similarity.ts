import { z } from 'zod'
import type { Point } from './points.ts'

/** How small and how large things can be made, in times their size, and how far away they can lie, in points. */
const LEAST_GROWTH = 1e-6
const MOST_GROWTH = 1e6
const FARTHEST = 1e8

/**
 * A way to lay things elsewhere that keeps their shape: moved, scaled alike in all directions, turned.
 * The place x, y goes to a·x − b·y + e, b·x + a·y + f; all in points of the page.
 */
export const schema = z
  .strictObject({
    a: z.number().min(-1000).max(1000),
    b: z.number().min(-1000).max(1000),
    e: z.number().min(-1e6).max(1e6),
    f: z.number().min(-1e6).max(1e6),
  })
  // What is made to nothing cannot be brought back.
  .refine(({ a, b }) => Math.hypot(a, b) >= LEAST_GROWTH, 'That is too small to be found again.')
export type Similarity = z.infer<typeof schema>

/** Everything stays where it is. */
export const identity: Similarity = { a: 1, b: 0, e: 0, f: 0 }

export const translation = (dx: number, dy: number): Similarity => ({ a: 1, b: 0, e: dx, f: dy })

/** Scaled by `factor` and turned by `degrees`, clockwise as it is seen, about a place that stays. */
export function about({ x, y }: Point, factor: number, degrees: number): Similarity {
  const angle = (degrees * Math.PI) / 180
  const a = factor * Math.cos(angle)
  const b = factor * Math.sin(angle)
  return { a, b, e: x - a * x + b * y, f: y - b * x - a * y }
}

/** First the one, then the other. */
export function compose(first: Similarity, second: Similarity): Similarity {
  return {
    a: second.a * first.a - second.b * first.b,
    b: second.b * first.a + second.a * first.b,
    e: second.a * first.e - second.b * first.f + second.e,
    f: second.b * first.e + second.a * first.f + second.f,
  }
}

/** What brings everything back. Law: `compose(m, inverse(m))` is `identity`, to the precision of numbers. */
export function inverse({ a, b, e, f }: Similarity): Similarity {
  const square = a * a + b * b
  return {
    a: a / square,
    b: -b / square,
    e: -(a * e + b * f) / square,
    f: (b * e - a * f) / square,
  }
}

/** Whether things laid by a similarity can be seen and brought back: any number of moves one after the other may not. */
export function canBeSeen(by: Similarity): boolean {
  const growth = scaleOf(by)
  // A comparison with NaN is false.
  return (
    growth >= LEAST_GROWTH &&
    growth <= MOST_GROWTH &&
    Math.abs(by.e) <= FARTHEST &&
    Math.abs(by.f) <= FARTHEST
  )
}

/** Whether a place is one that can be drawn. */
export const isPlace = ({ x, y }: Point): boolean => Math.abs(x) <= FARTHEST && Math.abs(y) <= FARTHEST

export function apply<P extends Point>(point: P, { a, b, e, f }: Similarity): P {
  return { ...point, x: a * point.x - b * point.y + e, y: b * point.x + a * point.y + f }
}

/** How many times larger things become. */
export const scaleOf = ({ a, b }: Similarity): number => Math.hypot(a, b)

/** By how many degrees, clockwise as it is seen, things are turned; from −180 to 180. */
export const angleOf = ({ a, b }: Similarity): number => (Math.atan2(b, a) * 180) / Math.PI

/** What lays two places onto two others, as two fingers do. Places that fall together only move. */
export function between(from: readonly [Point, Point], to: readonly [Point, Point]): Similarity {
  const [dx, dy] = [from[1].x - from[0].x, from[1].y - from[0].y]
  const [ex, ey] = [to[1].x - to[0].x, to[1].y - to[0].y]
  const square = dx * dx + dy * dy
  if (square === 0 || ex * ex + ey * ey === 0) return translation(to[0].x - from[0].x, to[0].y - from[0].y)
  const a = (dx * ex + dy * ey) / square
  const b = (dx * ey - dy * ex) / square
  return { a, b, e: to[0].x - a * from[0].x + b * from[0].y, f: to[0].y - b * from[0].x - a * from[0].y }
}
