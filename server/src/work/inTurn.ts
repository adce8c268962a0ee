import { Refused } from '@hand-back/core'
import { type InLine, Line } from './line.ts'
import { type Call, Workshop } from './workshop.ts'

/** Work on one paper or formula, which somebody waits to see, and work on a whole copy stand in lines of their own. */
const PLACES = { quick: 3, long: 2 } as const
export type Kind = keyof typeof PLACES

/** The most pieces of work that one person may have in line: the PDFs of a few classes. */
const MOST_IN_LINE = 120

/**
 * Work on files of more bytes than this is heavy: a process holds about five times as much. One piece of
 * heavy work is done at a time in the whole house, so that any number of them stays within `MOST_HELD`.
 */
const HEAVY = 16 * 1024 * 1024

/** A piece of work. What it needs is fetched when its turn comes, so that what waits takes no memory. */
export interface Work extends Omit<Call, 'task'>, InLine {
  readonly kind: Kind
  /** The size of the files that it works on. */
  readonly bytes: number
  task(): Promise<unknown> | unknown
}

interface Waiting extends Work {
  done(answer: unknown): void
  failed(error: unknown): void
}

const isHeavy = ({ bytes }: Work) => bytes > HEAVY

let heavyUnderWay = false

class Hall {
  readonly #line = new Line<Waiting>()
  readonly #free: Workshop[]

  constructor(kind: Kind) {
    this.#free = Array.from({ length: PLACES[kind] }, () => new Workshop(kind))
  }

  do(work: Work): Promise<unknown> {
    if (this.#line.lengthOf(work.person) >= MOST_IN_LINE)
      throw new Refused('Wait until what you asked for before is made.', 429)
    return new Promise((done, failed) => {
      this.#line.join({ ...work, done, failed })
      this.#next()
    })
  }

  #next(): void {
    if (this.#free.length === 0) return
    const work = this.#line.next(this.#free.length, (next) => !(heavyUnderWay && isHeavy(next)))
    if (!work) return
    const workshop = this.#free.pop()!
    if (isHeavy(work)) heavyUnderWay = true
    void this.#begin(workshop, work).finally(() => {
      this.#line.over(work.person)
      this.#free.push(workshop)
      if (isHeavy(work)) heavyUnderWay = false
      for (const hall of Object.values(halls)) hall.#fill()
    })
  }

  /** A place has become free, or what waited for others may begin. */
  #fill(): void {
    for (let count = this.#free.length; count > 0; count--) this.#next()
  }

  async #begin(workshop: Workshop, work: Waiting): Promise<void> {
    try {
      work.done(await workshop.call({ ...work, task: await work.task() }))
    } catch (error) {
      work.failed(error)
    }
    // A process keeps much of what it held.
    if (isHeavy(work)) workshop.stop()
  }
}

const halls: Record<Kind, Hall> = { quick: new Hall('quick'), long: new Hall('long') }

/**
 * Does long work in a process of its own, so that the server goes on answering. Everybody's turn is fair,
 * whatever others have in line; the limit of time begins when the work does. Rejects with `Refused` (429)
 * when this person has too much in line, with `GaveOut` when it took too long or too much memory, and
 * with what the function threw.
 */
export async function inTurn<Answer>(work: Work): Promise<Answer> {
  return (await halls[work.kind].do(work)) as Answer
}
