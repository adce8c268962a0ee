import type { InkPoint } from './points.ts'

// Packed ink, version 1:
//   byte 0 = version, then the count, then for each point x, y, pressure, time.
// Places are whole hundredths of a point and stored as what a straight line through the two points
// before did not foresee; pressure (0 to 255) and time (ms) as what changed. All numbers are
// variable-length (7 bits a byte); signed ones zigzag. Handwriting comes to about 5 bytes a point.
const VERSION = 1
const PER_POINT = 100
const PRESSURE_STEPS = 255

/** The most points that packed ink may have. */
export const MOST_POINTS = 100_000
/**
 * The most points of one stroke that is made: a pen at 240 Hz reaches it after a minute without lifting,
 * and goes on in a stroke of its own. Its outline takes a quarter of a second.
 */
export const MOST_POINTS_MADE = 15_000
/** The farthest a coordinate may lie from the corner of the page, in points. */
export const FARTHEST = 100_000

/** Says why packed ink cannot be read. */
export class NotInk extends Error {}

/**
 * Packs the points of a stroke.
 *
 * Law: `unpackPoints(packPoints(p))` equals `p` to 1/200 pt, 1/510 of pressure and half a millisecond;
 * packing the result again gives the same bytes. Numbers out of range are brought to the nearest
 * that can be told: coordinates to ±100,000 pt, pressure to 0 to 1, time to not before the point before.
 */
export function packPoints(points: readonly InkPoint[]): Uint8Array {
  if (points.length > MOST_POINTS) throw new NotInk(`a stroke has at most ${MOST_POINTS} points`)
  const bytes: number[] = [VERSION]
  unsigned(bytes, points.length)
  let x1 = 0
  let y1 = 0
  let x2 = 0
  let y2 = 0
  let pressure = 0
  let time = 0
  points.forEach((point, index) => {
    const x = Math.round(within(point.x, -FARTHEST, FARTHEST) * PER_POINT)
    const y = Math.round(within(point.y, -FARTHEST, FARTHEST) * PER_POINT)
    const nextPressure = Math.round(within(point.pressure, 0, 1) * PRESSURE_STEPS)
    const nextTime = Math.max(time, Math.round(within(point.time, 0, 1e9)))
    signed(bytes, x - foreseen(index, x1, x2))
    signed(bytes, y - foreseen(index, y1, y2))
    signed(bytes, nextPressure - pressure)
    unsigned(bytes, nextTime - time)
    x2 = x1
    y2 = y1
    x1 = x
    y1 = y
    pressure = nextPressure
    time = nextTime
  })
  return Uint8Array.from(bytes)
}

/** Reads packed points. Throws `NotInk` for anything that `packPoints` cannot have written. */
export function unpackPoints(bytes: Uint8Array): InkPoint[] {
  const reader = new Reader(bytes)
  if (reader.byte() !== VERSION) throw new NotInk('not packed ink of a version known here')
  const count = reader.unsigned()
  if (count > MOST_POINTS) throw new NotInk('too many points')
  const points: InkPoint[] = []
  let x1 = 0
  let y1 = 0
  let x2 = 0
  let y2 = 0
  let pressure = 0
  let time = 0
  for (let index = 0; index < count; index++) {
    const x = reader.signed() + foreseen(index, x1, x2)
    const y = reader.signed() + foreseen(index, y1, y2)
    pressure += reader.signed()
    time += reader.unsigned()
    if (
      Math.abs(x) > FARTHEST * PER_POINT ||
      Math.abs(y) > FARTHEST * PER_POINT ||
      pressure < 0 ||
      pressure > PRESSURE_STEPS
    ) {
      throw new NotInk('a point out of range')
    }
    points.push({ x: x / PER_POINT, y: y / PER_POINT, pressure: pressure / PRESSURE_STEPS, time })
    x2 = x1
    y2 = y1
    x1 = x
    y1 = y
  }
  if (!reader.atEnd()) throw new NotInk('bytes after the last point')
  return points
}

/** How many points packed ink has, without reading them. Throws `NotInk`. */
export function countPoints(bytes: Uint8Array): number {
  const reader = new Reader(bytes)
  if (reader.byte() !== VERSION) throw new NotInk('not packed ink of a version known here')
  return reader.unsigned()
}

function foreseen(index: number, last: number, before: number): number {
  return index < 2 ? last : 2 * last - before
}

// What is no number at all counts as nought.
function within(value: number, least: number, most: number): number {
  return Math.min(most, Math.max(least, Number.isNaN(value) ? 0 : value))
}

function unsigned(bytes: number[], value: number): void {
  let rest = value
  // Division, not a shift: values may pass 32 bits.
  while (rest >= 0x80) {
    bytes.push((rest % 0x80) | 0x80)
    rest = Math.floor(rest / 0x80)
  }
  bytes.push(rest)
}

function signed(bytes: number[], value: number): void {
  unsigned(bytes, value >= 0 ? value * 2 : -value * 2 - 1)
}

class Reader {
  #at = 0
  readonly #bytes: Uint8Array
  constructor(bytes: Uint8Array) {
    this.#bytes = bytes
  }
  byte(): number {
    const value = this.#bytes[this.#at++]
    if (value === undefined) throw new NotInk('ends in the middle of a point')
    return value
  }
  unsigned(): number {
    let value = 0
    // Six groups of seven bits hold every number written here.
    for (let scale = 1, group = 0; group < 6; group++, scale *= 0x80) {
      const byte = this.byte()
      value += (byte & 0x7f) * scale
      if (byte < 0x80) {
        if (byte === 0 && group > 0) throw new NotInk('a number written longer than it needs')
        return value
      }
    }
    throw new NotInk('a number too long')
  }
  signed(): number {
    const value = this.unsigned()
    return value % 2 === 0 ? value / 2 : -(value + 1) / 2
  }
  atEnd(): boolean {
    return this.#at === this.#bytes.length
  }
}
