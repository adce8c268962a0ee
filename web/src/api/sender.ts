import { Backoff } from './backoff.ts'

/** What a sender does one after the other. */
export interface Steps {
  /** Whether the way is open at all. */
  isOpen(): boolean
  /** Sends the next thing; false: there is nothing to send. Throws where the way failed. */
  next(): Promise<boolean>
  /** Fulfilled after so many milliseconds; replaceable in tests. */
  pause?(milliseconds: number): Promise<void>
}

/** Pauses after what failed, in milliseconds. */
interface Pauses {
  readonly first: number
  readonly longest: number
}

const ASLEEP = (milliseconds: number) => new Promise<void>((done) => setTimeout(done, milliseconds))

/**
 * Everything that a device sends by itself goes through one of these: one thing after another, as long as
 * there is one and the way is open. After what failed it waits, longer every time, and tries again.
 */
export class Sender {
  readonly #steps: Steps
  readonly #backoff: Backoff
  #busy = false
  /** There is more to send than was there when it last looked. */
  #more = false
  #resting: ReturnType<typeof setTimeout> | undefined
  /** Ends the pause after what failed. */
  #wake: () => void = () => {}
  #waiting: (() => void)[] = []

  constructor(steps: Steps, { first, longest }: Pauses = { first: 250, longest: 5_000 }) {
    this.#steps = steps
    this.#backoff = new Backoff(first, longest)
  }

  /** There is something to send. */
  async run(): Promise<void> {
    clearTimeout(this.#resting)
    this.#more = true
    if (this.#busy) return
    this.#busy = true
    while (this.#more && this.#steps.isOpen()) {
      this.#more = false
      try {
        if (await this.#steps.next()) this.#more = true
        this.#backoff.reset()
      } catch {
        this.#more = true
        await this.#pause(this.#backoff.next())
      }
    }
    this.#busy = false
    this.#tellTried()
  }

  /** There is something to send when nothing more has come for `milliseconds`. */
  rest(milliseconds: number): void {
    clearTimeout(this.#resting)
    this.#resting = setTimeout(() => void this.run(), milliseconds)
  }

  /** Sends without rest or pause. Fulfilled when everything is sent, or when it cannot be now. */
  now(): Promise<void> {
    return new Promise((done) => {
      this.#waiting.push(done)
      this.#wake()
      void this.run()
    })
  }

  /** What rests or pauses is not waited for any more; whether something still goes is the way's to say. */
  stop(): void {
    clearTimeout(this.#resting)
    this.#wake()
  }

  async #pause(milliseconds: number): Promise<void> {
    this.#tellTried()
    const woken = new Promise<void>((wake) => {
      this.#wake = wake
    })
    await Promise.race([(this.#steps.pause ?? ASLEEP)(milliseconds), woken])
    this.#wake = () => {}
  }

  #tellTried(): void {
    const waiting = this.#waiting
    this.#waiting = []
    for (const done of waiting) done()
  }
}
