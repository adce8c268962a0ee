import { addressOf, CALLS, type Call, type IdsOf, type Person } from '@hand-back/core'
import { QueryClient, queryOptions } from '@tanstack/react-query'
import { ask, askAt, Problem } from './ask.ts'
import { believe, onDoubt } from './believed.ts'
import { settleSignOut } from './signOutOwed.ts'

/** What the server knows, kept while screens come and go. A refusal is an answer: only lost connections are tried again. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      // What the device holds may answer without a network; so asking never waits for one.
      networkMode: 'always',
      retry: (failures, error) =>
        failures < 3 && error instanceof Problem && (error.status === 0 || error.status >= 500),
    },
  },
})

function got<Path extends string, Answer>(
  key: readonly unknown[],
  call: Call<Path, undefined, undefined, Answer>,
  ids: Readonly<Record<IdsOf<Path>, string>>,
  query = '',
) {
  return queryOptions({ queryKey: key, queryFn: () => askAt(call, addressOf(call, ids) + query) })
}

/** Every question to the server that a screen may ask. */
export const queries = {
  door: () => got(['door'], CALLS.door, {}),
  me: () =>
    queryOptions({
      queryKey: ['me'],
      queryFn: async () => {
        // Signed out here while school was out of reach: nobody is signed in on this device until it knows.
        const me = (await settleSignOut()) ? await ask(CALLS.me) : null
        believe(me?.id)
        return me
      },
      staleTime: Number.POSITIVE_INFINITY,
    }),
  classes: () => got(['classes'], CALLS.classes, {}),
  class: (id: string) => got(['class', id], CALLS.class, { class: id }),
  worksheets: (archived = false) =>
    got(['worksheets', archived], CALLS.worksheets, {}, archived ? '?archived=yes' : ''),
  worksheet: (id: string) => got(['worksheet', id], CALLS.worksheet, { worksheet: id }),
  handouts: () => got(['handouts'], CALLS.handouts, {}),
  handout: (id: string) => got(['handout', id], CALLS.handout, { handout: id }),
  handoutChanges: (id: string) => got(['handoutChanges', id], CALLS.handoutChanges, { handout: id }),
  joining: (classId: string) => got(['joining', classId], CALLS.joining, { class: classId }),
  groupings: (classId: string) => got(['groupings', classId], CALLS.groupings, { class: classId }),
  tray: () => got(['tray'], CALLS.tray, {}),
  copy: (id: string) => got(['copy', id], CALLS.copy, { copy: id }),
}

/** What is the same whoever asks. */
const NOBODYS = new Set<unknown>(['me', 'door'])

/**
 * Somebody signed in or out: nothing that was fetched for another person stays. The door may be on the
 * screen by now, because the server ended the live connection: it is asked again, never taken away.
 */
export function nowIs(who: Person | null): void {
  queryClient.removeQueries({ predicate: ({ queryKey }) => !NOBODYS.has(queryKey[0]) })
  believe(who?.id)
  queryClient.setQueryData(['me'], who)
  void queryClient.invalidateQueries({ queryKey: ['door'] })
}

onDoubt(() => void queryClient.invalidateQueries({ queryKey: ['me'] }))
