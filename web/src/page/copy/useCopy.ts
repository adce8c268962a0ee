import { CALLS, type CopyWhole, type Layer, type Person } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { z } from 'zod'
import { Problem } from '../../api/ask.ts'
import { hear, live } from '../../api/live.ts'
import { refresh } from '../../api/queries.ts'
import { sayProblem } from '../../ui/notices.ts'
import { logCache } from '../device/logCache.ts'
import { outboxOf } from '../device/personOutbox.ts'
import { CopyStore } from './copyStore.ts'

/** Opens a copy for as long as the screen shows it. `undefined` until it is open. */
export function useCopy(copy: CopyWhole | undefined, person: Person, layer: Layer): CopyStore | undefined {
  const [store, setStore] = useState<{ id: string; store: CopyStore }>()
  const id = copy?.id
  // biome-ignore lint/correctness/useExhaustiveDependencies: opened once for each copy; later news of it comes live
  useEffect(() => {
    if (!copy) return
    const opened = new CopyStore(
      copy,
      person,
      layer,
      outboxOf(person.id),
      live(),
      person.role === 'student' ? logCache(person.id) : undefined,
    )
    setStore({ id: copy.id, store: opened })
    const stop = opened.view.subscribe(({ refused }, before) => {
      if (refused && refused !== before.refused) sayProblem(new Problem(refused, 0))
    })
    return () => {
      stop()
      opened.close()
    }
  }, [id, person.id, layer])
  useEffect(() => {
    if (copy && store?.id === copy.id) store.store.renew(copy)
  }, [copy, store])
  useChanges(copy)
  return store && store.id === id ? store.store : undefined
}

/** Pages, rules or people of its hand-out changed: the copy is asked for anew. */
function useChanges(copy: CopyWhole | undefined): void {
  const [id, handout] = [copy?.id, copy?.handout]
  useEffect(() => {
    return hear(live(), 'handout', z.uuid(), (of) => of === handout && void refresh(CALLS.copy, { copy: id }))
  }, [id, handout])
}
