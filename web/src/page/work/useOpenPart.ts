import {
  type CopyWhole,
  type GoPart,
  goPartOf,
  type Item,
  isOpenAt,
  liesIn,
  middle,
  type PrintedItem,
  type WorksheetPage,
} from '@hand-back/core'
import { useCallback, useMemo } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from '../copy/copyStore.ts'

/** In a go for chosen questions: the part that takes work, and whether something of a page lies in it. */
export function useOpenPart(
  { questions }: CopyWhole,
  store: CopyStore,
  page: WorksheetPage,
): { part: GoPart | undefined; lies: (of: Item | PrintedItem) => boolean } {
  const goFor = useStore(store.view, (copy) => copy.goFor)
  const part = useMemo(() => goPartOf(goFor, questions), [goFor, questions])
  const lies = useCallback(
    (of: Item | PrintedItem) => {
      if (!part) return true
      const printed = page.printed.find(({ id }) => id === of.id)
      if (printed) return isOpenAt(part, page.id, middle(printed))
      const boxOf = (id: string) => page.printed.find((each) => each.id === id)
      return liesIn(part, page.id, of as Item, { boxOf })
    },
    [part, page],
  )
  return { part, lies }
}
