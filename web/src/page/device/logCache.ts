import { type KeptEvent, upToDate } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** Events that were read together stand in one row: a row for each would take long to write. */
interface Row {
  readonly person: string
  readonly copy: string
  readonly events: readonly KeptEvent[]
}
interface Logs extends DBSchema {
  read: { key: number; value: Row; indexes: { copy: [string, string] } }
}

/** What this device has read of a copy's log, so that it opens while school is out of reach. */
export interface LogCache {
  of(copy: string): Promise<KeptEvent[]>
  /** Keeps what was read, a moment later: opening the copy comes first. */
  add(copy: string, events: readonly KeptEvent[]): void
  /** What was read of a copy is not so any more. */
  forget(copy: string): void
}

const NAME = 'hand-back-logs'
/** What is read within this many milliseconds is written together. */
const REST = 1500
let opened: Promise<IDBPDatabase<Logs>> | undefined

/** Opening may throw at once where a browser keeps nothing; it is tried again the next time. */
async function logs(): Promise<IDBPDatabase<Logs>> {
  try {
    opened ??= openDB<Logs>(NAME, 1, {
      upgrade: (db) => {
        const rows = db.createObjectStore('read', { autoIncrement: true })
        rows.createIndex('copy', ['person', 'copy'])
      },
      terminated: () => {
        opened = undefined
      },
    })
    return await opened
  } catch (error) {
    opened = undefined
    throw error
  }
}

/** Opens it before a copy is: making it the first time takes a device a while. */
export function warmLogs(): void {
  void logs().catch(() => {})
}

/** Counts how often it was emptied: what was read before that is not written after it. */
let emptied = 0

/** The logs that a person has read here. A device without room goes without. */
export function logCache(person: string): LogCache {
  const waiting = new Map<string, KeptEvent[]>()
  const write = async (since: number) => {
    const rows = [...waiting].map(([copy, events]): Row => ({ person, copy, events }))
    waiting.clear()
    try {
      for (const row of rows) {
        const open = await logs()
        if (since === emptied) await open.add('read', row)
      }
    } catch {
      // No room: it is read from school the next time.
    }
  }
  return {
    async of(copy) {
      try {
        const rows = await (await logs()).getAllFromIndex('read', 'copy', [person, copy])
        return rows.flatMap(({ events }) => events.map((event) => upToDate(event, 1)))
      } catch {
        return []
      }
    },
    add(copy, events) {
      const since = emptied
      if (waiting.size === 0) setTimeout(() => void write(since), REST)
      waiting.set(copy, [...(waiting.get(copy) ?? []), ...events])
    },
    forget(copy) {
      waiting.delete(copy)
      void dropped(person, copy).catch(() => {})
    },
  }
}

async function dropped(person: string, copy: string): Promise<void> {
  const rows = (await logs()).transaction('read', 'readwrite').store
  const keys = await rows.index('copy').getAllKeys([person, copy])
  await Promise.all(keys.map((key) => rows.delete(key)))
}

/** Empties it. */
export async function forgetLogs(): Promise<void> {
  emptied++
  await (await logs()).clear('read')
}
