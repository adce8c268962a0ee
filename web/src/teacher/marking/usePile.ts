import type { CopyRow, HandoutWhole } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { type PileFacts, type PileFilter, passes } from './pileFilter.ts'
import { isReviewed, type PileOrder, pileOrder } from './pileOrder.ts'

/** How one goes through the pile: in which order, and which copies. */
export interface PileWish {
  readonly by: PileOrder
  readonly only?: PileFilter | undefined
}

/**
 * The pile as it was wished. It is settled when the pile is opened and when something else is wished: a copy that
 * changes its state does not jump away.
 */
export function usePile(handout: HandoutWhole, facts: PileFacts) {
  const idsIn = ({ by, only }: PileWish) => {
    const reviewed = (copy: CopyRow) => isReviewed(copy, facts.sums)
    const shown = handout.copies.filter((copy) => passes(only, copy, facts))
    return pileOrder(shown, by, reviewed, Math.floor(Math.random() * 2 ** 31)).map(({ id }) => id)
  }
  const [{ wish, order }, settle] = useState(() => {
    const first: PileWish = { by: 'as handed in' }
    return { wish: first, order: idsIn(first) }
  })
  const pile = useMemo(
    () => order.flatMap((id) => handout.copies.find((copy) => copy.id === id) ?? []),
    [order, handout],
  )
  /** Settles the pile anew; returns the ids of its copies. */
  const settleAs = (next: PileWish): string[] => {
    const ids = idsIn(next)
    settle({ wish: next, order: ids })
    return ids
  }
  return { pile, wish, settleAs }
}
