/** How much of something each person may use in a stretch of time, counted in this process. */
export class Allowance {
  readonly #most: number
  readonly #milliseconds: number
  readonly #used = new Map<string, { count: number; since: number }>()

  constructor(most: number, milliseconds: number) {
    this.#most = most
    this.#milliseconds = milliseconds
  }

  /** Whether `person` may use so much more now; if so, it is used. */
  take(person: string, amount = 1): boolean {
    const now = Date.now()
    const used = this.#used.get(person)
    if (!used || now - used.since > this.#milliseconds) {
      this.#forgetOld(now)
      this.#used.set(person, { count: amount, since: now })
      return amount <= this.#most
    }
    if (used.count + amount > this.#most) return false
    used.count += amount
    return true
  }

  #forgetOld(now: number): void {
    if (this.#used.size < 5_000) return
    for (const [person, { since }] of this.#used)
      if (now - since > this.#milliseconds) this.#used.delete(person)
  }
}
