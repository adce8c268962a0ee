import {
  type CopyStandingNews,
  copyStanding,
  eventsNews,
  followAnswer,
  type KeptEvent,
  type ReadTo,
} from '@hand-back/core'
import { z } from 'zod'
import { hear, type LiveSocket } from '../../api/live.ts'
import { ANSWER_WITHIN } from '../../api/patience.ts'

/** Missed news is asked for at least this often, in milliseconds. */
const CATCH_UP_EVERY = 20_000

/** What becomes of what is read. */
export interface LogListener {
  /** How far the log was read by now. */
  readTo(): ReadTo
  take(events: readonly KeptEvent[]): void
  /** Where the copy stands. */
  stand(standing: Omit<CopyStandingNews, 'copy'>): void
  /** The standing changed just now: what waited for that may be sent. */
  stoodAnew(): void
  /** Everything that was there has been read. */
  through(): void
  /** It cannot be read any more, and why. */
  gone(why: string): void
}

/** Reads the log of a copy from school: all that was missed, then what comes. */
export class LogReader {
  readonly #copy: string
  readonly #socket: LiveSocket
  readonly #listener: LogListener
  readonly #stops: (() => void)[] = []
  #catchingUp = false
  #again = false

  constructor(copy: string, handout: string, socket: LiveSocket, listener: LogListener) {
    this.#copy = copy
    this.#socket = socket
    this.#listener = listener
    const connect = () => void this.catchUp()
    socket.on('connect', connect)
    const timer = setInterval(connect, CATCH_UP_EVERY)
    this.#stops.push(
      hear(socket, 'events', eventsNews, ({ copy: of, events }) => of === copy && listener.take(events)),
      hear(socket, 'standing', copyStanding, ({ copy: of, ...standing }) => {
        if (of !== copy) return
        listener.stand(standing)
        listener.stoodAnew()
        void this.catchUp()
      }),
      // It may be out of reach now: asking again tells.
      hear(socket, 'handout', z.uuid(), (of) => of === handout && void this.catchUp()),
      () => socket.off('connect', connect),
      () => clearInterval(timer),
      () => socket.emit('unfollow', copy),
    )
  }

  close(): void {
    for (const stop of this.#stops) stop()
  }

  /** School can be asked now. */
  get reached(): boolean {
    return this.#socket.connected
  }

  /** Reads what was missed. Called while it reads, it reads once more. */
  async catchUp(): Promise<void> {
    if (this.#catchingUp) {
      this.#again = true
      return
    }
    this.#catchingUp = true
    try {
      do {
        this.#again = false
        await this.#readOn()
      } while (this.#again)
    } catch {
      // Out of reach: asked again when it connects, or at the next round.
    } finally {
      this.#catchingUp = false
    }
  }

  /** Reads all there is, piece by piece. The next piece is on its way while this one is drawn. */
  async #readOn(): Promise<void> {
    if (!this.reached) return
    let asked = this.#ask(this.#listener.readTo())
    for (;;) {
      const answer = await asked
      if (!answer.ok) {
        if (answer.gone) this.#listener.gone(answer.why)
        return
      }
      const more = answer.more && answer.events.length > 0
      if (more) asked = this.#ask(furthest(this.#listener.readTo(), answer.events))
      this.#listener.stand(answer.standing)
      this.#listener.take(answer.events)
      if (!more) return this.#listener.through()
    }
  }

  async #ask(readTo: ReadTo) {
    const request = { copy: this.#copy, readTo }
    return followAnswer.parse(await this.#socket.timeout(ANSWER_WITHIN).emitWithAck('follow', request))
  }
}

/** How far the log is read with these events. */
function furthest(readTo: ReadTo, events: readonly KeptEvent[]): ReadTo {
  const read = { ...readTo }
  for (const { layer, seq } of events) read[layer] = Math.max(read[layer], seq)
  return read
}
