import { Refused } from '@hand-back/core'
import { type InLine, Line } from './line.ts'
import { type Call, Workshop } from './workshop.ts'

/** Work on one paper or formula, which somebody waits to see, and work on a whole copy stand in lines of their own. */
const PLACES = { quick: 3, long: 2 } as const
export type Kind = keyof typeof PLACES

/** The most pieces of work that one person may have in line: the PDFs of a few classes. */
const MOST_IN_LINE = 120

/** A piece of work. What it needs is fetched when its turn comes, so that what waits takes no memory. */
export interface Work extends Omit<Call, 'task'>, InLine {
  readonly kind: Kind
  task(): Promise<unknown> | unknown
}

interface Waiting extends Work {
  done(answer: unknown): void
  failed(error: unknown): void
}

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
    const work = this.#line.next(this.#free.length)
    if (!work) return
    const workshop = this.#free.pop()!
    void this.#begin(workshop, work).finally(() => {
      this.#line.over(work.person)
      this.#free.push(workshop)
      this.#next()
      this.#next()
    })
  }

  async #begin(workshop: Workshop, work: Waiting): Promise<void> {
    try {
      work.done(await workshop.call({ ...work, task: await work.task() }))
    } catch (error) {
      work.failed(error)
    }
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
