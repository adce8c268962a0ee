import type { EventFate, KeepAnswer, PageEvent, SignedEvent } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Keepsake, Kept, Sound } from './keepsake.ts'

/** How what was made stands with school. */
export interface OutboxState {
  readonly reached: boolean
  /** The device's own keeping works: what is not at school yet survives closing the tab. */
  readonly deviceKeeps: boolean
  /** The device has little room left: said while everything still is kept. */
  readonly nearlyFull: boolean
  /** Events on their way, by copy. */
  readonly going: ReadonlyMap<string, number>
  /** Events that a copy does not take now, by copy: kept here until it does. */
  readonly held: ReadonlyMap<string, number>
}

/** The way to school, replaceable in tests. */
export interface Carrier {
  keep(copy: string, events: readonly PageEvent[]): Promise<KeepAnswer>
  sendSound(copy: string, sound: Sound): Promise<void>
  /** Whether an error of `sendSound` means that it will never be taken. */
  isFinal(error: unknown): boolean
  pause(milliseconds: number): Promise<void>
}

type Listener = (copy: string, fates: readonly EventFate[]) => void

const MOST_AT_ONCE = 100
/** Letters of packed ink in one message: well under what the server takes. */
const MOST_LETTERS = 800_000
const LONGEST_PAUSE = 5_000
/** So little room, in bytes, is said: a lesson's ink and a few photos. */
const LITTLE_ROOM = 8_000_000
/** It is looked for again after so many things that were made. */
const LOOKS_EVERY = 20

/**
 * Everything a person made that school has not acknowledged, for all their copies. It is kept on the
 * device first; it leaves the device only when the server says that it is in its database.
 */
export class Outbox {
  readonly state: StoreApi<OutboxState> = createStore(() => ({
    reached: false,
    deviceKeeps: true,
    nearlyFull: false,
    going: new Map<string, number>(),
    held: new Map<string, number>(),
  }))
  readonly #person: string
  readonly #keepsake: Keepsake
  readonly #carrier: Carrier
  readonly #listeners = new Set<Listener>()
  #entries: Kept[] = []
  #held = new Set<string>()
  #busy = false
  #puts = 0
  readonly #loaded: Promise<void>

  constructor(person: string, keepsake: Keepsake, carrier: Carrier) {
    this.#person = person
    this.#keepsake = keepsake
    this.#carrier = carrier
    this.#loaded = this.#load()
  }

