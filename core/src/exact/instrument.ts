import type { Point } from '../ink/points.ts'
import { mm } from '../worksheet/box.ts'

/** What lies on a page to draw along and to measure with. Places and lengths in points of the page, angles in degrees clockwise. */
export type Instrument = Ruler | Protractor | Compasses

export interface Ruler {
  readonly kind: 'ruler'
  /** The middle of the edge with its scale. */
  readonly at: Point
  readonly turn: number
  /** How long its scale is. */
  readonly long: number
}

export interface Protractor {
  readonly kind: 'protractor'
  /** The middle of its straight edge. */
  readonly at: Point
  readonly turn: number
  readonly radius: number
  /** What its arm shows: from the right end of the straight edge, anticlockwise, 0 to 180. */
  readonly arm: number
}

export interface Compasses {
  readonly kind: 'compasses'
  /** Where their point stands. */
  readonly at: Point
  /** Where the pencil stands, seen from there. */
  readonly turn: number
  readonly radius: number
}

/** How far a ruler goes on beyond its scale, and how broad it is. */
export const RULER_ENDS = mm(6)
export const RULER_BROAD = mm(26)
/** How far the arm of a protractor goes on beyond its round edge. */
export const ARM_BEYOND = mm(14)

/** The shortest and longest scale of a ruler, and how much of the page it leaves free. */
const SCALES = { shortest: mm(100), longest: mm(300), free: mm(40), step: mm(50) }

/** A new instrument in the middle of what one sees of a page of this width. */
export function newInstrument(kind: Instrument['kind'], at: Point, pageWidth: number): Instrument {
  const { shortest, longest, free, step } = SCALES
  const long = Math.min(longest, Math.max(shortest, Math.floor((pageWidth - free) / step) * step))
  switch (kind) {
    case 'ruler':
      return { kind, at, turn: 0, long }
    case 'protractor':
      return { kind, at, turn: 0, radius: long / 3, arm: 60 }
    case 'compasses':
      return { kind, at, turn: 0, radius: mm(40) }
  }
}

/** A place of an instrument as it lies unturned with its own place at 0, 0, on the page. */
export function placeOn({ at, turn }: Instrument, { x, y }: Point): Point {
  const [sin, cos] = [Math.sin((turn * Math.PI) / 180), Math.cos((turn * Math.PI) / 180)]
  return { x: at.x + x * cos - y * sin, y: at.y + x * sin + y * cos }
}

/** Which turns are felt: what is off by less than so many degrees is level or upright. */
const FELT = 2.5

/** A turn, brought to level or upright where it nearly is; from −180 to 180. */
export function felt(turn: number): number {
  const right = Math.round(turn / 90) * 90
  const near = Math.abs(turn - right) < FELT ? right : turn
  const around = near - 360 * Math.round(near / 360)
  return around === -180 ? 180 : around + 0
}

/** Which turn an arrow from one place to another has, in degrees clockwise from the right. */
export const turnFrom = (from: Point, to: Point): number =>
  (Math.atan2(to.y - from.y, to.x - from.x) * 180) / Math.PI
