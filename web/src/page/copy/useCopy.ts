import { CALLS, type CopyWhole, type Layer, type Person } from '@hand-back/core'
import { useEffect, useState } from 'react'
import { z } from 'zod'
import { Problem } from '../../api/ask.ts'
import { hear, live } from '../../api/live.ts'
import { refresh } from '../../api/queries.ts'
import { sayProblem } from '../../ui/notices.ts'
import type { CopyStore } from './copyStore.ts'
import { alreadyOpen, openCopy } from './openCopies.ts'

/**
 * Opens a copy for as long as the screen shows it. `undefined` until it is open; one that was opened ahead is there at
 * once.
 */
export function useCopy(copy: CopyWhole | undefined, person: Person, layer: Layer): CopyStore | undefined {
  const [shown, setShown] = useState<{ id: string; store: CopyStore }>()
  const id = copy?.id
  // biome-ignore lint/correctness/useExhaustiveDependencies: opened once for each copy; later news of it comes live
  useEffect(() => {
    if (!copy) return
    const { store, close } = openCopy(copy, person, layer)
    setShown({ id: copy.id, store })
    const stop = store.view.subscribe(({ refused }, before) => {
      if (refused && refused !== before.refused) sayProblem(new Problem(refused, 0))
    })
    return () => {
      stop()
      close()
    }
  }, [id, person.id, layer])
  const store = shown && shown.id === id ? shown.store : copy && alreadyOpen(copy, person, layer)
  useEffect(() => {
    if (copy) store?.renew(copy)
  }, [copy, store])
  useChanges(copy)
  return store
}

/** Pages, rules or people of its hand-out changed: its copies are asked for anew, those held open ahead too. */
function useChanges(copy: CopyWhole | undefined): void {
  const handout = copy?.handout
  useEffect(() => {
    return hear(live(), 'handout', z.uuid(), (of) => of === handout && void refresh(CALLS.copy))
  }, [handout])
}