  async #load(): Promise<void> {
    try {
      const before = await this.#keepsake.of(this.#person)
      this.#entries = [...before, ...this.#entries]
      this.#tell()
    } catch {
      this.state.setState({ deviceKeeps: false })
    }
  }

  /** Keeps an event on the device and sends it as soon as it can. Fulfilled when the device has it, or cannot have it. */
  async put(copy: string, event: SignedEvent, sound?: Sound): Promise<void> {
    const kept: Kept = { person: this.#person, copy, event, ...(sound ? { sound } : {}) }
    this.#entries.push(kept)
    this.#tell()
    const onDevice = this.#keepsake.put(kept).then(
      () => this.state.setState({ deviceKeeps: true }),
      () => this.state.setState({ deviceKeeps: false }),
    )
    void this.#work()
    if (this.#puts++ % LOOKS_EVERY === 0) void this.#lookForRoom()
    await onDevice
  }

  async #lookForRoom(): Promise<void> {
    const room = await this.#keepsake.room().catch(() => undefined)
    this.state.setState({ nearlyFull: room !== undefined && room < LITTLE_ROOM })
  }

  /** What waits for one copy, oldest first, once the device has been looked through. */
  async waitingFor(copy: string): Promise<readonly SignedEvent[]> {
    await this.#loaded
    return this.#entries.filter((entry) => entry.copy === copy).map(({ event }) => event)
  }

  /** The sound of a voice note that is still here, so that it can be played. */
  soundOf(recording: string): Blob | undefined {
    return this.#entries.find(({ sound }) => sound?.recording === recording)?.sound?.bytes
  }

  /** Calls `listener` with the fate of events; returns how to stop. */
  onFates(listener: Listener): () => void {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  /** School can be reached, or not any more. */
  setReached(reached: boolean): void {
    this.state.setState({ reached })
    if (reached) this.release()
  }

  /** Tries again what copies did not take before. */
  release(): void {
    this.#held.clear()
    this.#tell()
    void this.#work()
  }

  /** Fulfilled with true when nothing of this copy is on its way any more, with false when it takes longer than `patience` ms. */
  emptied(copy: string, patience: number): Promise<boolean> {
    const isEmpty = () => !this.state.getState().going.has(copy)
    if (isEmpty()) return Promise.resolve(true)
    return new Promise((done) => {
      const stop = this.state.subscribe(() => isEmpty() && end(true))
      const end = (empty: boolean) => {
        stop()
        done(empty)
      }
      void this.#carrier.pause(patience).then(() => end(false))
    })
  }

  async #work(): Promise<void> {
    if (this.#busy) return
    this.#busy = true
    await this.#loaded
    let pause = 250
    while (this.state.getState().reached) {
      const batch = this.#nextBatch()
      if (batch.length === 0) break
      if (await this.#send(batch)) pause = 250
      else {
        await this.#carrier.pause(pause)
        pause = Math.min(LONGEST_PAUSE, pause * 2)
      }
    }
    this.#busy = false
  }

  #nextBatch(): Kept[] {
    const first = this.#entries.find(({ event }) => !this.#held.has(event.id))
    if (!first) return []
    const batch: Kept[] = []
    let letters = 0
    for (const entry of this.#entries) {
      if (entry.copy !== first.copy || this.#held.has(entry.event.id)) continue
      letters += lettersOf(entry.event)
      if (batch.length > 0 && (letters > MOST_LETTERS || batch.length >= MOST_AT_ONCE)) break
      batch.push(entry)
    }
    return batch
  }

  /** Whether school answered. */
  async #send(batch: readonly Kept[]): Promise<boolean> {
    const { copy } = batch[0]!
    try {
      const silent = await this.#sendSounds(batch)
      const events = batch.filter((entry) => !silent.has(entry.event.id))
      if (events.length === 0) return true
      const answer = await this.#carrier.keep(
        copy,
        events.map(({ event }) => unsigned(event)),
      )
      if (answer.ok) await this.#settle(copy, answer.fates)
      else if (!answer.gone) return false
      else if (events.length > 1) for (const entry of events) await this.#send([entry])
      else await this.#settle(copy, [{ id: events[0]!.event.id, fate: 'wrong', why: answer.why }])
      return true
    } catch {
      return false
    }
  }

  /** Sends the sounds of a batch; returns the events whose sound will never be taken, already settled. */
  async #sendSounds(batch: readonly Kept[]): Promise<Set<string>> {
    const silent = new Set<string>()
    for (const { copy, event, sound } of batch) {
      if (!sound) continue
      try {
        await this.#carrier.sendSound(copy, sound)
      } catch (error) {
        if (!this.#carrier.isFinal(error)) throw error
        silent.add(event.id)
        await this.#settle(copy, [{ id: event.id, fate: 'wrong', why: (error as Error).message }])
      }
    }
    return silent
  }

  async #settle(copy: string, fates: readonly EventFate[]): Promise<void> {
    const over = new Set<string>()
    for (const { id, fate } of fates) {
      if (fate === 'closed') this.#held.add(id)
      else over.add(id)
    }
    this.#entries = this.#entries.filter(({ event }) => !over.has(event.id))
    for (const listener of this.#listeners) listener(copy, fates)
    this.#tell()
    await this.#keepsake.drop([...over]).catch(() => this.state.setState({ deviceKeeps: false }))
  }

  #tell(): void {
    const going = new Map<string, number>()
    const held = new Map<string, number>()
    for (const { copy, event } of this.#entries) {
      const into = this.#held.has(event.id) ? held : going
      into.set(copy, (into.get(copy) ?? 0) + 1)
    }
    this.state.setState({ going, held })
  }
}

function unsigned({ author: _author, round: _round, free: _free, ...event }: SignedEvent): PageEvent {
  return event as PageEvent
}

function lettersOf(event: PageEvent): number {
  const items = 'items' in event ? event.items : []
  return items.reduce(
    (sum: number, item) =>
      sum + (typeof item === 'string' ? 40 : 300 + (item.kind === 'stroke' ? item.points.length : 0)),
    200,
  )
}
