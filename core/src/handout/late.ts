import type { Way } from './plan.ts'
import type { CopyState } from './state.ts'

interface Dated {
  readonly state: CopyState
  readonly round: number
  /** A date of its own, in milliseconds since 1970; null: that of its hand-out. */
  readonly dueAt: number | null
  readonly handedInAt: number | null
  readonly withdrawn: boolean
}

/** What of a hand-out decides by when its copies are wanted back. */
export interface DatedHandout {
  readonly dueAt: number | null
  readonly way: Way
  readonly withdrawn: boolean
}

/**
 * When a copy is due, in milliseconds since 1970; null: at no time. A first round without a date of its own has that
 * of its hand-out. Another go has its own date or none: the first date was for the first round.
 */
export function dueOf(
  { round, dueAt }: Pick<Dated, 'round' | 'dueAt'>,
  ofHandout: number | null,
): number | null {
  return round > 1 ? dueAt : (dueAt ?? ofHandout)
}

/** How a copy kept its date: `late`, handed in after it; `overdue`, not handed in although it has passed. */
export type Lateness = 'late' | 'overdue'

/**
 * How a copy kept its date, as of `now`; nothing while there is nothing to say. Handed in at the very moment is in time;
 * what is only to read, or was withdrawn, is awaited from nobody.
 */
export function latenessOf(copy: Dated, handout: DatedHandout, now: number): Lateness | undefined {
  const due = dueOf(copy, handout.dueAt)
  if (due === null) return undefined
  const { state, handedInAt } = copy
  if (state === 'handed in' || state === 'handed back')
    return handedInAt !== null && handedInAt > due ? 'late' : undefined
  const isAwaited = handout.way !== 'read' && !handout.withdrawn && !copy.withdrawn
  return isAwaited && now > due ? 'overdue' : undefined
}
