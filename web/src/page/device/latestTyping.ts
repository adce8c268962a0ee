import type { Keepsake, Typing } from './keepsake.ts'

/**
 * Keeps what is being typed on the device, the latest words of each place first of all: while one write is under way,
 * only what they have become by then waits, however fast somebody types on however slow a device.
 */
export class LatestTyping {
  readonly #keepsake: Keepsake
  readonly #waiting = new Map<string, Typing>()
  /** What was kept last for each place, also what is written by now. */
  readonly #last = new Map<string, Typing>()
  #writing: Promise<void> | undefined

  constructor(keepsake: Keepsake) {
    this.#keepsake = keepsake
  }

  /** Fulfilled when these words, or later ones, are on the device. */
  keep(typing: Typing): Promise<void> {
    this.#waiting.set(nameOf(typing), typing)
    this.#last.set(nameOf(typing), typing)
    this.#writing ??= this.#write()
    return this.#writing
  }

  /** What was typed there is kept otherwise. A device without room goes without. */
  async drop(of: Pick<Typing, 'person' | 'copy' | 'at'>): Promise<void> {
    const name = nameOf(of)
    this.#waiting.delete(name)
    this.#last.delete(name)
    await this.#writing
    // Words typed since are newer than what is dropped.
    if (!this.#last.has(name)) await this.#keepsake.dropTyping(of).catch(() => {})
  }

  async #write(): Promise<void> {
    while (this.#waiting.size > 0) {
      const latest = [...this.#waiting.values()]
      this.#waiting.clear()
      await Promise.all(latest.map((typing) => this.#keepsake.putTyping(typing).catch(() => {})))
    }
    this.#writing = undefined
  }
}

const nameOf = ({ person, copy, at }: Pick<Typing, 'person' | 'copy' | 'at'>) => `${person} ${copy} ${at}`
