import { type KeptEvent, tellsOfMarks } from '@hand-back/core'

/** Of which rounds marks were read on this device, and of which they were left out of what was read. */
export class MarksTold {
  readonly #told = new Set<number>()
  readonly #withheld = new Set<number>()

  read(events: readonly KeptEvent[]): void {
    for (const event of events) {
      if (event.layer !== 'feedback') continue
      if (event.withheld) this.#withheld.add(event.round)
      else if (tellsOfMarks(event)) this.#told.add(event.round)
    }
  }

  /** Whether what was read is what this copy's student may know now. */
  agreesWith(withoutMarks: readonly number[]): boolean {
    return (
      [...this.#withheld].every((round) => withoutMarks.includes(round)) &&
      [...this.#told].every((round) => !withoutMarks.includes(round))
    )
  }

  forget(): void {
    this.#told.clear()
    this.#withheld.clear()
  }
}
