/** Marks that were given of those that could be, in hundredths. */
export interface Reached {
  readonly given: number
  readonly full: number
}

/** The share of the marks that was reached, from 0 to 1; nothing where there were none to reach. */
export const shareOf = ({ given, full }: Reached): number | undefined =>
  full === 0 ? undefined : given / full

/**
 * How hard it was: the share of all marks that could be given that were given, from 0 (nobody reached anything) to 1
 * (everybody reached everything); the difficulty index of classical test theory. Nothing where nobody has marks yet.
 */
export function shareReached(marks: readonly Reached[]): number | undefined {
  let [given, full] = [0, 0]
  for (const each of marks) {
    given += each.given
    full += each.full
  }
  return shareOf({ given, full })
}

/** A share as a whole per cent. */
export const perCentOf = (share: number): number => Math.round(share * 100)
