import { z } from 'zod'
import { colour, madeId } from '../ink/stroke.ts'
import { box } from '../worksheet/box.ts'

/** What every printed item has: an id, a box, and for whom it is. */
export const lying = {
  id: madeId,
  ...box.shape,
  /** It stays put in preparation until it is unlocked. On a copy everything printed stays put. */
  locked: z.boolean().optional(),
  /** The sets of students that it is for; left out: everyone. */
  sets: z.array(madeId).max(30).optional(),
}

/** The same, of what can be turned: clockwise about its middle, in degrees. */
export const lyingTurned = { ...lying, turn: z.number().min(-1e6).max(1e6).optional() }

/** A new printed item's id and box. */
export interface Lying {
  readonly id: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** What of a printed item a thing on a copy does not have. */
export const notLaid = { locked: true, sets: true } as const

/** What is made larger or smaller by hand may get very large or small. */
const anywhere = z.number().min(-1e6).max(1e6)
export const laidSize = z.number().min(0).max(1e6)

/** Where a thing lies that people put on a copy, and how far it is turned: clockwise about its middle, in degrees. */
export const laidBox = {
  x: anywhere,
  y: anywhere,
  width: laidSize,
  height: laidSize,
  turn: anywhere,
  /** Brought to the front (more) or to the back (less) of things; left out: 0, where it was put. */
  over: z.number().int().min(-1e6).max(1e6).optional(),
}

/** Where a small item lies that keeps its size, in points. */
export const place = z.number().min(-10_000).max(100_000)

export { colour, madeId }
