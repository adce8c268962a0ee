import { CALLS, type Sheet, type SheetChange, type WorksheetWhole } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { ask, sentenceOf } from '../../api/ask.ts'
import { meaningOf } from '../../api/meaning.ts'
import { Sender } from '../../api/sender.ts'
import type { Drafts } from './drafts.ts'

/** How what was prepared stands with school; `refused` is a sentence when it cannot be kept as it is. */
export interface SheetKeeping {
  readonly state: 'kept' | 'going' | 'here'
  readonly refused: string | undefined
}

/** A change is sent when nothing changed for this long, in milliseconds. */
const REST = 500
const PAUSES = { first: 1000, longest: 10_000 }

/** The way to school, replaceable in tests. */
export interface SheetCarrier {
  keep(change: SheetChange): Promise<{ revision: number }>
}

export function sheetCarrier(worksheet: string): SheetCarrier {
  return { keep: (change) => ask(CALLS.keepSheet, { worksheet }, change) }
}

/**
 * Keeps a worksheet while it is prepared: on the device at once, at school when the hand rests. What
 * school did not take is sent again with the next change, or after a while.
 */
export class SheetKeeper {
  readonly state: StoreApi<SheetKeeping> = createStore(() => ({
    state: 'kept' as const,
    refused: undefined,
  }))
  readonly #carrier: SheetCarrier
  readonly #drafts: Drafts
  readonly #worksheet: string
  #kept: Sheet
  #revision: number
  #now: Sheet
  readonly #sender = new Sender({ isOpen: () => this.#now !== this.#kept, next: () => this.#send() }, PAUSES)

  constructor(worksheet: WorksheetWhole, carrier: SheetCarrier, drafts: Drafts) {
    this.#worksheet = worksheet.id
    this.#carrier = carrier
    this.#drafts = drafts
    this.#kept = worksheet.sheet
    this.#now = worksheet.sheet
    this.#revision = worksheet.revision
  }

  /** The sheet is like this now. */
  take(sheet: Sheet): void {
    if (sheet === this.#now) return
    this.#now = sheet
    this.state.setState({ state: 'going' })
    void this.#drafts.put({ worksheet: this.#worksheet, revision: this.#revision, sheet })
    this.#sender.rest(REST)
  }

  /** Sends what is not at school yet. Fulfilled when it is, or when it cannot be now. */
  flush(): Promise<void> {
    return this.#sender.now()
  }

  async #send(): Promise<boolean> {
    const sheet = this.#now
    try {
      const { revision } = await this.#carrier.keep(changeBetween(this.#kept, sheet, this.#revision))
      this.#kept = sheet
      this.#revision = revision
    } catch (error) {
      const again = meaningOf(error) === 'again'
      this.state.setState({ state: 'here', refused: again ? undefined : sentenceOf(error) })
      if (again) throw error
      return false
    }
    if (this.#now !== sheet) return true
    await this.#drafts.drop(this.#worksheet)
    this.state.setState({ state: 'kept', refused: undefined })
    return false
  }
}

/** What must be told so that `before` becomes `after`. Cost: O(pages), by identity. */
export function changeBetween(before: Sheet, after: Sheet, revision: number): SheetChange {
  const was = new Map(before.pages.map((page) => [page.id, page]))
  return {
    revision,
    order: after.pages.map(({ id }) => id),
    pages: after.pages.filter((page) => was.get(page.id) !== page),
    ...(before.questions === after.questions ? {} : { questions: after.questions }),
    ...(before.keys === after.keys ? {} : { keys: after.keys }),
    ...(before.sets === after.sets ? {} : { sets: after.sets }),
  }
}
