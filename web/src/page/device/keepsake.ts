import type { SignedEvent } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** The sound of a voice note that has not reached school yet. */
export interface Sound {
  readonly recording: string
  readonly bytes: Blob
}

/** An event that this device keeps until the server has it. */
export interface Kept {
  /** By the order in which they were made; given by the device's database. */
  readonly order?: number
  readonly person: string
  readonly copy: string
  readonly event: SignedEvent
  readonly sound?: Sound
}

interface Shelf extends DBSchema {
  outgoing: { key: number; value: Kept; indexes: { person: string; event: string } }
}

/** What the device keeps (IndexedDB). All methods reject when the device cannot: no room, or not allowed. */
export interface Keepsake {
  put(kept: Kept): Promise<void>
  drop(events: readonly string[]): Promise<void>
  /** Everything of a person, oldest first. */
  of(person: string): Promise<Kept[]>
  /** How many bytes more the device says it can keep; nothing where it does not tell. */
  room(): Promise<number | undefined>
}

export function deviceKeepsake(): Keepsake {
  let opened: Promise<IDBPDatabase<Shelf>> | undefined
  const shelf = () => {
    opened ??= openDB<Shelf>('hand-back', 1, {
      upgrade(db) {
        const store = db.createObjectStore('outgoing', { keyPath: 'order', autoIncrement: true })
        store.createIndex('person', 'person')
        store.createIndex('event', 'event.id')
      },
    })
    return opened
  }
  return {
    async put(kept) {
      await (await shelf()).add('outgoing', kept)
    },
    async drop(events) {
      const transaction = (await shelf()).transaction('outgoing', 'readwrite')
      for (const event of events) {
        for (const key of await transaction.store.index('event').getAllKeys(event))
          void transaction.store.delete(key)
      }
      await transaction.done
    },
    async of(person) {
      return (await shelf()).getAllFromIndex('outgoing', 'person', person)
    },
    async room() {
      const { quota, usage } = (await navigator.storage?.estimate()) ?? {}
      return quota === undefined || usage === undefined ? undefined : quota - usage
    },
  }
}
