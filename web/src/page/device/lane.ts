import { Backoff } from '../../api/backoff.ts'

/** Pauses after what failed, in milliseconds. */
const FIRST_PAUSE = 250
const LONGEST_PAUSE = 5_000

/** What a lane does one after the other. */
export interface Steps {
  /** Whether the way is open at all. */
  isOpen(): boolean
  /** Does the next thing; false: there is nothing to do. Throws where the way failed. */
  next(): Promise<boolean>
  pause(milliseconds: number): Promise<void>
}

/** Does one thing after another as long as there is one and the way is open; after what failed it waits, longer every time. */
export class Lane {
  readonly #steps: Steps
  readonly #backoff = new Backoff(FIRST_PAUSE, LONGEST_PAUSE)
  #busy = false
  /** There is more to do than was there when it last looked. */
  #more = false

  constructor(steps: Steps) {
    this.#steps = steps
  }

  async run(): Promise<void> {
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
        await this.#steps.pause(this.#backoff.next())
      }
    }
    this.#busy = false
  }
}
