import { CALLS, MOST_EVENTS_AT_ONCE, type PageEvent, type SignedEvent } from '@hand-back/core'
import { createStore } from 'zustand/vanilla'
import { ask, Problem } from '../../api/ask.ts'
import { refresh } from '../../api/queries.ts'
import { dropNote, readNote, writeNote } from '../../deviceNotes.ts'
import type { CopyOutbox } from '../../page/device/outbox.ts'
import { sayProblem } from '../../ui/notices.ts'

/** Acts of a hand in a row are sent together, and what did not get through is sent again, after so many milliseconds. */
const SENT_AFTER = 400
const AGAIN_AFTER = 3000

/** `here`: school is out of reach; `refused`: school will not have it. */
export type WorkedState = 'kept' | 'going' | 'here' | 'refused'

type Send = (events: readonly PageEvent[]) => Promise<unknown>

/**
 * Keeps a teacher's worked copy of a worksheet: what was done to it goes to school as it is done, and stays on this
 * device until it is there. It takes no recordings and no photos.
 */
export class WorkedKeeper implements CopyOutbox {
  readonly state = createStore<{ state: WorkedState }>(() => ({ state: 'kept' }))
  readonly #note: string
  /** What school has of it. */
  #before: readonly SignedEvent[]
  readonly #author: string
  readonly #send: Send
  #waiting: PageEvent[]
  #timer: ReturnType<typeof setTimeout> | undefined
  #sending = false
  #deleted: ((copy: string, events: readonly string[]) => void) | undefined

  /** `before`: what school has of it. */
  constructor(
    worksheet: string,
    author: string,
    before: readonly SignedEvent[],
    send: Send = async (events) => {
      await ask(CALLS.keepWorked, { worksheet }, { events: [...events] })
      void refresh(CALLS.workedOfHandout)
    },
  ) {
    this.#note = `worked ${author} ${worksheet}`
    this.#author = author
    this.#before = before
    this.#send = send
    this.#waiting = JSON.parse(readNote(this.#note) ?? '[]') as PageEvent[]
    if (this.#waiting.length > 0) this.#soon(0)
  }

  async put(copy: string, signed: SignedEvent, ...attachments: unknown[]): Promise<void> {
    if (attachments.length > 0) {
      sayProblem(new Problem('A worked copy takes no recordings and no photos.', 422))
      this.#deleted?.(copy, [signed.id])
      return
    }
    const { author: _author, round: _round, free: _free, ...event } = signed
    this.#waiting.push(event as PageEvent)
    this.#remember()
    this.#soon(SENT_AFTER)
  }

  /** All of it, as one hand made it: this device asks nobody for it again. */
  async waitingFor(): Promise<SignedEvent[]> {
    return [...this.#before, ...this.#signed(this.#waiting)]
  }

  #signed(events: readonly PageEvent[]): SignedEvent[] {
    return events.map((event) => ({ ...event, author: this.#author, round: 1 }) as SignedEvent)
  }

  onDeleted(listener: (copy: string, events: readonly string[]) => void) {
    this.#deleted = listener
    return () => {
      this.#deleted = undefined
    }
  }

  onFates = () => () => {}
  release = () => {}
  keepTyping = async () => {}
  typed = async () => {}
  typingIn = async () => []

  /** Sends what waits at once. */
  flush(): void {
    clearTimeout(this.#timer)
    void this.#go()
  }

  #soon(wait: number): void {
    if (this.state.getState().state === 'kept') this.state.setState({ state: 'going' })
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.#go(), wait)
  }

  async #go(): Promise<void> {
    if (this.#sending || this.#waiting.length === 0) return
    this.#sending = true
    const some = this.#waiting.slice(0, MOST_EVENTS_AT_ONCE)
    try {
      await this.#send(some)
      this.#waiting = this.#waiting.slice(some.length)
      this.#before = [...this.#before, ...this.#signed(some)]
      this.#remember()
      this.state.setState({ state: this.#waiting.length === 0 ? 'kept' : 'going' })
      if (this.#waiting.length > 0) this.#soon(0)
    } catch (error) {
      const refused = error instanceof Problem && error.status >= 400 && error.status < 500
      if (refused && this.state.getState().state !== 'refused') sayProblem(error)
      this.state.setState({ state: refused ? 'refused' : 'here' })
      // What was refused would be refused again: it is tried with what is done next.
      if (!refused) this.#soon(AGAIN_AFTER)
    } finally {
      this.#sending = false
    }
  }

  #remember(): void {
    if (this.#waiting.length === 0) dropNote(this.#note)
    else writeNote(this.#note, JSON.stringify(this.#waiting))
  }
}
