import { type SignedEvent, type Thing, upToDate } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, type IDBPTransaction, openDB, type StoreNames } from 'idb'

/** A sound or picture, by its own name, that has not reached school yet. */
export interface Attachment {
  readonly name: string
  readonly bytes: Blob
}

/** An event that this device keeps until the server has it. */
export interface Kept {
  /** By the order in which they were made; given by the device's database. */
  readonly order?: number
  readonly person: string
  readonly copy: string
  readonly event: SignedEvent
  /** What it brings with it. */
  readonly attachments?: readonly Attachment[]
  /** The tab in which it was made: as long as that is open, it sends it itself. */
  readonly tab?: string
}

/** What is being typed and is not an event yet: at a place for an answer, or in a thing on the page. */
export interface Typing {
  readonly person: string
  readonly copy: string
  readonly page: string
  /** The id of the place or thing. */
  readonly at: string
  readonly typed: { readonly text: string } | { readonly thing: Thing }
}

/** Events and attachments are kept apart: many are read at once of these, one at a time of those. */
type StoredEvent = Omit<Kept, 'attachments'> & {
  readonly attachments?: readonly string[]
  /** So it was told as long as an event could bring one only. */
  readonly attachment?: string
}
const namesIn = ({ attachments, attachment }: StoredEvent): readonly string[] =>
  attachments ?? (attachment === undefined ? [] : [attachment])

interface Store extends DBSchema {
  attachments: { key: string; value: Attachment }
  outgoing: { key: number; value: StoredEvent; indexes: { person: string; event: string } }
  typing: { key: [string, string, string]; value: Typing }
}

/** What the device keeps (IndexedDB). All methods reject when the device cannot: no room, not allowed, or no answer. */
export interface Keepsake {
  put(kept: Kept): Promise<void>
  drop(events: readonly string[]): Promise<void>
  /** Everything of a person, oldest first. */
  of(person: string): Promise<Kept[]>
  putTyping(typing: Typing): Promise<void>
  dropTyping(typing: Pick<Typing, 'person' | 'copy' | 'at'>): Promise<void>
  typingIn(person: string, copy: string): Promise<Typing[]>
  /** How many bytes more the device says it can keep; nothing where it does not tell. */
  room(): Promise<number | undefined>
  /** Calls `listener` when what was kept is gone: somebody cleared the browser's data. */
  onLost(listener: () => void): void
}

/** A database that has not answered by then is taken for one that never will, in milliseconds. */
const ANSWERS_WITHIN = 4000

export function deviceKeepsake(): Keepsake {
  let opened: Promise<IDBPDatabase<Store>> | undefined
  const lost = new Set<() => void>()
  const forget = () => {
    opened = undefined
    for (const listener of lost) listener()
  }
  const open = () =>
    openDB<Store>('hand-back', 3, {
      async upgrade(db, before, _now, transaction) {
        if (before < 1) {
          const store = db.createObjectStore('outgoing', { keyPath: 'order', autoIncrement: true })
          store.createIndex('person', 'person')
          store.createIndex('event', 'event.id')
        }
        if (before < 2) db.createObjectStore('typing', { keyPath: ['person', 'copy', 'at'] })
        if (before < 3) {
          db.createObjectStore('attachments', { keyPath: 'name' })
          await keepApart(transaction)
        }
      },
      // A newer version in another tab waits for this one.
      blocking: (_now, _next, event) => (event.target as IDBDatabase).close(),
      terminated: forget,
    })
  /** Opening may throw, and is tried again the next time. */
  const database = async (): Promise<IDBPDatabase<Store>> => {
    opened ??= open()
    try {
      return await opened
    } catch (error) {
      opened = undefined
      throw error
    }
  }
  const using = <T>(work: (db: IDBPDatabase<Store>) => Promise<T>): Promise<T> =>
    intime(
      database().then((db) =>
        work(db).catch((error) => {
          // Closed under our hands: opened anew the next time.
          if ((error as Error).name === 'InvalidStateError') forget()
          throw error
        }),
      ),
    )
  return {
    put: (kept) =>
      using(async (db) => {
        const { attachments = [], ...event } = kept
        const transaction = db.transaction(['outgoing', 'attachments'], 'readwrite')
        for (const attachment of attachments) void transaction.objectStore('attachments').put(attachment)
        const names = attachments.map(({ name }) => name)
        void transaction
          .objectStore('outgoing')
          .add(names.length > 0 ? { ...event, attachments: names } : event)
        // Said at once instead of when this tab comes round to it again: it may be gone by then.
        transaction.commit()
        await transaction.done
      }),
    drop: (events) =>
      using(async (db) => {
        const transaction = db.transaction(['outgoing', 'attachments'], 'readwrite')
        const store = transaction.objectStore('outgoing')
        for (const event of events) {
          for (const row of await store.index('event').getAll(event)) {
            for (const name of namesIn(row)) void transaction.objectStore('attachments').delete(name)
            void store.delete(row.order!)
          }
        }
        await transaction.done
      }),
    of: (person) =>
      using(async (db) => {
        const transaction = db.transaction(['outgoing', 'attachments'])
        const events = await transaction.objectStore('outgoing').index('person').getAll(person)
        return Promise.all(
          events.map(async ({ attachments: _names, attachment: _name, ...row }, at): Promise<Kept> => {
            const event = { ...row, event: upToDate(row.event, 1) }
            const store = transaction.objectStore('attachments')
            const there = await Promise.all(namesIn(events[at]!).map((name) => store.get(name)))
            const attachments = there.filter((each) => each !== undefined)
            return attachments.length > 0 ? { ...event, attachments } : event
          }),
        )
      }),
    putTyping: (typing) =>
      using(async (db) => {
        const transaction = db.transaction('typing', 'readwrite')
        void transaction.store.put(typing)
        transaction.commit()
        await transaction.done
      }),
    dropTyping: ({ person, copy, at }) => using((db) => db.delete('typing', [person, copy, at])),
    typingIn: (person, copy) =>
      using((db) => db.getAll('typing', IDBKeyRange.bound([person, copy, ''], [person, copy, '\uffff']))),
    async room() {
      const { quota, usage } = (await navigator.storage?.estimate()) ?? {}
      return quota === undefined || usage === undefined ? undefined : quota - usage
    },
    onLost: (listener) => void lost.add(listener),
  }
}

/** Until version 3 an event held what it brings with it. */
async function keepApart(transaction: IDBPTransaction<Store, ArrayLike<StoreNames<Store>>, 'versionchange'>) {
  const events = transaction.objectStore('outgoing')
  for (const row of await events.getAll()) {
    const { sound, ...event } = row as StoredEvent & { sound?: { recording: string; bytes: Blob } }
    if (!sound) continue
    await transaction.objectStore('attachments').put({ name: sound.recording, bytes: sound.bytes })
    await events.put({ ...event, attachment: sound.recording })
  }
}

function intime<T>(work: Promise<T>): Promise<T> {
  return new Promise((done, failed) => {
    const timer = setTimeout(() => failed(new Error('the device does not answer')), ANSWERS_WITHIN)
    work.then(done, failed).finally(() => clearTimeout(timer))
  })
}
