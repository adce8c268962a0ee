import type { CopyWhole, Person } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { z } from 'zod'
import { hear, live } from '../../api/live.ts'
import { queries, queryClient } from '../../api/queries.ts'
import type { CopyStore } from '../../page/copy/copyStore.ts'
import { type Opened, openCopy } from '../../page/copy/openCopies.ts'

/** A copy that is followed live. */
export interface RoomCopy {
  readonly whole: CopyWhole
  readonly store: CopyStore
}

/** So many copies are fetched at once: those that are seen first come first. */
const AT_ONCE = 4

/** Follows copies, each with all that is in it, a few at a time. They are let go with the screen. */
export function useRoomCopies(
  wanted: readonly { readonly id: string }[],
  person: Person,
): ReadonlyMap<string, RoomCopy> {
  const [copies, setCopies] = useState<ReadonlyMap<string, RoomCopy>>(new Map())
  const ids = wanted.map(({ id }) => id).join(' ')
  useEffect(() => {
    let gone = false
    const opened: Opened[] = []
    const waiting = ids === '' ? [] : ids.split(' ')
    const follow = async () => {
      for (let id = waiting.shift(); id !== undefined && !gone; id = waiting.shift()) {
        const whole = await queryClient.fetchQuery(queries.copy(id)).catch(() => undefined)
        if (!whole || gone) continue
        const copy = openCopy(whole, person, 'help')
        opened.push(copy)
        setCopies((before) => new Map(before).set(whole.id, { whole, store: copy.store }))
      }
    }
    for (let lane = 0; lane < AT_ONCE; lane++) void follow()
    return () => {
      gone = true
      for (const { close } of opened) close()
    }
  }, [ids, person])
  useEffect(() => followChanges(copies, setCopies), [copies])
  return copies
}

/** Pages or rules of the hand-out changed: copies are asked for anew, one after the other. Returns how to stop. */
function followChanges(
  copies: ReadonlyMap<string, RoomCopy>,
  onCopies: (change: (before: ReadonlyMap<string, RoomCopy>) => ReadonlyMap<string, RoomCopy>) => void,
): () => void {
  const handout = copies.values().next().value?.whole.handout
  const anew = async () => {
    for (const { whole, store } of copies.values()) {
      const now = await queryClient
        .fetchQuery({ ...queries.copy(whole.id), staleTime: 0 })
        .catch(() => undefined)
      if (!now) continue
      store.renew(now)
      onCopies((before) => new Map(before).set(whole.id, { whole: now, store }))
    }
  }
  return hear(live(), 'handout', z.uuid(), (of) => of === handout && void anew())
}
