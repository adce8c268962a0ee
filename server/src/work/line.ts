/** A piece of work in line, and whose it is. */
export interface InLine {
  readonly person: string
}

/**
 * Who goes next. Each person's work is done in its order; between people the turns go round, however much
 * each has in line, and while anybody else waits nobody has more than one piece under way.
 *
 * Law: with `n` people in line, the next piece of each is begun within `n` turns.
 */
export class Line<Work extends InLine> {
  /** By person, in the order of their turns. */
  readonly #waiting = new Map<string, Work[]>()
  readonly #underWay = new Map<string, number>()

  /** How much a person has in line, not counting what is under way. */
  lengthOf(person: string): number {
    return this.#waiting.get(person)?.length ?? 0
  }

  join(work: Work): void {
    const own = this.#waiting.get(work.person)
    if (own) own.push(work)
    else this.#waiting.set(work.person, [work])
  }

  /**
   * The next piece of work that may begin; `left`: how many places are free. The last place is kept for
   * somebody who has nothing under way. Whoever comes first with work that is not `ready` is passed over.
   */
  next(left: number, ready: (work: Work) => boolean = () => true): Work | undefined {
    const people = [...this.#waiting].filter(([, [first]]) => ready(first!)).map(([person]) => person)
    const idle = people.find((person) => !this.#underWay.has(person))
    const person = idle ?? (left > 1 ? people[0] : undefined)
    if (person === undefined) return undefined
    const own = this.#waiting.get(person)!
    const work = own.shift()!
    this.#waiting.delete(person)
    if (own.length > 0) this.#waiting.set(person, own)
    this.#underWay.set(person, (this.#underWay.get(person) ?? 0) + 1)
    return work
  }

  /** A piece of this person's work is over. */
  over(person: string): void {
    const left = (this.#underWay.get(person) ?? 1) - 1
    if (left > 0) this.#underWay.set(person, left)
    else this.#underWay.delete(person)
  }
}
