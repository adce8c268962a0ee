import {
  type AnswersTold,
  applyAll,
  byPage,
  emptyPage,
  type Item,
  inSight,
  invert,
  type OnPage,
  type Page,
  type PageEvent,
  pagesNow,
  placedOn,
  plainThroughout,
  type SignedEvent,
  type WorksheetPage,
} from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { CopyOutbox } from '../../page/device/outbox.ts'

/** What a copy has for an answer: the pages that the question stands on, as they are now. */
export interface OpenAnswer {
  readonly copy: string
  readonly pages: readonly WorksheetPage[]
  readonly log: ReadonlyMap<string, Page>
}

/** Something to do on a copy. */
export interface OnCopy extends OnPage {
  readonly copy: string
}

interface Made {
  readonly copy: string
  readonly event: SignedEvent
}

/** What was done in one press: events on copies, and what else of it has to be undone. */
interface Moment {
  readonly made: readonly Made[]
  readonly undo?: (() => void) | undefined
  readonly redo?: (() => void) | undefined
}

interface Told {
  readonly pages: readonly WorksheetPage[]
  readonly events: readonly SignedEvent[]
}

export interface Answers {
  readonly answers: ReadonlyMap<string, OpenAnswer>
  readonly canUndo: boolean
  readonly canRedo: boolean
  /** Why something made here was not taken, the last time that happened. */
  readonly refused: string | undefined
}

/**
 * The answers to one question in many copies. Of each copy only the log of the question's pages is here, so that
 * hundreds are; what is done to them goes the way of all that is made: to the device first, then to school. What was done
 * in one press, on however many copies, is undone by one.
 */
export class AnswerStore {
  readonly view: StoreApi<Answers> = createStore<Answers>(() => ({
    answers: new Map(),
    canUndo: false,
    canRedo: false,
    refused: undefined,
  }))
  readonly #author: string
  readonly #outbox: Pick<CopyOutbox, 'put' | 'waitingFor' | 'onFates' | 'onDeleted'>
  readonly #now: () => number
  readonly #told = new Map<string, Told>()
  /** What was made on this device, by copy: it lies on top of what school has told. */
  readonly #own = new Map<string, SignedEvent[]>()
  readonly #stops: (() => void)[]
  #done: Moment[] = []
  #undone: Moment[] = []

  constructor(
    author: string,
    outbox: Pick<CopyOutbox, 'put' | 'waitingFor' | 'onFates' | 'onDeleted'>,
    now: () => number = Date.now,
  ) {
    this.#author = author
    this.#outbox = outbox
    this.#now = now
    this.#stops = [
      outbox.onFates((_copy, fates) => {
        const wrong = fates.find(({ fate }) => fate === 'wrong')
        if (wrong && 'why' in wrong) this.view.setState({ refused: wrong.why })
      }),
      outbox.onDeleted((copy, events) => {
        const left = this.#own.get(copy)?.filter(({ id }) => !events.includes(id))
        if (!left) return
        this.#own.set(copy, left)
        this.#show([copy])
      }),
    ]
  }

  close(): void {
    for (const stop of this.#stops) stop()
  }

  /** What school tells of copies takes the place of what it told before. */
  async tell({ sets, copies }: AnswersTold): Promise<void> {
    for (const { copy, set, pages, events } of copies) {
      const all = sets.find((each) => each.set === set)?.pages ?? []
      const own = all.filter(({ id }) => pages.includes(id))
      if (!this.#own.has(copy)) {
        const waiting = await this.#outbox.waitingFor(copy)
        this.#own.set(
          copy,
          waiting.filter(({ page }) => pages.includes(page)),
        )
      }
      // A log only grows: what was asked for earlier and comes later is older.
      if (events.length >= (this.#told.get(copy)?.events.length ?? 0))
        this.#told.set(copy, { pages: own, events })
    }
    this.#show(copies.map(({ copy }) => copy))
  }

  /** Does things to copies as one act, each in the round that its copy is in. */
  act(acts: readonly OnCopy[], round: (copy: string) => number, also: Omit<Moment, 'made'> = {}): void {
    const madeAt = this.#now()
    const made = acts.map(({ copy, page, act }): Made => {
      const event = { id: crypto.randomUUID(), page, layer: 'feedback', madeAt, ...act } as PageEvent
      return { copy, event: { ...plainThroughout(event), author: this.#author, round: round(copy) } }
    })
    if (made.length === 0 && !also.undo) return
    this.#keep(made)
    this.#done.push({ made, ...also })
    this.#undone = []
    this.#tellHistory()
  }

  undo(): void {
    const moment = this.#done.pop()
    if (!moment) return
    moment.undo?.()
    this.#undone.push(this.#reverse(moment))
    this.#tellHistory()
  }

  redo(): void {
    const moment = this.#undone.pop()
    if (!moment) return
    moment.redo?.()
    this.#done.push(this.#reverse(moment))
    this.#tellHistory()
  }

  /** What lies on a page of a copy in the layer of feedback now, by its id. */
  itemOn(copy: string, page: string, id: string): Item | undefined {
    const now = this.view.getState().answers.get(copy)?.log.get(page)
    const placed = now && placedOn(now, 'feedback', id)
    return placed && !placed.taken ? placed.item : undefined
  }

  #reverse({ made, undo, redo }: Moment): Moment {
    const madeAt = this.#now()
    const back = [...made].reverse().map(({ copy, event }): Made => {
      const { author, round } = event
      return { copy, event: { ...invert(event, crypto.randomUUID(), madeAt), author, round } }
    })
    this.#keep(back)
    return { made: back, undo, redo }
  }

  #keep(made: readonly Made[]): void {
    for (const { copy, event } of made) {
      this.#own.set(copy, [...(this.#own.get(copy) ?? []), event])
      void this.#outbox.put(copy, event)
    }
    this.#show([...new Set(made.map(({ copy }) => copy))])
  }

  #show(copies: readonly string[]): void {
    const answers = new Map(this.view.getState().answers)
    for (const copy of copies) {
      const told = this.#told.get(copy)
      if (!told) continue
      const log = new Map<string, Page>()
      for (const [page, events] of byPage([...told.events, ...(this.#own.get(copy) ?? [])]))
        log.set(page, applyAll(emptyPage, events))
      const ids = new Set(told.pages.map(({ id }) => id))
      answers.set(copy, { copy, pages: pagesNow(told.pages, log).filter(({ id }) => ids.has(id)), log })
    }
    this.view.setState({ answers })
  }

  #tellHistory(): void {
    this.view.setState({ canUndo: this.#done.length > 0, canRedo: this.#undone.length > 0 })
  }
}

/** What students put on a page of an answer. */
export const workOn = (answer: OpenAnswer, page: string): Item[] => layerOn(answer, page, 'work')

/** What teachers put there for when it is handed back. */
export const feedbackOn = (answer: OpenAnswer, page: string): Item[] => layerOn(answer, page, 'feedback')

function layerOn({ log }: OpenAnswer, page: string, of: 'work' | 'feedback'): Item[] {
  const now = log.get(page)
  return now ? inSight(now).flatMap(({ item, layer }) => (layer === of ? [item] : [])) : []
}
