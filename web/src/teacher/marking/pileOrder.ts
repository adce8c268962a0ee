import type { CopyRow, CopyState } from '@hand-back/core'

const RANK: Record<CopyState, number> = {
  'handed in': 0,
  'another go': 1,
  working: 2,
  'handed back': 3,
  waiting: 4,
}

/** The order of the pile: what is handed in first, the oldest on top; then the rest by state and name. */
export function pileOrder(copies: readonly CopyRow[]): CopyRow[] {
  return [...copies].sort(
    (a, b) =>
      RANK[a.state] - RANK[b.state] ||
      (a.state === 'handed in' ? (a.handedInAt ?? 0) - (b.handedInAt ?? 0) : 0) ||
      a.name.localeCompare(b.name, undefined, { numeric: true }),
  )
}
