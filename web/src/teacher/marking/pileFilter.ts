import {
  type CopyRow,
  type CopyState,
  type CopySum,
  type CopyWork,
  type DatedHandout,
  latenessOf,
} from '@hand-back/core'
import { STATE_WORDS } from '../../ui/Corner.tsx'
import { isReviewed } from './pileOrder.ts'

/** Which copies of a pile are shown: those of a state, or those of which something is so. */
export type PileFilter = CopyState | 'to review' | 'late' | 'overdue' | 'recordings' | 'pins'

/** Every filter with its words, in the order of what waits for the teacher first. */
export const PILE_FILTERS: Readonly<Record<PileFilter, string>> = {
  'handed in': STATE_WORDS['handed in'],
  'to review': 'not yet reviewed',
  late: 'handed in late',
  overdue: 'overdue',
  recordings: 'with recordings',
  pins: 'with pins not done',
  'another go': STATE_WORDS['another go'],
  working: STATE_WORDS.working,
  waiting: STATE_WORDS.waiting,
  'handed back': STATE_WORDS['handed back'],
}

/** What must be known of the copies of a hand-out to choose among them. */
export interface PileFacts {
  readonly handout: DatedHandout
  readonly sums: readonly CopySum[]
  readonly work: readonly CopyWork[]
  readonly now: number
}

/** Whether a copy is one of those that a filter shows; without a filter, every copy is. */
export function passes(filter: PileFilter | undefined, copy: CopyRow, facts: PileFacts): boolean {
  switch (filter) {
    case undefined:
      return true
    case 'to review':
      return copy.state === 'handed in' && !isReviewed(copy, facts.sums)
    case 'late':
    case 'overdue':
      return latenessOf(copy, facts.handout, facts.now) === filter
    case 'recordings':
    case 'pins':
      return (facts.work.find((each) => each.copy === copy.id)?.[filter] ?? 0) > 0
    default:
      return copy.state === filter
  }
}

/** The filters that show something, with how many copies. */
export function filtersOf(
  copies: readonly CopyRow[],
  facts: PileFacts,
): { filter: PileFilter; count: number }[] {
  return (Object.keys(PILE_FILTERS) as PileFilter[]).flatMap((filter) => {
    const count = copies.filter((copy) => passes(filter, copy, facts)).length
    return count > 0 ? [{ filter, count }] : []
  })
}
