import type { EventFate, KeepAnswer, PageEvent, SignedEvent } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Meaning } from '../../api/meaning.ts'
import { Sender } from '../../api/sender.ts'
import type { Attachment, Keepsake, Kept, Typing } from './keepsake.ts'
import { LatestTyping } from './latestTyping.ts'
import type { OtherTabs } from './otherTabs.ts'
import { nextBatch, unsigned } from './outgoing.ts'
import { type Entry, Storing } from './storing.ts'

/** How what was made stands with school. */
export interface OutboxState {
  readonly reached: boolean
  /** The device was looked through for what was made before. */
  readonly looked: boolean
  /** The device's own keeping works: what is not at school yet survives closing the tab. */
  readonly deviceKeeps: boolean
  /** How much was made that neither the device nor school has. */
  readonly nowhere: number
  /** The device has little room left: said while everything still is kept. */
  readonly nearlyFull: boolean
  /** Events on their way, by copy. */
  readonly going: ReadonlyMap<string, number>
  /** Events that school does not take now, by copy: kept here until it does, or until a person deletes them. */
  readonly held: ReadonlyMap<string, number>
  /** Why, in a sentence, by copy. */
  readonly why: ReadonlyMap<string, string>
  /** How much of this person other tabs of this device have not sent yet. */
  readonly elsewhere: number
}

/** The way to school, replaceable in tests. */
export interface Carrier {
  keep(copy: string, events: readonly PageEvent[]): Promise<KeepAnswer>
  sendAttachment(copy: string, attachment: Attachment): Promise<void>
  /** What it means that `sendAttachment` threw. */
  meaningOf(error: unknown): Meaning
  pause(milliseconds: number): Promise<void>
}

type Listener = (copy: string, fates: readonly EventFate[]) => void

/** What an open copy needs of the outbox. */
export type CopyOutbox = Pick<
  Outbox,
  'onFates' | 'onDeleted' | 'waitingFor' | 'put' | 'release' | 'keepTyping' | 'typed' | 'typingIn'
>

/** Events that a person has deleted from the device. */
type DeletedListener = (copy: string, events: readonly string[]) => void

/** So little room, in bytes, is said: a lesson's ink and a few photos. */
const LITTLE_ROOM = 8_000_000
/** It is looked for again after so many things that were made. */
const LOOKS_EVERY = 20

/**
 * Everything a person made that school has not acknowledged, for all their copies. It is kept on the
 * device first; it leaves the device only when the server says that it is in its database, or when a
 * person deletes it: a refusal never deletes. It is sent as its person's only, and ends with them.
 */
export class Outbox {
  readonly state: StoreApi<OutboxState> = createStore<OutboxState>(() => ({
    reached: false,
    looked: false,
    deviceKeeps: true,
    nowhere: 0,
    nearlyFull: false,
    going: new Map<string, number>(),
    held: new Map<string, number>(),
    why: new Map<string, string>(),
    elsewhere: 0,
  }))
  readonly #person: string
  readonly #keepsake: Keepsake
  readonly #carrier: Carrier
  readonly #tabs: OtherTabs | undefined
  readonly #storing: Storing
  readonly #typing: LatestTyping
  readonly #listeners = new Set<Listener>()
  readonly #deletedListeners = new Set<DeletedListener>()
  #entries: Entry[] = []
  /** Why each event that is held is, by its id. */
  readonly #held = new Map<string, string>()
  /** What left this tab's outbox: another tab's row of it may still be there for a moment. */
  readonly #over = new Set<string>()
  /** The attachments that are at school, by name. */
  readonly #arrived = new Set<string>()
  /** Events go beside attachments: a long recording does not hold up ink. */
  readonly #events: Sender
  readonly #attachments: Sender
  #closed = false
  #puts = 0
  /** The device could not be looked through: what was made before is not known. */
  #blind = false
  readonly #loaded: Promise<void>
  readonly #stopTabs: (() => void) | undefined

