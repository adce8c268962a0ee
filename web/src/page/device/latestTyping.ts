import { dropNote, notesBeginning, writeNote } from '../../deviceNotes.ts'
import type { Keepsake, Typing } from './keepsake.ts'

/**
 * Keeps what is being typed on the device, the latest words of each place first of all: while one write is under way,
 * only what they have become by then waits, however fast somebody types on however slow a device. The database's
 * answers come when a busy page has a moment: until then the words stand in a note, which is written at once.
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
    writeNote(noteOf(typing), JSON.stringify(typing))
    this.#writing ??= this.#write()
    return this.#writing
  }

  /** What was typed there is kept otherwise. A device without room goes without. */
  async drop(of: Where): Promise<void> {
    const name = nameOf(of)
    this.#waiting.delete(name)
    this.#last.delete(name)
    dropNote(noteOf(of))
    await this.#writing
    // Words typed since are newer than what is dropped.
    if (!this.#last.has(name)) await this.#keepsake.dropTyping(of).catch(() => {})
  }

  /** What was being typed in a copy when its tab ended: what stands in a note is newer than what the database has. */
  async in(person: string, copy: string): Promise<Typing[]> {
    const kept = await this.#keepsake.typingIn(person, copy).catch(() => [])
    const noted = notesBeginning(noteOf({ person, copy, at: '' })).map((note) => JSON.parse(note) as Typing)
    return [...new Map([...kept, ...noted].map((typing) => [typing.at, typing])).values()]
  }

  async #write(): Promise<void> {
    while (this.#waiting.size > 0) {
      const latest = [...this.#waiting.values()]
      this.#waiting.clear()
      await Promise.all(latest.map((typing) => this.#put(typing)))
    }
    this.#writing = undefined
  }

  async #put(typing: Typing): Promise<void> {
    try {
      await this.#keepsake.putTyping(typing)
      if (this.#last.get(nameOf(typing)) === typing) dropNote(noteOf(typing))
    } catch {
      // The note keeps the words.
    }
  }
}

type Where = Pick<Typing, 'person' | 'copy' | 'at'>

const nameOf = ({ person, copy, at }: Where) => `${person} ${copy} ${at}`
const noteOf = (where: Where) => `typing ${nameOf(where)}`
