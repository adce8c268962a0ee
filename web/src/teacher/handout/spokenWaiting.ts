import { CALLS } from '@hand-back/core'
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { putBytes, sentenceOf } from '../../api/ask.ts'
import { believed } from '../../api/believed.ts'
import { meaningOf } from '../../api/meaning.ts'
import { Sender } from '../../api/sender.ts'

/** A spoken direction that school does not have yet. */
export interface WaitingSpoken {
  readonly id: string
  /** Who spoke it: it is sent as theirs only. */
  readonly person: string
  readonly bytes: Blob
}

/** This device's memory of them. A device that cannot keep does without. */
export interface SpokenMemory {
  all(): Promise<WaitingSpoken[]>
  put(spoken: WaitingSpoken): Promise<void>
  drop(id: string): Promise<void>
}

type Standing = 'going' | { readonly refused: string }

/**
 * The spoken directions of one person that school does not have yet. They are on the device until it
 * does, or until they are taken away; what failed is sent again by itself.
 */
export class SpokenWaiting {
  /** By id, how each stands with school; those that are there are not in it. */
  readonly state: StoreApi<ReadonlyMap<string, Standing>> = createStore(() => new Map())
  readonly #person: string
  readonly #memory: SpokenMemory
  readonly #send: (id: string, bytes: Blob) => Promise<unknown>
  readonly #waiting = new Map<string, WaitingSpoken>()
  readonly #sender = new Sender(
    { isOpen: () => this.#next() !== undefined, next: () => this.#sendNext() },
    { first: 1000, longest: 10_000 },
  )
  readonly loaded: Promise<void>

  constructor(person: string, memory: SpokenMemory, send: (id: string, bytes: Blob) => Promise<unknown>) {
    this.#person = person
    this.#memory = memory
    this.#send = send
    this.loaded = this.#load()
  }

  async #load(): Promise<void> {
    for (const spoken of await this.#memory.all())
      if (spoken.person === this.#person) this.#stands(spoken, 'going')
    void this.#sender.run()
  }

  async keep(id: string, bytes: Blob): Promise<void> {
    const spoken = { id, person: this.#person, bytes }
    this.#stands(spoken, 'going')
    void this.#sender.run()
    await this.#memory.put(spoken)
    // It may have gone while the device was writing.
    if (!this.#waiting.has(id)) await this.#memory.drop(id)
  }

  /** The sound, while it is still here. */
  bytesOf(id: string): Blob | undefined {
    return this.#waiting.get(id)?.bytes
  }

  /** Sends what waits now. Fulfilled when it is at school, or when it cannot be now. */
  async flush(): Promise<void> {
    await this.loaded
    await this.#sender.now()
  }

  /** It is at school, or taken away. */
  async drop(id: string): Promise<void> {
    this.#waiting.delete(id)
    const state = new Map(this.state.getState())
    state.delete(id)
    this.state.setState(state, true)
    await this.#memory.drop(id)
  }

  #next(): WaitingSpoken | undefined {
    const standing = this.state.getState()
    return [...this.#waiting.values()].find(({ id }) => standing.get(id) === 'going')
  }

  async #sendNext(): Promise<boolean> {
    const spoken = this.#next()
    if (!spoken) return false
    try {
      await this.#send(spoken.id, spoken.bytes)
    } catch (error) {
      if (meaningOf(error) === 'again') throw error
      if (this.#waiting.has(spoken.id)) this.#stands(spoken, { refused: sentenceOf(error) })
      return true
    }
    await this.drop(spoken.id)
    return true
  }

  #stands(spoken: WaitingSpoken, standing: Standing): void {
    this.#waiting.set(spoken.id, spoken)
    this.state.setState(new Map(this.state.getState()).set(spoken.id, standing), true)
  }
}

interface Store extends DBSchema {
  spoken: { key: string; value: WaitingSpoken }
}

function deviceMemory(): SpokenMemory {
  let opened: Promise<IDBPDatabase<Store>> | undefined
  // Opening may throw at once where a browser keeps nothing.
  const store = async () => {
    opened ??= openDB<Store>('hand-back-spoken', 1, {
      upgrade: (db) => void db.createObjectStore('spoken', { keyPath: 'id' }),
    })
    return opened
  }
  const orNothing = <T>(doing: Promise<T>) => doing.catch(() => undefined)
  return {
    all: async () => (await orNothing(store().then((db) => db.getAll('spoken')))) ?? [],
    put: async (spoken) => void (await orNothing(store().then((db) => db.put('spoken', spoken)))),
    drop: async (id) => void (await orNothing(store().then((db) => db.delete('spoken', id)))),
  }
}

let current: { person: string; waiting: SpokenWaiting } | undefined

/** What waits of whoever is signed in. */
export function spokenWaiting(): SpokenWaiting {
  const person = believed() ?? ''
  if (current?.person !== person) {
    const send = (spoken: string, bytes: Blob) => putBytes(CALLS.keepSpoken, { spoken }, bytes)
    current = { person, waiting: new SpokenWaiting(person, deviceMemory(), send) }
  }
  return current.waiting
}
