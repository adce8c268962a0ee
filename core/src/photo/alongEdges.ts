import type { Point } from '../ink/points.ts'
import type { Corners } from './homography.ts'
import type { Grey } from './pixels.ts'
import { type Line, lineThrough, meet } from './quad.ts'

/** How many places of a side are looked at, how far beside it, and between how many pixels on either side, in pixels. */
const PLACES = 48
const BESIDE = 7
const DEEP = 2
/** A place of a line that lies farther off than this is something else's edge, in pixels. */
const OFF = 1.2

/**
 * Corners that lie nearly right, brought to where the picture changes most from dark (outside) to bright (inside).
 * A side where too little is to be seen stays. `weakest`: which part of the side that is seen worst is seen.
 */
export function alongEdges(grey: Grey, corners: Corners): { corners: Corners; weakest: number } {
  const sides = corners.map((from, index) => edgeNear(grey, from, corners[(index + 1) % 4]!))
  const laid = corners.map(
    (corner, index) => meet(sides[(index + 3) % 4]!.line, sides[index]!.line) ?? corner,
  )
  return { corners: laid as unknown as Corners, weakest: Math.min(...sides.map(({ seen }) => seen)) }
}

/** The edge near a side; what lies to the right of the way from one end to the other is inside. */
function edgeNear(grey: Grey, from: Point, to: Point): { line: Line; seen: number } {
  const long = Math.hypot(to.x - from.x, to.y - from.y)
  const side: Line = { at: from, along: { x: (to.x - from.x) / long, y: (to.y - from.y) / long } }
  const inward = { x: -side.along.y, y: side.along.x }
  const found: Point[] = []
  for (let step = 0; step < PLACES; step++) {
    const part = 0.06 + (0.88 * step) / (PLACES - 1)
    const at = { x: from.x + (to.x - from.x) * part, y: from.y + (to.y - from.y) * part }
    const off = steepest(grey, at, inward)
    if (off !== undefined) found.push({ x: at.x + inward.x * off, y: at.y + inward.y * off })
  }
  const best = withoutOutliers(found)
  return best.places.length < PLACES / 3
    ? { line: side, seen: best.places.length / PLACES }
    : { line: best.line!, seen: best.places.length / PLACES }
}

/** How far inward of a place it becomes bright most steeply; nothing: nowhere plainly. */
function steepest(grey: Grey, at: Point, inward: Point): number | undefined {
  let best: number | undefined
  let most = 12
  for (let off = -BESIDE; off <= BESIDE; off += 0.5) {
    let rise = 0
    for (let deep = 0.5; deep <= DEEP; deep++)
      rise += valueAt(grey, at, inward, off + deep) - valueAt(grey, at, inward, off - deep)
    if (rise / DEEP > most) [best, most] = [off, rise / DEEP]
  }
  return best
}

/** The brightness at a place, between four pixels. */
function valueAt({ data, width, height }: Grey, at: Point, inward: Point, far: number): number {
  const x = Math.min(width - 1.01, Math.max(0, at.x + inward.x * far - 0.5))
  const y = Math.min(height - 1.01, Math.max(0, at.y + inward.y * far - 0.5))
  const [left, top] = [Math.floor(x), Math.floor(y)]
  const [right, low] = [x - left, y - top]
  const from = top * width + left
  return (
    (data[from]! * (1 - right) + data[from + 1]! * right) * (1 - low) +
    (data[from + width]! * (1 - right) + data[from + width + 1]! * right) * low
  )
}

/** The line through most of the places, and those on it: those that lie off are left out, the farthest first. */
function withoutOutliers(places: readonly Point[]): { line: Line | undefined; places: readonly Point[] } {
  let left = [...places]
  for (;;) {
    const line = lineThrough(left)
    if (!line) return { line, places: [] }
    const off = ({ x, y }: Point) => Math.abs((x - line.at.x) * line.along.y - (y - line.at.y) * line.along.x)
    const worst = Math.max(...left.map(off))
    if (worst <= OFF) return { line, places: left }
    left = left.filter((place) => off(place) < Math.max(OFF, worst * 0.8))
  }
}
