import {
  fitHeight,
  type Measure,
  type PrintedItem,
  type Question,
  type Sheet,
  saysNothing,
  tidySheet,
  tooMuch,
  type WorksheetPage,
} from '@hand-back/core'
import { createStore, type StoreApi } from 'zustand/vanilla'

/** A worksheet being prepared, as its screen sees it. */
export interface Preparing {
  readonly sheet: Sheet
  /** The page one is on. */
  readonly at: string
  /** The things picked on it. */
  readonly picked: ReadonlySet<string>
  /** The question area picked, if one is. */
  readonly area: { readonly question: string; readonly index: number } | undefined
  /** What the next press on the page puts there. */
  readonly placing: string | undefined
  readonly canUndo: boolean
  readonly canRedo: boolean
}

interface Step {
  readonly sheet: Sheet
  readonly at: string
}

/** The most steps that can be undone. */
const MOST_STEPS = 300
/** Changes of one thing that follow each other within this many milliseconds are one step. */
const ONE_STEP = 900

/** The sheet, what is picked, and every way to change it. Each change is one step that undo takes back. */
export class SheetStore {
  readonly view: StoreApi<Preparing>
  #past: Step[] = []
  #future: Step[] = []
  #last: { key: string; at: number } | undefined

  readonly #measure: Measure
  /** Says in a sentence why something is not done. */
  readonly refuse: (sentence: string) => void

  /**
   * @param measure how wide letters are on this device: things are made as high as their words.
   * @param refuse told why when a change would make more than a worksheet can hold; nothing changes then.
   */
  constructor(sheet: Sheet, measure: Measure, refuse: (sentence: string) => void) {
    this.#measure = measure
    this.refuse = refuse
    this.view = createStore(() => ({
      sheet,
      at: sheet.pages[0]!.id,
      picked: new Set<string>(),
      area: undefined,
      placing: undefined,
      canUndo: false,
      canRedo: false,
    }))
  }

  /** Makes one step. Steps with the same `key` in a row are one: letters typed, a thing nudged. */
  change(to: (sheet: Sheet) => Sheet, key?: string): void {
    const { sheet, at } = this.#now
    const next = to(sheet)
    if (next === sheet) return
    const full = tooMuch(next)
    if (full) {
      this.refuse(full)
      return
    }
    const time = performance.now()
    const same = key !== undefined && this.#last?.key === key && time - this.#last.at < ONE_STEP
    if (!same) {
      this.#past.push({ sheet, at })
      if (this.#past.length > MOST_STEPS) this.#past.shift()
    }
    this.#last = key === undefined ? undefined : { key, at: time }
    this.#future = []
    this.#show({ sheet: tidySheet(next), at })
  }

  /** Changes the page one is on. */
  changePage(to: (page: WorksheetPage) => WorksheetPage, key?: string): void {
    const { at } = this.#now
    this.change(
      (sheet) => ({ ...sheet, pages: sheet.pages.map((page) => (page.id === at ? to(page) : page)) }),
      key,
    )
  }

  /** Changes things of the page one is on, and makes each as high as its words need. */
  changeItems(ids: ReadonlySet<string>, to: (item: PrintedItem) => PrintedItem, key?: string): void {
    this.changePage(
      (page) => ({
        ...page,
        printed: page.printed.map((item) => (ids.has(item.id) ? fitHeight(to(item), this.#measure) : item)),
      }),
      key,
    )
  }

  /** Puts things on top of the page one is on, and picks them. */
  put(items: readonly PrintedItem[], keys: Sheet['keys'] = {}): void {
    const { at } = this.#now
    const fitted = items.map((item) => fitHeight(item, this.#measure))
    this.change((sheet) => ({
      ...sheet,
      keys: { ...sheet.keys, ...keys },
      pages: sheet.pages.map((page) =>
        page.id === at ? { ...page, printed: [...page.printed, ...fitted] } : page,
      ),
    }))
    this.pick(fitted.map(({ id }) => id))
  }

  /** Takes away what is picked: things, or a question's area. */
  takeAway(): void {
    const { picked, area } = this.#now
    if (area) this.changeQuestion(area.question, (question) => withoutArea(question, area.index))
    else
      this.changePage((page) => ({
        ...page,
        printed: page.printed.filter(({ id, locked }) => locked || !picked.has(id)),
      }))
    this.pick([])
  }

  /** Changes a question; nothing left of it takes it away. */
  changeQuestion(id: string, to: (question: Question) => Question | undefined, key?: string): void {
    this.change(
      (sheet) => ({
        ...sheet,
        questions: sheet.questions.flatMap((each) => (each.id === id ? (to(each) ?? []) : [each])),
      }),
      key,
    )
  }

  pick(ids: Iterable<string>): void {
    const picked = new Set(ids)
    this.#dropEmpty(picked)
    this.view.setState({ picked, area: undefined, placing: undefined })
  }

  /** A thing let go before it said anything is gone: it could not be found again. */
  #dropEmpty(picked: ReadonlySet<string>): void {
    const { sheet, picked: before } = this.#now
    const left = [...before].filter((id) => !picked.has(id))
    if (left.length === 0) return
    const page = pageAt(this.#now)
    const printed = page.printed.filter((item) => !(left.includes(item.id) && saysNothing(item)))
    if (printed.length === page.printed.length) return
    const pages = sheet.pages.map((each) => (each === page ? { ...page, printed } : each))
    this.#show({ sheet: { ...sheet, pages }, at: page.id })
  }

  pickArea(question: string, index: number): void {
    this.view.setState({ picked: new Set(), area: { question, index }, placing: undefined })
  }

  place(kind: string | undefined): void {
    this.#dropEmpty(new Set())
    this.view.setState({ placing: kind, picked: new Set(), area: undefined })
  }

  turnTo(page: string): void {
    this.#dropEmpty(new Set())
    if (page !== this.#now.at) this.view.setState({ at: page, picked: new Set(), area: undefined })
  }

  undo(): void {
    this.#step(this.#past, this.#future)
  }

  redo(): void {
    this.#step(this.#future, this.#past)
  }

  #step(from: Step[], into: Step[]): void {
    const step = from.pop()
    if (!step) return
    const { sheet, at } = this.#now
    into.push({ sheet, at })
    this.#last = undefined
    this.#show(step)
  }

  #show({ sheet, at }: Step): void {
    const page = sheet.pages.find(({ id }) => id === at) ?? sheet.pages[0]!
    const there = new Set(page.printed.map(({ id }) => id))
    const { area, picked } = this.#now
    const question = sheet.questions.find(({ id }) => id === area?.question)
    this.view.setState({
      sheet,
      at: page.id,
      picked: new Set([...picked].filter((id) => there.has(id))),
      area: area && question?.areas[area.index] ? area : undefined,
      canUndo: this.#past.length > 0,
      canRedo: this.#future.length > 0,
    })
  }

  get #now(): Preparing {
    return this.view.getState()
  }
}

function withoutArea(question: Question, index: number): Question | undefined {
  const areas = question.areas.filter((_, at) => at !== index)
  return areas.length > 0 ? { ...question, areas } : undefined
}

/** The page one is on. */
export function pageAt({ sheet, at }: Preparing): WorksheetPage {
  return sheet.pages.find(({ id }) => id === at) ?? sheet.pages[0]!
}

/** The things picked, from below. */
export function pickedOf(preparing: Preparing): PrintedItem[] {
  return pageAt(preparing).printed.filter(({ id }) => preparing.picked.has(id))
}
