import { type Habits, habits as habitsSchema } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { Backoff } from '../../api/backoff.ts'
import { meaningOf } from '../../api/meaning.ts'

/** The way to school and this device's memory, replaceable in tests. */
export interface HabitPlaces {
  ask(): Promise<Habits>
  send(changed: Habits): Promise<void>
  read(key: string): string | null
  write(key: string, value: string): void
}

/** Changes that follow each other within this many milliseconds are sent together. */
const REST = 800
const TRY_AGAIN = 15_000
const LONGEST_PAUSE = 120_000

/**
 * How one person likes to work. This device's own memory shows at once and without a network; what
 * school has comes over it, but for what was changed here and has not been sent.
 */
export class HabitStore {
  readonly state: StoreApi<Habits>
  readonly #person: string
  readonly #places: HabitPlaces
  #unsent: Habits
  #timer: ReturnType<typeof setTimeout> | undefined
  readonly #backoff = new Backoff(TRY_AGAIN, LONGEST_PAUSE)
  #closed = false

  constructor(person: string, places: HabitPlaces) {
    this.#person = person
    this.#places = places
    this.#unsent = this.#remembered('unsent habits')
    this.state = createStore(() => ({ ...this.#remembered('habits'), ...this.#unsent }))
    void this.#fetch()
  }

  change(changed: Habits): void {
    this.#unsent = { ...this.#unsent, ...changed }
    this.#show({ ...this.state.getState(), ...changed })
    this.#keep('unsent habits', this.#unsent)
    this.#soon(REST)
  }

  /** Its person has gone: nothing is sent or remembered any more. */
  close(): void {
    this.#closed = true
    clearTimeout(this.#timer)
  }

  async #fetch(): Promise<void> {
    try {
      const there = await this.#places.ask()
      this.#show({ ...there, ...this.#unsent })
    } catch {
      // Out of reach: what this device remembers is what there is.
    }
    if (Object.keys(this.#unsent).length > 0) this.#soon(REST)
  }

  async #send(): Promise<void> {
    const sent = this.#unsent
    try {
      await this.#places.send(sent)
      if (this.#unsent === sent) this.#unsent = {}
      this.#keep('unsent habits', this.#unsent)
      this.#backoff.reset()
    } catch (error) {
      // What is not taken is sent with the next change, or when the page is opened again.
      if (meaningOf(error) === 'again') this.#soon(this.#backoff.next())
    }
  }

  #soon(milliseconds: number): void {
    if (this.#closed) return
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.#send(), milliseconds)
  }

  #show(now: Habits): void {
    this.state.setState(now, true)
    this.#keep('habits', now)
  }

  #keep(what: string, value: Habits): void {
    if (!this.#closed) this.#places.write(`${what} ${this.#person}`, JSON.stringify(value))
  }

  #remembered(what: string): Habits {
    try {
      return habitsSchema.parse(JSON.parse(this.#places.read(`${what} ${this.#person}`) ?? '{}'))
    } catch {
      return {}
    }
  }
}
