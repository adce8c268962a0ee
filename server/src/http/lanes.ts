/**
 * Lets at most `most` pieces of work run at once; the others wait in line, those that are `urgent` before
 * the rest. More than `longest` waiting are turned away with `full()`.
 */
export class Lanes {
  readonly #most: number
  readonly #longest: number
  readonly #full: () => Error
  readonly #urgent: (() => void)[] = []
  readonly #waiting: (() => void)[] = []
  #running = 0

  constructor(most: number, longest: number, full: () => Error) {
    this.#most = most
    this.#longest = longest
    this.#full = full
  }

  async run<T>(work: () => Promise<T>, urgent = false): Promise<T> {
    if (this.#running >= this.#most) {
      const line = urgent ? this.#urgent : this.#waiting
      if (line.length >= this.#longest) throw this.#full()
      await new Promise<void>((go) => line.push(go))
    } else this.#running++
    try {
      return await work()
    } finally {
      const next = this.#urgent.shift() ?? this.#waiting.shift()
      // Whoever goes next takes the place over.
      if (next) next()
      else this.#running--
    }
  }
}
