import type { Point } from '../ink/points.ts'

/** How a hand draws: how far it strays, how much of the way it leaves out at its end (less than 0: it goes past). */
export interface HandDraws {
  /** As part of the size of what is drawn. */
  readonly wobble: number
  readonly gap: number
  /** Says the next number from 0 to 1. */
  random(): number
}

/** A way through corners as a hand draws it, sampled every few points; `closed`: back to its first. */
export function drawnByHand(
  corners: readonly Point[],
  closed: boolean,
  { wobble, gap, random }: HandDraws,
): Point[] {
  const all = closed ? [...corners, corners[0]!, corners[1]!] : corners
  const whole = lengths(closed ? all.slice(0, -1) : all)
  const until = closed ? whole * (1 - gap) : whole
  const size = whole / (closed ? 3 : 1)
  // A hand strays slowly: a few waves along the way, each with a phase of its own.
  const waves = [1, 2.3, 4.1].map((times) => ({
    times,
    across: (random() - 0.5) * 2,
    down: (random() - 0.5) * 2,
    phase: random() * 6.28,
  }))
  const places: Point[] = []
  const step = Math.max(1.5, whole / 160)
  for (let gone = 0; gone <= until; gone += step) {
    const { x, y } = along(all, gone)
    const turned = (gone / whole) * 6.28
    const off = waves.reduce(
      ([dx, dy], { times, across, down, phase }) => [
        dx! + (across * Math.sin(turned * times + phase)) / times,
        dy! + (down * Math.cos(turned * times + phase)) / times,
      ],
      [0, 0],
    )
    const tremble = () => (random() - 0.5) * size * wobble * 0.15
    places.push({ x: x + off[0]! * size * wobble + tremble(), y: y + off[1]! * size * wobble + tremble() })
  }
  return places
}

function lengths(way: readonly Point[]): number {
  return way
    .slice(1)
    .reduce((sum, at, index) => sum + Math.hypot(at.x - way[index]!.x, at.y - way[index]!.y), 0)
}

function along(way: readonly Point[], gone: number): Point {
  let left = gone
  for (let index = 1; index < way.length; index++) {
    const [a, b] = [way[index - 1]!, way[index]!]
    const long = Math.hypot(b.x - a.x, b.y - a.y)
    if (left <= long) return { x: a.x + ((b.x - a.x) * left) / long, y: a.y + ((b.y - a.y) * left) / long }
    left -= long
  }
  return way.at(-1)!
}
