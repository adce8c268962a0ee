import { type CopyWhole, pagesNow, type WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from '../copy/copyStore.ts'

/** The pages of a copy as they are now: grown, and with those that somebody laid in. New only when one of them is. */
export function usePagesNow(copy: CopyWhole, store: CopyStore): readonly WorksheetPage[] {
  const sheets = useStore(store.view, ({ log }) => {
    const told: [string, unknown][] = []
    for (const [id, { sheet }] of log.pages) if (sheet) told.push([id, sheet])
    return JSON.stringify(told)
  })
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is told of the sheets is all that counts
  return useMemo(() => pagesNow(copy.pages, store.view.getState().log.pages), [copy.pages, store, sheets])
}
