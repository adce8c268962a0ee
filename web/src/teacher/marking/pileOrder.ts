import { type CopyRow, type CopyState, type CopySum, FNV_BASIS, fnv1a } from '@hand-back/core'

const RANK: Record<CopyState, number> = {
  'handed in': 0,
  'another go': 1,
  working: 2,
  'handed back': 3,
  waiting: 4,
}

/** The orders in which one can go through a pile. */
export const PILE_ORDERS = {
  'as handed in': 'as handed in',
  'by name': 'by name',
  'to review': 'not yet reviewed',
  'at random': 'at random',
} as const
export type PileOrder = keyof typeof PILE_ORDERS

/** Whether a copy is reviewed: as the teacher said, or, where nothing was said, when all its questions have marks of this round. */
export const isReviewed = (copy: Pick<CopyRow, 'id' | 'reviewed'>, sums: readonly CopySum[]): boolean => {
  if (copy.reviewed !== null) return copy.reviewed
  const sum = sums.find((each) => each.copy === copy.id)
  return sum !== undefined && sum.full > 0 && sum.leftNow === 0
}

type Compare = (a: CopyRow, b: CopyRow) => number
const byName: Compare = (a, b) => a.name.localeCompare(b.name, undefined, { numeric: true })
const byHandingIn: Compare = (a, b) =>
  RANK[a.state] - RANK[b.state] ||
  (a.state === 'handed in' ? (a.handedInAt ?? 0) - (b.handedInAt ?? 0) : 0) ||
  byName(a, b)

/**
 * The pile in an order: as handed in (the oldest on top, then the rest by state), by name, what is not yet reviewed
 * first, or at random: what is handed in first all the same, mixed by `seed`, so that nobody is always last.
 */
export function pileOrder(
  copies: readonly CopyRow[],
  order: PileOrder = 'as handed in',
  reviewed: (copy: CopyRow) => boolean = () => false,
  seed = 0,
): CopyRow[] {
  const mixed = ({ id }: CopyRow) => fnv1a(id, FNV_BASIS ^ seed)
  const compare: Record<PileOrder, Compare> = {
    'as handed in': byHandingIn,
    'by name': byName,
    'to review': (a, b) =>
      Number(a.state !== 'handed in' || reviewed(a)) - Number(b.state !== 'handed in' || reviewed(b)) ||
      byHandingIn(a, b),
    'at random': (a, b) => RANK[a.state] - RANK[b.state] || mixed(a) - mixed(b),
  }
  return [...copies].sort(compare[order])
}
