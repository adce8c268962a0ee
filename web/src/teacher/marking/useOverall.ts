import { type CopyLog, overallId, overallIn, pageOf, type WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'

/** A teacher's words about the whole of a copy, in this round. */
export interface Overall {
  readonly id: string
  readonly words: string
  /** What was said in an earlier round, where nothing is said in this. */
  readonly before: string
  say(words: string): void
}

/** Words about the whole copy, and what says them: kept with the feedback on its first page. */
export function useOverall(
  copy: string,
  store: CopyStore,
  pages: readonly WorksheetPage[],
  log: CopyLog,
  round: number,
): Overall {
  return useMemo(() => {
    const id = overallId(copy, round)
    const said = pages.map((page) => pageOf(log, page.id))
    const now = overallIn(said, round)?.words ?? ''
    return {
      id,
      words: now,
      before: now === '' ? (overallIn(said)?.words ?? '') : '',
      say(words) {
        const page = pages[0]!.id
        const there = store.itemOn(page, id)
        if (there?.kind !== 'overall') {
          if (words !== '') store.add(page, [{ id, kind: 'overall', words }])
        } else if (words === '') store.take(page, [id])
        else if (words !== there.words)
          store.act(page, { act: 'change', item: id, set: { words }, was: { words: there.words } })
      },
    }
  }, [copy, store, pages, log, round])
}
