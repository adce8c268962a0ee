import { type Habits, habits as habitsSchema } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { meaningOf } from '../../api/meaning.ts'
import { Sender } from '../../api/sender.ts'

/** The way to school and this device's memory, replaceable in tests. */
export interface HabitWays {
  ask(): Promise<Habits>
  send(changed: Habits): Promise<void>
  read(key: string): string | null
  write(key: string, value: string): void
}

/** Changes that follow each other within this many milliseconds are sent together. */
const REST = 800
const PAUSES = { first: 15_000, longest: 120_000 }

/**
 * How one person likes to work. This device's own memory shows at once and without a network; what
 * school has comes over it, but for what was changed here and has not been sent.
 */
export class HabitStore {
  readonly state: StoreApi<Habits>
  readonly #person: string
  readonly #ways: HabitWays
  #unsent: Habits
  readonly #sender = new Sender({ isOpen: () => !this.#closed, next: () => this.#send() }, PAUSES)
  #closed = false

  constructor(person: string, ways: HabitWays) {
    this.#person = person
    this.#ways = ways
    this.#unsent = this.#remembered('unsent habits')
    this.state = createStore(() => ({ ...this.#remembered('habits'), ...this.#unsent }))
    void this.#fetch()
  }

  change(changed: Habits): void {
    this.#unsent = { ...this.#unsent, ...changed }
    this.#show({ ...this.state.getState(), ...changed })
    this.#keep('unsent habits', this.#unsent)
    this.#sender.rest(REST)
  }

  /** Its person has gone: nothing is sent or remembered any more. */
  close(): void {
    this.#closed = true
    this.#sender.stop()
  }

  async #fetch(): Promise<void> {
    try {
      const there = await this.#ways.ask()
      this.#show({ ...there, ...this.#unsent })
    } catch {
      // Out of reach: what this device remembers is what there is.
    }
    if (!this.#closed && this.#hasUnsent()) this.#sender.rest(REST)
  }

  async #send(): Promise<boolean> {
    const sent = this.#unsent
    try {
      await this.#ways.send(sent)
    } catch (error) {
      // What is not taken is sent with the next change, or when the page is opened again.
      if (meaningOf(error) === 'again') throw error
      return false
    }
    if (this.#unsent === sent) this.#unsent = {}
    this.#keep('unsent habits', this.#unsent)
    return this.#hasUnsent()
  }

  #hasUnsent(): boolean {
    return Object.keys(this.#unsent).length > 0
  }

  #show(now: Habits): void {
    this.state.setState(now, true)
    this.#keep('habits', now)
  }

  #keep(what: string, value: Habits): void {
    if (!this.#closed) this.#ways.write(`${what} ${this.#person}`, JSON.stringify(value))
  }

  #remembered(what: string): Habits {
    try {
      return habitsSchema.parse(JSON.parse(this.#ways.read(`${what} ${this.#person}`) ?? '{}'))
    } catch {
      return {}
    }
  }
}
