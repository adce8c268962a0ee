import type { CopyRow, CopySum, HandoutWhole } from '@hand-back/core'
import { useMemo, useState } from 'react'
import { isReviewed, type PileOrder, pileOrder } from './pileOrder.ts'

/**
 * The pile in the order that was chosen. It is settled when the pile is opened and when another order is chosen: a
 * copy that changes its state does not jump away.
 */
export function usePile(handout: HandoutWhole, sums: readonly CopySum[]) {
  const idsIn = (by: PileOrder) => {
    const reviewed = (copy: CopyRow) => isReviewed(copy, sums)
    return pileOrder(handout.copies, by, reviewed, Math.floor(Math.random() * 2 ** 31)).map(({ id }) => id)
  }
  const [{ by, order }, setOrder] = useState(() => ({
    by: 'as handed in' as PileOrder,
    order: idsIn('as handed in'),
  }))
  const pile = useMemo(
    () => order.flatMap((id) => handout.copies.find((copy) => copy.id === id) ?? []),
    [order, handout],
  )
  return { pile, by, putInOrder: (next: PileOrder) => setOrder({ by: next, order: idsIn(next) }) }
}
