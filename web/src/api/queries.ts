import {
  classCard,
  classWhole,
  copyWhole,
  door,
  grouping,
  handoutCard,
  handoutChanges,
  handoutWhole,
  joinRequest,
  type Person,
  person,
  trayEntry,
  worksheetCard,
  worksheetWhole,
} from '@hand-back/core'
import { QueryClient, queryOptions } from '@tanstack/react-query'
import { z } from 'zod'
import { ask, Problem } from './ask.ts'
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

function got<T>(key: readonly unknown[], answer: z.ZodType<T>, path: string) {
  return queryOptions({ queryKey: key, queryFn: () => ask(answer, 'GET', path) })
}

/** Every question to the server that a screen may ask. */
export const queries = {
  door: () => got(['door'], door, '/door'),
  me: () =>
    queryOptions({
      queryKey: ['me'],
      queryFn: async () => {
        // Signed out here while school was out of reach: nobody is signed in on this device until it knows.
        const me = (await settleSignOut()) ? await ask(person.nullable(), 'GET', '/me') : null
        believe(me?.id)
        return me
      },
      staleTime: Number.POSITIVE_INFINITY,
    }),
  classes: () => got(['classes'], z.array(classCard), '/classes'),
  class: (id: string) => got(['class', id], classWhole, `/classes/${id}`),
  worksheets: (archived = false) =>
    got(['worksheets', archived], z.array(worksheetCard), `/worksheets${archived ? '?archived=yes' : ''}`),
  worksheet: (id: string) => got(['worksheet', id], worksheetWhole, `/worksheets/${id}`),
  handouts: () => got(['handouts'], z.array(handoutCard), '/handouts'),
  handout: (id: string) => got(['handout', id], handoutWhole, `/handouts/${id}`),
  handoutChanges: (id: string) => got(['handoutChanges', id], handoutChanges, `/handouts/${id}/changes`),
  joining: (classId: string) =>
    got(['joining', classId], z.array(joinRequest), `/classes/${classId}/joining`),
  groupings: (classId: string) =>
    got(['groupings', classId], z.array(grouping), `/classes/${classId}/groupings`),
  tray: () => got(['tray'], z.array(trayEntry), '/tray'),
  copy: (id: string) => got(['copy', id], copyWhole, `/copies/${id}`),
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
