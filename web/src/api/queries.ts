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

/** The key of what a call answers: its address and its ids. Fewer ids are the beginning of many keys. */
export const keyOf = (call: Pick<Call, 'path'>, ids: Readonly<Record<string, string | undefined>> = {}) => [
  call.path,
  ...Object.values(ids),
]

/** What a call answers may be another by now: asked anew where it is on the screen. */
export const refresh = (call: Pick<Call, 'path'>, ids: Readonly<Record<string, string | undefined>> = {}) =>
  queryClient.invalidateQueries({ queryKey: keyOf(call, ids) })

/** A question to the server and what it is kept under. `query` goes behind the address. */
export function got<Path extends string, Answer>(
  call: Call<Path, undefined, undefined, Answer>,
  ids: Readonly<Record<IdsOf<Path>, string>>,
  query = '',
) {
  return queryOptions({
    queryKey: [...keyOf(call, ids), ...(query === '' ? [] : [query])],
    queryFn: () => askAt(call, addressOf(call, ids) + query),
  })
}

/** Questions to the server that more than one room asks. */
export const queries = {
  door: () => got(CALLS.door, {}),
  me: () =>
    queryOptions({
      queryKey: keyOf(CALLS.me),
      queryFn: async () => {
        // Signed out here while school was out of reach: nobody is signed in on this device until it knows.
        const me = (await settleSignOut()) ? await ask(CALLS.me) : null
        believe(me?.id)
        return me
      },
      staleTime: Number.POSITIVE_INFINITY,
    }),
  tray: () => got(CALLS.tray, {}),
  copy: (id: string) => got(CALLS.copy, { copy: id }),
}

/** What is the same whoever asks. */
const NOBODYS = new Set<unknown>([CALLS.me.path, CALLS.door.path])

/**
 * Somebody signed in or out: nothing that was fetched for another person stays. The door may be on the
 * screen by now, because the server ended the live connection: it is asked again, never taken away.
 */
export function nowIs(who: Person | null): void {
  queryClient.removeQueries({ predicate: ({ queryKey }) => !NOBODYS.has(queryKey[0]) })
  believe(who?.id)
  queryClient.setQueryData(keyOf(CALLS.me), who)
  void refresh(CALLS.door)
}

onDoubt(() => void refresh(CALLS.me))
