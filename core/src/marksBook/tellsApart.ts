import { type Reached, shareOf } from './reached.ts'
import { meanOf } from './spread.ts'

/**
 * How far two rows of numbers go together, from -1 to 1: the product-moment correlation (Pearson, 1895). Nothing where
 * one of them is always the same, or there are fewer than two pairs. Throws `RangeError` for rows of different length.
 */
export function correlationOf(one: readonly number[], other: readonly number[]): number | undefined {
  if (one.length !== other.length) throw new RangeError('Rows of different length do not go together.')
  if (one.length < 2) return undefined
  const [meanOne, meanOther] = [meanOf(one)!, meanOf(other)!]
  let [both, squareOne, squareOther] = [0, 0, 0]
  for (const [at, each] of one.entries()) {
    const [a, b] = [each - meanOne, other[at]! - meanOther]
    both += a * b
    squareOne += a * a
    squareOther += b * b
  }
  // What is the same but for how a computer rounds is the same.
  if (isNothing(squareOne, one) || isNothing(squareOther, other)) return undefined
  return Math.min(1, Math.max(-1, both / Math.sqrt(squareOne * squareOther)))
}

const isNothing = (squares: number, numbers: readonly number[]) =>
  squares <= numbers.length * (1e-12 * Math.max(...numbers.map(Math.abs))) ** 2

/** Fewer copies than this say nothing about a question. */
export const FEWEST_TO_TELL = 5

/**
 * How well a question tells those who did well from those who did not: the correlation of the share that was reached in it
 * with the share that was reached in all the rest (item-rest correlation, classical test theory), over the copies that have
 * marks for both. `marks`: of each copy its marks by question. Nothing with fewer than `FEWEST_TO_TELL` copies, or where
 * all reached the same.
 */
export function tellsApart(
  question: string,
  marks: readonly ReadonlyMap<string, Reached>[],
): number | undefined {
  const pairs = marks.flatMap((each) => {
    const [item, rest] = [each.get(question), restOf(question, each)]
    const [a, b] = [item && shareOf(item), rest && shareOf(rest)]
    return a === undefined || b === undefined ? [] : [[a, b] as const]
  })
  if (pairs.length < FEWEST_TO_TELL) return undefined
  return correlationOf(
    pairs.map(([item]) => item),
    pairs.map(([, rest]) => rest),
  )
}

function restOf(question: string, marks: ReadonlyMap<string, Reached>): Reached {
  let [given, full] = [0, 0]
  for (const [id, each] of marks)
    if (id !== question) {
      given += each.given
      full += each.full
    }
  return { given, full }
}

/**
 * The same in words. The bounds are those of Ebel and Frisbie, “Essentials of Educational Measurement”, 1991, for how well
 * an item discriminates.
 */
export function sayTellsApart(correlation: number | undefined): string {
  if (correlation === undefined) return 'not known yet'
  if (correlation < 0) return 'the wrong way round'
  if (correlation < 0.2) return 'hardly'
  return correlation < 0.4 ? 'somewhat' : 'well'
}
