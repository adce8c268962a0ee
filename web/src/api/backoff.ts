/** How long to wait before something is tried again, in milliseconds: twice as long every time, up to a longest. */
export class Backoff {
  readonly #first: number
  readonly #longest: number
  #next: number

  constructor(first: number, longest: number) {
    this.#first = first
    this.#longest = longest
    this.#next = first
  }

  /** The pause after one more failure. */
  next(): number {
    const pause = this.#next
    this.#next = Math.min(this.#longest, pause * 2)
    return pause
  }

  /** It went well: the next failure waits shortly again. */
  reset(): void {
    this.#next = this.#first
  }
}
