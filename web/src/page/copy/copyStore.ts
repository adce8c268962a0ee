import {
  type AnswerValue,
  answerId,
  type CopyLog,
  type CopyStandingNews,
  type CopyState,
  type CopyWhole,
  type EventFate,
  emptyLog,
  forget,
  type GoPart,
  goPartOf,
  type History,
  historyOf,
  type Item,
  invert,
  isOpenAt,
  isUndoable,
  type KeptEvent,
  type Layer,
  lastTogether,
  make,
  noHistory,
  type PageAct,
  type PageEvent,
  type Person,
  type Point,
  pageOf,
  placedOn,
  plainThroughout,
  receive,
  remember,
  type SignedEvent,
  staysIn,
  unread,
} from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { LiveSocket } from '../../api/live.ts'
import type { Attachment, Typing } from '../device/keepsake.ts'
import type { LogCache } from '../device/logCache.ts'
import type { CopyOutbox } from '../device/outbox.ts'
import { keepWords } from './keepWords.ts'
import { LogReader } from './logReader.ts'
import { MarksTold } from './marksTold.ts'
import { Moments } from './moments.ts'
import { portions } from './pageActs.ts'

/** An open copy, as its screen sees it. */
export interface OpenCopy {
  readonly log: CopyLog
  readonly history: History
  readonly state: CopyState
  readonly round: number
  /** The questions that this go is for; null: everything. */
  readonly goFor: readonly string[] | null
  /** Everything that was there has been read at least once. */
  readonly ready: boolean
  /** A sentence when the copy cannot be followed any more. */
  readonly trouble: string | undefined
  /** Why something made here was not taken, the last time that happened. It stays on the page and on this device. */
  readonly refused: string | undefined
}

const ONLY_PART = 'In this go only the framed questions take work.'

/** A copy open on this device: its log, what this person can undo, and the ways to change it. */
export class CopyStore {
  readonly view: StoreApi<OpenCopy>
  #copy: CopyWhole
  readonly #person: Person
  readonly #layer: Layer
  readonly #outbox: CopyOutbox
  readonly #reader: LogReader
  readonly #cache: LogCache | undefined
  readonly #stops: (() => void)[]
  readonly #moments = new Moments()
  readonly #marksTold = new MarksTold()
  /** What of one's own acts has others in its train. */
  #along: ((event: PageEvent) => void) | undefined
  /** The ids of this person's own events, and those of them that school has kept, in its order. */
  #own = new Set<string>()
  #ownKept: PageEvent[] = []

