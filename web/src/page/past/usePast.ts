import { CALLS, type Person } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { ask } from '../../api/ask.ts'
import { keyOf } from '../../api/queries.ts'
import type { CopyStore } from '../copy/copyStore.ts'
import { logCache } from '../device/logCache.ts'
import { readPast } from './readPast.ts'

/** Everything that happened to a copy, read once when it is asked for. */
export function usePast(copy: string, store: CopyStore, person: Person) {
  return useQuery({
    queryKey: keyOf(CALLS.log, { copy }),
    queryFn: () =>
      readPast({
        // Checked when each was kept; a whole log is read as it comes.
        ask: () => ask(CALLS.log, { copy }),
        read: () => logCache(person.id).of(copy),
        pending: store.view.getState().log.pending,
      }),
    staleTime: 0,
    gcTime: 0,
    retry: false,
  })
}
