import { type CopyState, isOnLayer, type Placed, type WorksheetPage } from '@hand-back/core'
import { useEffect, useMemo } from 'react'
import { useStore } from 'zustand'
import { readNote, writeNote } from '../../deviceNotes.ts'
import type { CopyStore } from '../copy/copyStore.ts'

/**
 * The pages with feedback that may be read, by their index. A copy that was handed back opens at the first of
 * them, once for each round: then one is where one was.
 */
export function useFeedbackFirst(
  copy: string,
  store: CopyStore,
  pages: readonly WorksheetPage[],
  readable: (placed: Placed) => boolean,
  turnToPage: (page: string) => void,
): ReadonlySet<number> {
  const { log, state, round, ready } = useStore(store.view)
  const found = useMemo(
    () => pages.flatMap(({ id }, index) => (isOnLayer(log, id, 'feedback', readable) ? [index] : [])),
    [pages, log, readable],
  )
  const first = found[0] === undefined ? undefined : pages[found[0]]?.id
  useEffect(() => {
    const key = `feedback seen ${copy}`
    if (!ready || !isBack(state) || first === undefined || readNote(key) === String(round)) return
    writeNote(key, String(round))
    turnToPage(first)
  }, [copy, ready, state, round, first, turnToPage])
  return useMemo(() => new Set(found), [found])
}

const isBack = (state: CopyState): boolean => state === 'handed back' || state === 'another go'
