/** The mean; nothing of nothing. */
export function meanOf(numbers: readonly number[]): number | undefined {
  if (numbers.length === 0) return undefined
  return numbers.reduce((sum, each) => sum + each, 0) / numbers.length
}

/** The one in the middle, half-way between the two where there are two; nothing of nothing. */
export const medianOf = (numbers: readonly number[]): number | undefined => quantileOf(numbers, 0.5)

/**
 * What a share `at` (0 to 1) of the numbers does not exceed, with a straight line between neighbours: method 7 of Hyndman
 * and Fan, “Sample Quantiles in Statistical Packages”, 1996, which spreadsheets use too. Nothing of nothing.
 */
export function quantileOf(numbers: readonly number[], at: number): number | undefined {
  if (numbers.length === 0) return undefined
  const sorted = [...numbers].sort((a, b) => a - b)
  const place = (sorted.length - 1) * at
  const below = Math.floor(place)
  const lower = sorted[below]!
  return lower + (place - below) * (sorted[Math.min(below + 1, sorted.length - 1)]! - lower)
}

/** How far numbers lie from their mean: the standard deviation of all of them (divided by n); nothing of nothing. */
export function deviationOf(numbers: readonly number[]): number | undefined {
  const mean = meanOf(numbers)
  if (mean === undefined) return undefined
  return Math.sqrt(meanOf(numbers.map((each) => (each - mean) ** 2))!)
}

/** What numbers are, in short. `low` to `high` holds the middle half of them. */
export interface Spread {
  readonly count: number
  readonly mean: number
  readonly median: number
  readonly deviation: number
  readonly low: number
  readonly high: number
}

/** Mean, median and spread of numbers; nothing of nothing. */
export function spreadOf(numbers: readonly number[]): Spread | undefined {
  if (numbers.length === 0) return undefined
  return {
    count: numbers.length,
    mean: meanOf(numbers)!,
    median: medianOf(numbers)!,
    deviation: deviationOf(numbers)!,
    low: quantileOf(numbers, 0.25)!,
    high: quantileOf(numbers, 0.75)!,
  }
}
