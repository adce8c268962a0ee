import type { CopyWhole, Layer, Person } from '@hand-back/core'
import { live } from '../../api/live.ts'
import { logCache } from '../device/logCache.ts'
import { outboxOf } from '../device/personOutbox.ts'
import { CopyStore } from './copyStore.ts'

/** A copy that is open for somebody who shows it, or is about to. */
export interface Opened {
  readonly store: CopyStore
  /** Whoever opened it does not need it any more. */
  close(): void
}

const open = new Map<string, { store: CopyStore; by: number }>()

const keyOf = (copy: CopyWhole, person: Person, layer: Layer) => `${person.id} ${copy.id} ${layer}`

/** Opens a copy. It is open once, however many parts of the screen show it, until the last of them closes it. */
export function openCopy(copy: CopyWhole, person: Person, layer: Layer): Opened {
  const key = keyOf(copy, person, layer)
  const entry = open.get(key) ?? { store: begin(copy, person, layer), by: 0 }
  open.set(key, entry)
  entry.by++
  return {
    store: entry.store,
    close() {
      if (--entry.by > 0) return
      open.delete(key)
      entry.store.close()
    },
  }
}

/** A copy that somebody has open already. */
export const alreadyOpen = (copy: CopyWhole, person: Person, layer: Layer): CopyStore | undefined =>
  open.get(keyOf(copy, person, layer))?.store

const begin = (copy: CopyWhole, person: Person, layer: Layer) =>
  new CopyStore(
    copy,
    person,
    layer,
    outboxOf(person.id),
    live(),
    person.role === 'student' ? logCache(person.id) : undefined,
  )
