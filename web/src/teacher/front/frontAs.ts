import { copiesAtFront, type Front, type ShownCopy } from '@hand-back/core'

/** The copies that are shown at the front. */
export const shownCopies = (front: Front | null): readonly ShownCopy[] =>
  front?.what === 'copies' ? front.copies : []

/** The same, to be followed. */
export const shownIds = (front: Front | null) => copiesAtFront(front).map((id) => ({ id }))

/** A copy at the front beside what is there: two at most, the last one shown goes. Never with a name unless that is said. */
export function frontWith(front: Front | null, copy: string, page: string, beside: boolean): Front {
  const shown: ShownCopy = { copy, page, part: null, named: false }
  const others = shownCopies(front).filter((each) => each.copy !== copy)
  return { what: 'copies', copies: beside ? [...others.slice(-1), shown] : [shown] }
}

/** What is shown with one copy of it changed. */
export const frontChanged = (front: Front | null, copy: string, change: Partial<ShownCopy>): Front | null =>
  amongCopies(front, (shown) => shown.map((each) => (each.copy === copy ? { ...each, ...change } : each)))

/** What is shown without one copy. */
export const frontWithout = (front: Front | null, copy: string): Front | null =>
  amongCopies(front, (shown) => shown.filter((each) => each.copy !== copy))

/** Of no copies nothing is shown; a page as it was handed out stays what it is. */
function amongCopies(
  front: Front | null,
  change: (shown: readonly ShownCopy[]) => ShownCopy[],
): Front | null {
  if (front?.what !== 'copies') return front
  const copies = change(front.copies)
  return copies.length === 0 ? null : { what: 'copies', copies }
}