  /** `layer` is the one this person writes on; `shelf`, where this device keeps what it has read. */
  constructor(
    copy: CopyWhole,
    person: Person,
    layer: Layer,
    outbox: CopyOutbox,
    socket: LiveSocket,
    cache?: LogCache,
  ) {
    this.#copy = copy
    this.#person = person
    this.#layer = layer
    this.#outbox = outbox
    this.#cache = cache
    this.view = createStore(() => ({
      log: emptyLog,
      history: noHistory,
      state: copy.state,
      round: copy.round,
      goFor: copy.goFor,
      ready: false,
      trouble: undefined,
      refused: undefined,
    }))
    this.#reader = new LogReader(copy.id, copy.handout, socket, {
      readTo: () => this.#now.log.readTo,
      take: (events) => this.#take(events),
      stand: (standing) => this.stand(standing),
      stoodAnew: () => outbox.release(),
      through: () => this.#through(),
      gone: (why) => this.#set({ trouble: why }),
    })
    this.#stops = [
      outbox.onFates((of, fates) => of === copy.id && this.#settle(fates)),
      outbox.onDeleted((of, events) => of === copy.id && this.#forget(new Set(events))),
    ]
    void this.#open()
  }

  async #open(): Promise<void> {
    const read = (await this.#cache?.of(this.#copy.id)) ?? []
    if (read.length > 0) this.#take(read, true)
    for (const event of await this.#outbox.waitingFor(this.#copy.id)) {
      this.#set({ log: make(this.#now.log, event) })
      this.#remember(event)
    }
    await this.#reader.catchUp()
    // Out of reach: what this device has read before is what there is to be seen.
    if (read.length > 0 && !this.#reader.reached) this.#set({ ready: true })
    for (const typing of await this.#outbox.typingIn(this.#copy.id)) await this.#takeUp(typing)
  }

  /** What was being typed when the tab ended is kept as it was. */
  async #takeUp({ page, at, typed }: Typing): Promise<void> {
    if ('thing' in typed) keepWords(this, page, typed.thing)
    else this.answer(page, at, typed)
    await this.#outbox.typed(this.#copy.id, at)
  }

  /** It can be read (again): what was held because it could not be may be taken now. */
  #through(): void {
    const again = this.#now.trouble !== undefined
    this.#set({ ready: true, trouble: undefined })
    if (again) this.#outbox.release()
  }

  /** Keeps what is being typed on the device, before it is kept as an event. */
  keepTyping(page: string, at: string, typed: Typing['typed']): void {
    void this.#outbox.keepTyping({ copy: this.#copy.id, page, at, typed: plainThroughout(typed) })
  }

  /** What was typed there is kept as an event, or was given up. */
  doneTyping(at: string): void {
    void this.#outbox.typed(this.#copy.id, at)
  }

  /** Stops listening. What was made goes on being sent. */
  close(): void {
    this.#reader.close()
    for (const stop of this.#stops) stop()
  }

  /** The copy with other rules or pages than it was opened with. */
  renew(copy: CopyWhole): void {
    this.#copy = copy
  }

  /** The teacher brings back what somebody took away, in exchange for the pieces that are left of it. */
  bringBack(page: string, { bring, take }: { bring: string[]; take: string[] }): void {
    if (bring.length === 0) return
    const event: PageEvent = { ...this.#common(page), layer: 'work', act: 'swap', take, bring, items: [] }
    this.#keep({ ...event, author: this.#person.id, round: this.#now.round, free: true })
  }

  /** Takes a sheet of paper off a page: one's own, or as a teacher any. */
  takeScan(page: string, id: string): void {
    this.#commit({ ...this.#common(page), layer: 'work', act: 'take', items: [id] })
  }

  /** Does something to a page, on the layer that this person writes on; returns the id of the event. */
  act(page: string, act: PageAct, ...attachments: Attachment[]): string {
    const event = { ...this.#common(page), ...act } as PageEvent
    this.#commit(event, attachments)
    return event.id
  }

  /** `along` is told of everything that is about to be done here, undo and redo apart; what it does is part of that act. */
  goesAlong(along: ((event: PageEvent) => void) | undefined): void {
    this.#along = along
  }

  /** What is done in `acts` is one act to whoever undoes it. */
  together(acts: () => void): void {
    this.#moments.together(acts)
  }

  /** Undoes just these acts of this person, the last first; what was undone meanwhile stays undone. */
  undoThese(events: readonly string[]): void {
    this.#reverse(this.#now.history.done.filter(({ id }) => events.includes(id)).reverse())
  }

  /**
   * Says something at a place of a page, or takes away what was said: on a layer of its own, and not among what undo
   * takes back. `free`: it is not one's own that is taken away.
   */
  pin(
    page: string,
    act: PageAct,
    { free, attachment }: { free?: boolean; attachment?: Attachment } = {},
  ): void {
    const event = plainThroughout({ ...this.#common(page), ...act, layer: 'pins' } as PageEvent)
    const signed = { ...event, author: this.#person.id, round: this.#now.round, ...(free ? { free } : {}) }
    this.#keep(signed, attachment ? [attachment] : [])
  }

  /** Puts items on a page, on the layer that this person writes on. */
  add(page: string, items: readonly Item[], ...attachments: Attachment[]): void {
    this.together(() => {
      for (const some of portions(items))
        this.#commit({ ...this.#common(page), act: 'add', items: some }, attachments)
    })
  }

  /** Takes items away; undo brings them back. */
  take(page: string, items: string[]): void {
    if (items.length > 0) this.#commit({ ...this.#common(page), act: 'take', items })
  }

  /** Puts an answer at a printed place; the one before is in the log. */
  answer(page: string, place: string, value: AnswerValue): void {
    const id = answerId(this.#copy.id, place)
    const there = this.itemOn(page, id)
    if (there?.kind === 'answer') {
      if (JSON.stringify(there.value) !== JSON.stringify(value))
        this.#commit({
          ...this.#common(page),
          act: 'change',
          item: id,
          set: { value },
          was: { value: there.value },
        })
    } else this.add(page, [{ id, kind: 'answer', place, value }])
  }

  /** Lays a card somewhere: one that was moved before, one that lies where it was printed, or a new one of a stack. */
  putCard(page: string, id: string, card: string, to: { x: number; y: number }): void {
    const there = this.itemOn(page, id)
    if (there?.kind === 'card')
      this.act(page, { act: 'change', item: id, set: to, was: { x: there.x, y: there.y } })
    else this.add(page, [{ id, kind: 'card', card, ...to }])
  }

  /** An item of the layer that this person writes on, as it lies on a page now. */
  itemOn(page: string, id: string): Item | undefined {
    const placed = placedOn(pageOf(this.#now.log, page), this.#layer, id)
    return placed && !placed.taken ? placed.item : undefined
  }

  /** Undoes this person's last act; returns the page it was on. */
  undo(): string | undefined {
    return this.#reverse(lastTogether(this.#now.history.done))
  }

  /** Does again what was undone last; returns the page it was on. */
  redo(): string | undefined {
    return this.#reverse(lastTogether(this.#now.history.undone))
  }

  /** Says where the copy stands now, as an answer told it. */
  stand({ state, round, goFor, withoutMarks }: Omit<CopyStandingNews, 'copy'>): void {
    if (round !== this.#now.round && this.#layer === 'feedback') {
      this.#ownKept = []
      this.#set({ history: noHistory })
    }
    this.#set({ state, round, goFor })
    if (this.#layer === 'work' && !this.#marksTold.agreesWith(withoutMarks)) this.#readFeedbackAnew()
  }

  /** Marks were given that had stayed at school, or were taken back: feedback is told otherwise from its beginning on. */
  #readFeedbackAnew(): void {
    this.#marksTold.forget()
    this.#cache?.forget(this.#copy.id)
    this.#set({ log: unread(this.#now.log, 'feedback') })
    void this.#reader.catchUp()
  }

  /** In a go for chosen questions: the part that takes work. Nothing: all of it does. */
  get openPart(): GoPart | undefined {
    return this.#layer === 'work' ? goPartOf(this.#now.goFor, this.#copy.questions) : undefined
  }

  /** Whether ink may begin at a place of a page; where it may not, that is said. */
  mayBegin(page: string, at: Point): boolean {
    const part = this.openPart
    const may = !part || isOpenAt(part, page, at)
    if (!may) this.#set({ refused: ONLY_PART })
    return may
  }

  #take(events: readonly KeptEvent[], fromShelf = false): void {
    const { readTo } = this.#now.log
    const { log, missing } = receive(this.#now.log, events)
    if (log !== this.#now.log) this.#set({ log })
    if (missing) void this.#reader.catchUp()
    const fresh = events.filter(({ layer, seq }) => seq > readTo[layer] && seq <= log.readTo[layer])
    this.#rememberKept(fresh)
    this.#marksTold.read(fresh)
    if (!fromShelf && fresh.length > 0) this.#cache?.add(this.#copy.id, fresh)
  }

  /**
   * What this device made is remembered when it is made. What the same person made before, or on
   * another device, takes its place in school's order, before everything that waits here.
   */
  #rememberKept(events: readonly KeptEvent[]): void {
    const mine = events.filter((event) => this.#isMine(event)).sort((a, b) => a.seq - b.seq)
    const strange = mine.some(({ id }) => !this.#own.has(id))
    for (const event of mine) {
      this.#own.add(event.id)
      this.#ownKept.push(event)
    }
    if (strange)
      this.#set({ history: historyOf([...this.#ownKept, ...this.#now.log.pending.filter(isUndoable)]) })
  }

  /** Feedback of rounds handed back is not to be undone. */
  #isMine(event: KeptEvent): boolean {
    const over = event.layer === 'feedback' && event.round !== this.#now.round
    return event.author === this.#person.id && event.layer === this.#layer && !over && isUndoable(event)
  }

  #commit(made: PageEvent, attachments: readonly Attachment[] = []): void {
    this.#moments.together(() => {
      if (made.undoes === undefined) this.#along?.(made)
      this.#commitAlone(made, attachments)
    }, made.madeAt)
  }

  #commitAlone(made: PageEvent, attachments: readonly Attachment[]): void {
    // Pasted text may hold letters that nobody can keep.
    const event = plainThroughout(made)
    if (!this.#isOpenTo(event)) {
      this.#set({ refused: ONLY_PART })
      return
    }
    // What a teacher does to students' work is not their own.
    const touches = this.#copy.touchAll || this.#layer !== 'work'
    const free = touches && event.layer === 'work' && event.act !== 'add'
    const signed = {
      ...event,
      author: this.#person.id,
      round: this.#now.round,
      ...(free ? { free } : {}),
    }
    this.#keep(signed, attachments)
    this.#remember(signed)
  }

  /** School would not take it: then it is not made either. */
  #isOpenTo(event: PageEvent): boolean {
    const part = this.openPart
    if (!part) return true
    const page = pageOf(this.#now.log, event.page)
    const printed = this.#copy.pages.find(({ id }) => id === event.page)?.printed ?? []
    return staysIn(part, event, {
      itemOf: (id) => placedOn(page, this.#layer, id)?.item,
      boxOf: (id) => printed.find((item) => item.id === id),
    })
  }

  #keep(signed: SignedEvent, attachments: readonly Attachment[] = []): void {
    this.#set({ log: make(this.#now.log, signed) })
    void this.#outbox.put(this.#copy.id, signed, ...attachments)
  }

  #remember(event: PageEvent): void {
    if (this.#own.has(event.id)) return
    this.#own.add(event.id)
    if (!isUndoable(event)) return
    this.#set({ history: remember(this.#now.history, event) })
  }

  /** Does the opposite of acts, in their order, as one act; returns the page of the last of them. */
  #reverse(events: readonly PageEvent[]): string | undefined {
    this.together(() => {
      for (const event of events) this.#commit(invert(event, crypto.randomUUID(), this.#moments.next()))
    })
    return events.at(-1)?.page
  }

  #settle(fates: readonly EventFate[]): void {
    const pending = new Map(this.#now.log.pending.map((event) => [event.id, event]))
    const kept: KeptEvent[] = []
    for (const fate of fates) {
      const event = pending.get(fate.id)
      if (event && fate.fate === 'kept')
        kept.push({ ...event, seq: fate.seq, round: fate.round, keptAt: Date.now() })
    }
    if (kept.length > 0) this.#take(kept)
    // It stays to be seen, and on this device: only people delete.
    const wrong = fates.find(({ fate }) => fate === 'wrong')
    if (wrong && 'why' in wrong) this.#set({ refused: wrong.why })
  }

  #forget(events: ReadonlySet<string>): void {
    this.#set({ log: forget(this.#now.log, events) })
  }

  #common(page: string) {
    return { id: crypto.randomUUID(), page, layer: this.#layer, madeAt: this.#moments.next() }
  }

  get #now(): OpenCopy {
    return this.view.getState()
  }

  #set(change: Partial<OpenCopy>): void {
    this.view.setState(change)
  }
}
