import type { CopyWhole, Person, Placed, WorksheetPage } from '@hand-back/core'
import { useMemo } from 'react'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { useHabits } from '../../page/habits/useHabits.ts'
import type { Running } from '../../page/surface/PageRun.tsx'
import { StillOfCopy } from './StillOfCopy.tsx'

interface RunOf {
  readonly copy: CopyWhole
  readonly store: CopyStore
  readonly person: Person
  readonly pages: readonly WorksheetPage[]
  readonly index: number
  readonly wanted: (placed: Placed) => boolean
  readonly photoUrl: (name: string) => string
  readonly turn: (by: number) => void
}

/** Whether the pages of a copy lie one under another while it is marked. */
export function usePagesRun(person: Person): boolean {
  const [{ pagesRun = true }] = useHabits(person.id)
  return pagesRun
}

/** The pages of a copy one under another, or nothing where they are seen one by one. */
export function useRunning(of: RunOf): Running | undefined {
  const { copy, store, person, pages, index, wanted, photoUrl, turn } = of
  const runs = usePagesRun(person)
  const [before, after] = [pages[index - 1], pages[index + 1]]
  return useMemo(
    () =>
      runs
        ? {
            before,
            after,
            onRunOn: turn,
            still: (page, scale) => (
              <StillOfCopy
                copy={copy}
                store={store}
                page={page}
                wanted={wanted}
                photoUrl={photoUrl}
                scale={scale}
              />
            ),
          }
        : undefined,
    [runs, before, after, copy, store, wanted, photoUrl, turn],
  )
}