  constructor(person: string, keepsake: Keepsake, carrier: Carrier, tabs?: OtherTabs) {
    this.#person = person
    this.#keepsake = keepsake
    this.#carrier = carrier
    this.#tabs = tabs
    this.#typing = new LatestTyping(keepsake)
    this.#storing = new Storing(keepsake, carrier.pause, {
      entries: () => (this.#closed ? [] : this.#entries),
      isOver: (event) => this.#over.has(event),
      changed: () => this.#tell(),
    })
    const way = {
      isOpen: () => this.state.getState().reached,
      pause: (milliseconds: number) => carrier.pause(milliseconds),
    }
    this.#events = new Sender({ ...way, next: () => this.#sendEvents() })
    this.#attachments = new Sender({ ...way, next: () => this.#sendAttachment() })
    keepsake.onLost(() => this.#storing.allLost())
    this.#loaded = this.#adopt()
    this.#stopTabs = tabs?.onNews(() => void this.#adopt())
  }

  /** Nothing is sent any more: its person has gone. What is kept stays on the device for them. */
  close(): void {
    this.#closed = true
    this.#stopTabs?.()
    this.state.setState({ reached: false })
  }

  /** Takes in what the device has of this person and no other open tab is about to send. */
  async #adopt(): Promise<void> {
    try {
      const [there, open] = await Promise.all([this.#keepsake.of(this.#person), this.#tabs?.open()])
      if (this.#closed) return
      const own = new Set(this.#entries.map(({ event }) => event.id))
      const strange = there.filter(({ event }) => !own.has(event.id) && !this.#over.has(event.id))
      const left = strange.filter(({ tab }) => !tab || tab === this.#tabs?.own || !open?.has(tab))
      // Made before whatever this tab has: another tab's comes first, in its own order.
      this.#entries = [...left.map((kept) => ({ ...kept, stored: true })), ...this.#entries]
      this.#blind = false
      this.state.setState({ looked: true, elsewhere: strange.length - left.length })
      this.#tell()
      if (left.length > 0) void this.#work()
    } catch {
      this.#blind = true
      this.state.setState({ looked: true })
      this.#tell()
    }
  }

  /** Keeps an event on the device and sends it as soon as it can. Fulfilled when the device has it, or cannot have it. */
  async put(copy: string, event: SignedEvent, ...attachments: Attachment[]): Promise<void> {
    const entry: Entry = {
      person: this.#person,
      copy,
      event,
      ...(attachments.length > 0 ? { attachments } : {}),
      ...(this.#tabs ? { tab: this.#tabs.own } : {}),
      stored: false,
    }
    this.#entries.push(entry)
    this.#tell()
    const onDevice = this.#storing.store(entry)
    void this.#work()
    if (this.#puts++ % LOOKS_EVERY === 0) void this.#lookForRoom()
    await onDevice
    this.#tabs?.tell()
  }

  async #lookForRoom(): Promise<void> {
    const room = await this.#keepsake.room().catch(() => undefined)
    this.state.setState({ nearlyFull: room !== undefined && room < LITTLE_ROOM })
  }

  /** Keeps what is being typed, which is no event yet, at every change. Where the device cannot, the next rest sends it. */
  keepTyping(typing: Omit<Typing, 'person'>): Promise<void> {
    return this.#typing.keep({ ...typing, person: this.#person })
  }

  /** What was typed is an event now. */
  typed(copy: string, at: string): Promise<void> {
    return this.#typing.drop({ person: this.#person, copy, at })
  }

  /** What was being typed in a copy when its tab ended. */
  typingIn(copy: string): Promise<Typing[]> {
    return this.#typing.in(this.#person, copy)
  }

  /** What waits for one copy, oldest first, once the device has been looked through. */
  async waitingFor(copy: string): Promise<readonly SignedEvent[]> {
    await this.#loaded
    return this.#entries.filter((entry) => entry.copy === copy).map(({ event }) => event)
  }

  /** Everything that waits here, of all copies. */
  waiting(): readonly Kept[] {
    return this.#entries
  }

  /** Why something is held; nothing where it is on its way. */
  whyHeld(event: string): string | undefined {
    return this.#held.get(event)
  }

  /** A sound or picture that is still here, so that it can be played or shown. */
  bytesOf(name: string): Blob | undefined {
    return this.#entries.flatMap(({ attachments = [] }) => attachments).find((each) => each.name === name)
      ?.bytes
  }

  /** Calls `listener` with the fate of events; returns how to stop. */
  onFates(listener: Listener): () => void {
    this.#listeners.add(listener)
    return () => this.#listeners.delete(listener)
  }

  /** Calls `listener` with what a person deleted; returns how to stop. */
  onDeleted(listener: DeletedListener): () => void {
    this.#deletedListeners.add(listener)
    return () => this.#deletedListeners.delete(listener)
  }

  /** School can be reached, or not any more. */
  setReached(reached: boolean): void {
    if (this.#closed) return
    this.state.setState({ reached })
    if (reached) this.release()
  }

  /** Tries again what copies did not take before. */
  release(): void {
    this.#held.clear()
    this.#arrived.clear()
    this.#tell()
    void this.#work()
  }

  /** A person deletes what a copy does not take. */
  async deleteHeld(copy: string): Promise<void> {
    const held = this.#entries.filter((entry) => entry.copy === copy && this.#held.has(entry.event.id))
    const ids = held.map(({ event }) => event.id)
    await this.#leave(ids)
    for (const listener of this.#deletedListeners) listener(copy, ids)
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
    await this.#loaded
    void this.#attachments.run()
    void this.#events.run()
  }

  /** The next events; false: none can go now. Throws where the way failed. */
  async #sendEvents(): Promise<boolean> {
    const batch = nextBatch(
      this.#entries,
      (event) => this.#held.has(event),
      (name) => this.bytesOf(name) !== undefined && !this.#arrived.has(name),
    )
    if (batch.length === 0 || this.#closed) return false
    const { copy } = batch[0]!
    const events = batch.map(({ event }) => event)
    const answer = await this.#carrier.keep(copy, events.map(unsigned))
    if (!answer.ok && !answer.gone) throw new Error(answer.why)
    const fates = answer.ok
      ? answer.fates
      : events.map(({ id }): EventFate => ({ id, fate: 'closed', why: answer.why }))
    await this.#settle(copy, fates)
    return true
  }

  /** The next attachment. One that is refused is held with the event that brings it. */
  async #sendAttachment(): Promise<boolean> {
    const next = this.#nextAttachment()
    if (!next || this.#closed) return false
    const { copy, event, attachment } = next
    try {
      await this.#carrier.sendAttachment(copy, attachment)
      this.#arrived.add(attachment.name)
      void this.#events.run()
    } catch (error) {
      const meaning = this.#carrier.meaningOf(error)
      if (meaning === 'again') throw error
      const fate = meaning === 'wait' ? 'closed' : 'wrong'
      await this.#settle(copy, [{ id: event.id, fate, why: (error as Error).message }])
    }
    return true
  }

  #nextAttachment() {
    for (const { copy, event, attachments = [] } of this.#entries) {
      const attachment = attachments.find(({ name }) => !this.#arrived.has(name))
      if (attachment && !this.#held.has(event.id)) return { copy, event, attachment }
    }
    return undefined
  }

  async #settle(copy: string, fates: readonly EventFate[]): Promise<void> {
    const kept: string[] = []
    for (const fate of fates) {
      if (fate.fate === 'kept') kept.push(fate.id)
      else this.#held.set(fate.id, fate.why)
    }
    const left = this.#leave(kept)
    for (const listener of this.#listeners) listener(copy, fates)
    await left
  }

  /** Events are at school, or were deleted by a person: the device need not keep them. */
  async #leave(ids: readonly string[]): Promise<void> {
    for (const id of ids) {
      this.#over.add(id)
      this.#held.delete(id)
    }
    this.#entries = this.#entries.filter(({ event }) => !this.#over.has(event.id))
    this.#tell()
    if (ids.length === 0) return
    await this.#keepsake.drop(ids).catch(() => {})
    this.#tabs?.tell()
  }

  #tell(): void {
    const going = new Map<string, number>()
    const held = new Map<string, number>()
    const why = new Map<string, string>()
    let nowhere = 0
    let deviceKeeps = !this.#blind
    for (const { copy, event, stored, failed } of this.#entries) {
      const reason = this.#held.get(event.id)
      const into = reason === undefined ? going : held
      into.set(copy, (into.get(copy) ?? 0) + 1)
      if (reason !== undefined) why.set(copy, reason)
      if (!stored) nowhere++
      if (failed) deviceKeeps = false
    }
    this.state.setState({ going, held, why, nowhere, deviceKeeps })
  }
}
