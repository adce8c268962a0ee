import { CALLS, type Sheet, type SheetChange, type WorksheetWhole } from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import { ask, sentenceOf } from '../../api/ask.ts'
import { Backoff } from '../../api/backoff.ts'
import { meaningOf } from '../../api/meaning.ts'
import type { Drafts } from './drafts.ts'

/** How what was prepared stands with school; `refused` is a sentence when it cannot be kept as it is. */
export interface SheetKeeping {
  readonly state: 'kept' | 'going' | 'here'
  readonly refused: string | undefined
}

/** A change is sent when nothing changed for this long, in milliseconds. */
const REST = 500
const LONGEST_PAUSE = 10_000

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
  #timer: ReturnType<typeof setTimeout> | undefined
  #sending: Promise<void> | undefined
  readonly #backoff = new Backoff(1000, LONGEST_PAUSE)

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
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.flush(), REST)
  }

  /** Sends what is not at school yet. Fulfilled when it is, or when it cannot be now. */
  async flush(): Promise<void> {
    clearTimeout(this.#timer)
    while (this.#sending) await this.#sending
    if (this.#now === this.#kept) return
    this.#sending = this.#send()
    await this.#sending
  }

  async #send(): Promise<void> {
    const sheet = this.#now
    try {
      const { revision } = await this.#carrier.keep(changeBetween(this.#kept, sheet, this.#revision))
      this.#kept = sheet
      this.#revision = revision
      this.#backoff.reset()
      if (this.#now === sheet) {
        await this.#drafts.drop(this.#worksheet)
        this.state.setState({ state: 'kept', refused: undefined })
      } else this.#soon(REST)
    } catch (error) {
      const again = meaningOf(error) === 'again'
      this.state.setState({ state: 'here', refused: again ? undefined : sentenceOf(error) })
      if (again) this.#soon(this.#backoff.next())
    } finally {
      this.#sending = undefined
    }
  }

  #soon(milliseconds: number): void {
    clearTimeout(this.#timer)
    this.#timer = setTimeout(() => void this.flush(), milliseconds)
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
