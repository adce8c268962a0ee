import type { KeptEvent } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

interface Logs extends DBSchema {
  events: { key: [string, string, string, number]; value: KeptEvent & { person: string; copy: string } }
}

/** What this device has read of a copy's log, so that it opens while school is out of reach. */
export interface LogShelf {
  of(copy: string): Promise<KeptEvent[]>
  add(copy: string, events: readonly KeptEvent[]): Promise<void>
}

const NAME = 'hand-back-logs'
let opened: Promise<IDBPDatabase<Logs>> | undefined

function logs(): Promise<IDBPDatabase<Logs>> {
  opened ??= openDB<Logs>(NAME, 1, {
    upgrade: (db) => void db.createObjectStore('events', { keyPath: ['person', 'copy', 'layer', 'seq'] }),
  })
  return opened
}

/** The logs that a person has read here. A device without room goes without. */
export function logShelf(person: string): LogShelf {
  return {
    async of(copy) {
      try {
        const range = IDBKeyRange.bound([person, copy], [person, copy, []])
        const rows = await (await logs()).getAll('events', range)
        return rows.map(({ person: _person, copy: _copy, ...event }) => event as KeptEvent)
      } catch {
        return []
      }
    },
    async add(copy, events) {
      try {
        const transaction = (await logs()).transaction('events', 'readwrite')
        for (const event of events) void transaction.store.put({ ...event, person, copy })
        await transaction.done
      } catch {
        // No room: it is read from school the next time.
      }
    },
  }
}

/** Empties the shelf. */
export async function forgetLogs(): Promise<void> {
  await (await logs()).clear('events')
}
