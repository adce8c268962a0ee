import type { Keepsake, Kept } from './keepsake.ts'

/** Something made in this tab, or left by another, that school does not have yet. */
export interface Entry extends Kept {
  /** The device has it. */
  stored: boolean
  /** The device could not keep it when it was last asked to. */
  failed?: boolean
}

/** What is to be stored, and who wants to know how that went. */
export interface Store {
  entries(): readonly Entry[]
  /** School has it by now, or a person deleted it. */
  isOver(event: string): boolean
  changed(): void
}

/** What the device could not keep is given to it again after this long, in milliseconds. */
const AGAIN_AFTER = 3_000

/** Gives entries to the device. One success says nothing of what failed before: that is tried again until the device has it, or school. */
export class Storing {
  readonly #keepsake: Keepsake
  readonly #pause: (milliseconds: number) => Promise<void>
  readonly #of: Store
  #waits = false

  constructor(keepsake: Keepsake, pause: (milliseconds: number) => Promise<void>, of: Store) {
    this.#keepsake = keepsake
    this.#pause = pause
    this.#of = of
  }

  async store(entry: Entry): Promise<void> {
    const { stored: _stored, failed: _failed, ...kept } = entry
    try {
      await this.#keepsake.put(kept)
      entry.stored = true
      entry.failed = false
      // Sent while the device was writing it.
      if (this.#of.isOver(kept.event.id)) await this.#keepsake.drop([kept.event.id])
    } catch {
      entry.failed = true
      void this.#later()
    }
    this.#of.changed()
  }

  /** Somebody cleared what the browser keeps: all of it is given to the device once more. */
  allLost(): void {
    for (const entry of this.#of.entries()) Object.assign(entry, { stored: false, failed: true })
    this.#of.changed()
    void this.#later()
  }

  async #later(): Promise<void> {
    if (this.#waits) return
    this.#waits = true
    await this.#pause(AGAIN_AFTER)
    this.#waits = false
    for (const entry of this.#of.entries().filter(({ stored }) => !stored)) await this.store(entry)
  }
}
