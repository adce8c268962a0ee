import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'

/** More pauses than this, or pages turned to, are not remembered. */
export const MOST_PAUSES = 500
export const MOST_TURNS = 2000

export const second = z.number().min(0).max(4000)
const moment = z.number().int().min(0).max(8.64e15)

/** Whether pairs stand in the order of their first. */
export const rises = (pairs: readonly (readonly [number, ...unknown[]])[]) =>
  pairs.every(([at], index) => index === 0 || pairs[index - 1]![0] <= at)

/** From which second on which page was open. */
export const turns = z
  .array(z.tuple([second, madeId]))
  .max(MOST_TURNS)
  .refine(rises)

/**
 * What was done while a voice was recorded: by this, the log can be played with the voice's clock. Nothing is filmed.
 */
export const talk = z.strictObject({
  /**
   * From which second of the recording on which moment was spoken, in milliseconds by the device's clock: one pair where
   * it begins, one after each pause. Both rise.
   */
  clock: z
    .array(z.tuple([second, moment]))
    .min(1)
    .max(MOST_PAUSES)
    .refine((pairs) => rises(pairs) && rises(pairs.map(([, at]) => [at]))),
  turns,
})
export type Talk = z.infer<typeof talk>

/** The last pair that begins at or before a number; the first, where none does. Cost: O(log pairs). */
function lastFrom<Pair extends readonly unknown[]>(
  pairs: readonly Pair[],
  begins: (pair: Pair) => number,
  number: number,
): number {
  let [low, high] = [0, pairs.length - 1]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    if (begins(pairs[middle]!) <= number) low = middle
    else high = middle - 1
  }
  return low
}

/** Which moment was spoken at a second of the recording, in milliseconds by the device's clock. */
export function momentAt({ clock }: Talk, seconds: number): number {
  const [from, moment] = clock[lastFrom(clock, ([at]) => at, seconds)]!
  return moment + (seconds - from) * 1000
}

/** At which second of the recording a moment is heard: what was done in a pause, when one goes on. 0 before its beginning. */
export function secondAt({ clock }: Talk, moment: number): number {
  const index = lastFrom(clock, ([, at]) => at, moment)
  const [from, began] = clock[index]!
  const second = from + (moment - began) / 1000
  const next = clock[index + 1]?.[0] ?? Number.POSITIVE_INFINITY
  return Math.max(0, Math.min(second, next))
}

/** Which page was open at a second; nothing where none is remembered. */
export function pageOpenAt({ turns }: Talk, seconds: number): string | undefined {
  return turns.length === 0 ? undefined : turns[lastFrom(turns, ([at]) => at, seconds)]![1]
}
