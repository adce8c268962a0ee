import { type Reached, shareOf } from './reached.ts'

/** Marks for one thing, and how much it weighs: 1 counts once, 2 twice, 0 not at all. */
export interface Weighed {
  /** What was reached; nothing: no marks yet. */
  readonly marks: Reached | undefined
  readonly weight: number
}

/** What all of somebody's marks come to. */
export interface Total extends Reached {
  /** The weighted mean of the shares, from 0 to 1; nothing where nothing counts. */
  readonly share: number | undefined
}

/**
 * What marks come to: their sum, and the mean of the shares that were reached, each counting by its weight. What has no
 * marks yet does not count; with `missingIsNothing` it counts as none given. What weighs nothing is not in the sum.
 */
export function totalOf(all: readonly Weighed[], missingIsNothing = false): Total {
  let [given, full, weights, shares] = [0, 0, 0, 0]
  for (const { marks, weight } of all) {
    if (weight <= 0) continue
    const share = marks ? shareOf(marks) : missingIsNothing ? 0 : undefined
    if (share === undefined) continue
    given += marks?.given ?? 0
    full += marks?.full ?? 0
    weights += weight
    shares += weight * share
  }
  return { given, full, share: weights === 0 ? undefined : shares / weights }
}
