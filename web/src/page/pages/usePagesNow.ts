import { type CopyWhole, type Page, pagesNow, type WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import { useStore } from 'zustand'
import type { CopyStore } from '../copy/copyStore.ts'

/** The pages of a copy as they are now: grown, and with those that somebody laid in. New only when one of them is. */
export function usePagesNow(copy: CopyWhole, store: CopyStore): readonly WorksheetPage[] {
  const sheets = useStore(store.view, ({ log }) => sheetsOf(log.pages))
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is told of the sheets is all that counts
  return useMemo(() => pagesNow(copy.pages, store.view.getState().log.pages), [copy.pages, store, sheets])
}

/** The same as they were when their log had come to `pages`. */
export function usePagesThen(copy: CopyWhole, pages: ReadonlyMap<string, Page>): readonly WorksheetPage[] {
  const sheets = sheetsOf(pages)
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is told of the sheets is all that counts
  return useMemo(() => pagesNow(copy.pages, pages), [copy.pages, sheets])
}

function sheetsOf(pages: ReadonlyMap<string, Page>): string {
  const told: [string, unknown][] = []
  for (const [id, { sheet }] of pages) if (sheet) told.push([id, sheet])
  return JSON.stringify(told)
}
