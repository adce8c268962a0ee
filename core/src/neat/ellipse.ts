import type { Point } from '../ink/points.ts'
import type { Neat } from './neat.ts'
import { within } from './path.ts'

/** What is as wide as high to this part is meant to be. */
const ROUND = 0.12
/** What is level or upright to so many degrees is meant to be. */
const LEVEL = 7

/** The ellipse that holds as much as a loop and lies as it does. */
export interface Ellipse {
  readonly middle: Point
  readonly area: number
  readonly neat: Neat
  /** How far the loop lies from it, on average, in points. */
  readonly off: number
}

/**
 * The ellipse with the area, middle and second moments of a loop; nothing for a loop that holds nothing.
 * Source: moments of a polygon by Green's theorem; an ellipse's moment along an axis is its square / 4.
 */
export function ellipseOf(loop: readonly Point[]): Ellipse | undefined {
  let [twice, mx, my] = [0, 0, 0]
  const pairs = loop.map((a, index) => [a, loop[(index + 1) % loop.length]!] as const)
  // About its first place: far from 0,0 the numbers would lose what they are to tell.
  const at = loop[0]!
  const near = pairs.map(([a, b]) => [a.x - at.x, a.y - at.y, b.x - at.x, b.y - at.y] as const)
  for (const [ax, ay, bx, by] of near) {
    const cross = ax * by - bx * ay
    twice += cross
    mx += (ax + bx) * cross
    my += (ay + by) * cross
  }
  if (twice === 0) return undefined
  const [cx, cy] = [mx / (3 * twice), my / (3 * twice)]
  let [xx, yy, xy] = [0, 0, 0]
  for (const [ax, ay, bx, by] of near) {
    const cross = ax * by - bx * ay
    xx += (ax * ax + ax * bx + bx * bx) * cross
    yy += (ay * ay + ay * by + by * by) * cross
    xy += (ax * by + 2 * ax * ay + 2 * bx * by + bx * ay) * cross
  }
  const [sxx, syy, sxy] = [
    xx / (6 * twice) - cx * cx,
    yy / (6 * twice) - cy * cy,
    xy / (12 * twice) - cx * cy,
  ]
  const middle = { x: cx + at.x, y: cy + at.y }
  const mean = (sxx + syy) / 2
  const apart = Math.hypot((sxx - syy) / 2, sxy)
  const turn = (Math.atan2(2 * sxy, sxx - syy) / 2) * (180 / Math.PI)
  const axes = { long: 2 * Math.sqrt(mean + apart), short: 2 * Math.sqrt(Math.max(0, mean - apart)) }
  if (!(axes.short > 0)) return undefined
  return {
    middle,
    area: Math.abs(twice) / 2,
    neat: neat(middle, axes, turn),
    off: offEllipse(loop, middle, axes, turn),
  }
}

interface Axes {
  readonly long: number
  readonly short: number
}

function neat(middle: Point, { long, short }: Axes, degrees: number): Neat {
  const round = 1 - short / long <= ROUND
  const [a, b] = round ? [(long + short) / 2, (long + short) / 2] : [long, short]
  const turn = within(degrees, -90, 180)
  const level = round || Math.abs(turn) <= LEVEL
  const upright = !level && Math.abs(Math.abs(turn) - 90) <= LEVEL
  const [across, down] = upright ? [b, a] : [a, b]
  return {
    form: 'ellipse',
    ...{ x: middle.x - across, y: middle.y - down, width: 2 * across, height: 2 * down },
    turn: level || upright ? 0 : turn,
  }
}

function offEllipse(loop: readonly Point[], middle: Point, { long, short }: Axes, degrees: number): number {
  const angle = (degrees * Math.PI) / 180
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  let off = 0
  for (const { x, y } of loop) {
    const [dx, dy] = [x - middle.x, y - middle.y]
    const times = Math.hypot((dx * cos + dy * sin) / long, (dy * cos - dx * sin) / short)
    off += Math.abs(1 - 1 / Math.max(times, 0.1)) * Math.hypot(dx, dy)
  }
  return off / loop.length
}
