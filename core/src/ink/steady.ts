import type { Guide } from './guide.ts'
import type { InkPoint } from './points.ts'

/** How far the steadied place goes towards the hand at each sample, from 0 to 1. */
const FOLLOWS = 0.4

/**
 * Steadies a hand that trembles, sample by sample: an exponential average on a leash.
 *
 * Laws: what comes out is never farther than `leash` points from what went in with it (so its lag is
 * bounded too); `end` gives the last place itself, so that a stroke ends where it was lifted.
 */
export class Steadier implements Guide {
  readonly #leash: number
  #at: InkPoint | undefined
  #last: InkPoint | undefined

  constructor(leash: number) {
    this.#leash = leash
  }

  next(sample: InkPoint): InkPoint {
    this.#last = sample
    this.#at = this.#at ? this.#follow(this.#at, sample) : sample
    return this.#at
  }

  /** The place where the hand really was at last; nothing when it never was. */
  end(): InkPoint | undefined {
    return this.#last
  }

  #follow(from: InkPoint, to: InkPoint): InkPoint {
    const x = from.x + (to.x - from.x) * FOLLOWS
    const y = from.y + (to.y - from.y) * FOLLOWS
    const apart = Math.hypot(to.x - x, to.y - y)
    if (apart <= this.#leash) return { ...to, x, y }
    const part = this.#leash / apart
    return { ...to, x: to.x + (x - to.x) * part, y: to.y + (y - to.y) * part }
  }
}

/** How much broader a pen that lies quite flat makes a nib that leans, as pressure added. */
const FLAT_ADDS = 0.5

/**
 * The pressure of a nib that gets broader the flatter the pen lies, from 0 to 1. Tilts in degrees from
 * upright, as pointer events tell them.
 */
export function lean(pressure: number, tiltX: number, tiltY: number): number {
  const tilt = Math.min(90, Math.hypot(tiltX, tiltY)) / 90
  return Math.min(1, pressure + (1 - pressure) * FLAT_ADDS * tilt * tilt)
}
