/**
 * The moments at which acts are made, in milliseconds since 1970: each later than the one before, but
 * for those done together, which have one moment and are undone together.
 */
export class Moments {
  #last = 0
  #shared: number | undefined

  next(): number {
    if (this.#shared !== undefined) return this.#shared
    this.#last = Math.max(Date.now(), this.#last + 1)
    return this.#last
  }

  /** `moment`: the one of an act that others belong to. */
  together(act: () => void, moment = this.next()): void {
    const outer = this.#shared
    this.#shared = moment
    try {
      act()
    } finally {
      this.#shared = outer
    }
  }
}
