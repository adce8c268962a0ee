import type { Point } from '../ink/points.ts'

export const distance = (a: Point, b: Point): number => Math.hypot(b.x - a.x, b.y - a.y)

/** How long the way through places is, in points. */
export function lengthOf(places: readonly Point[]): number {
  let length = 0
  for (let at = 1; at < places.length; at++) length += distance(places[at - 1]!, places[at]!)
  return length
}

/** The same way through `count` places that lie equally far apart along it. */
export function evenly(places: readonly Point[], count: number): Point[] {
  const step = lengthOf(places) / (count - 1)
  const made: Point[] = [places[0]!]
  let gone = 0
  for (let at = 1; at < places.length && made.length < count - 1; at++) {
    const [a, b] = [places[at - 1]!, places[at]!]
    const long = distance(a, b)
    while (long > 0 && gone + long >= step * made.length && made.length < count - 1) {
      const part = (step * made.length - gone) / long
      made.push({ x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part })
    }
    gone += long
  }
  while (made.length < count) made.push(places.at(-1)!)
  return made
}

/** How far a place is from the straight line through two others. */
export function offLine(at: Point, a: Point, b: Point): number {
  const long = distance(a, b)
  if (long === 0) return distance(at, a)
  return Math.abs((b.x - a.x) * (a.y - at.y) - (a.x - at.x) * (b.y - a.y)) / long
}

/** How far a place is from a segment. */
export function offSegment(at: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const square = dx * dx + dy * dy
  const part = square === 0 ? 0 : Math.max(0, Math.min(1, ((at.x - a.x) * dx + (at.y - a.y) * dy) / square))
  return Math.hypot(at.x - a.x - part * dx, at.y - a.y - part * dy)
}

/** By how much a way turns at its middle of three places, in radians: to the right more, to the left less than 0. */
export function turnAt(before: Point, at: Point, after: Point): number {
  const [ax, ay, bx, by] = [at.x - before.x, at.y - before.y, after.x - at.x, after.y - at.y]
  return Math.atan2(ax * by - ay * bx, ax * bx + ay * by)
}

/** An angle in degrees, brought to at least `from` and less than `from + span`. */
export function within(degrees: number, from: number, span: number): number {
  const over = (degrees - from) % span
  return from + (over < 0 ? over + span : over)
}

export const degreesOf = (from: Point, to: Point): number =>
  (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
