import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { readInk, type Stroke } from '../ink/stroke.ts'
import type { Item } from '../kinds/items.ts'
import type { VoiceNote } from '../kinds/voice.ts'
import { applyAll, emptyPage, type Page } from '../log/apply.ts'
import type { KeptEvent } from '../log/events.ts'
import { byPage } from '../log/past.ts'
import { momentAt, secondAt, type Talk } from './talk.ts'

/** A talk-through: a voice, and the log of its copy until the voice was laid there. */
export interface TalkThrough {
  readonly talk: Talk
  readonly seconds: number
  /** In order (`inOrder`). */
  readonly events: readonly KeptEvent[]
  /**
   * For each event, the latest moment by which whoever spoke had made something, it included; what others made has the
   * moment of what it came after. It never falls, so that any moment is found by halving.
   */
  readonly moments: readonly number[]
  /** Whether an event is of the hand that spoke. */
  isOwn(index: number): boolean
}

/** What of a talk-through is to be seen at one moment. */
export interface Shown {
  /** The pages as they were. */
  readonly pages: ReadonlyMap<string, Page>
  /** After how many of the events. */
  readonly count: number
  /** The stroke that is being written just then, as far as it had come. */
  readonly written: { readonly page: string; readonly stroke: Stroke } | undefined
}

/** The talk-through of a voice note, from the log of its copy in order; nothing where the note was no talk-through. */
export function talkThrough(log: readonly KeptEvent[], note: string): TalkThrough | undefined {
  const laid = log.findIndex((event) => itemsOf(event).some(({ id }) => id === note))
  const event = log[laid]
  const voice = event && (itemsOf(event).find(({ id }) => id === note) as VoiceNote)
  if (!event || voice?.kind !== 'voice' || !voice.talk) return undefined
  const events = log.slice(0, laid)
  const isOwn = (index: number) => {
    const { author, layer } = events[index]!
    return author === event.author && layer === event.layer
  }
  let latest = 0
  const moments = events.map(({ madeAt }, index) => {
    if (isOwn(index)) latest = Math.max(latest, madeAt)
    return latest
  })
  return { talk: voice.talk, seconds: voice.seconds, events, moments, isOwn }
}

const itemsOf = (event: KeptEvent): readonly Item[] =>
  event.act === 'add' || event.act === 'swap' ? event.items : []

/** After how many events of its log a talk-through is at a second of its voice. Cost: O(log events). */
export function countAt({ talk, moments }: TalkThrough, seconds: number): number {
  const moment = momentAt(talk, seconds)
  let [low, high] = [0, moments.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (moments[middle]! <= moment) low = middle + 1
    else high = middle
  }
  return low
}

/** Pages are remembered after every so many events: going back begins at the nearest. */
const REMEMBERED_EVERY = 1000

/**
 * Plays a talk-through: the state of its pages at any second of its voice. Going on costs what happened meanwhile;
 * going back, at most the events since the last remembered state.
 *
 * Law: whatever was shown before, `at(t)` shows `pagesAt(events, countAt(t))`.
 */
export class Replay {
  readonly through: TalkThrough
  readonly #remembered: ReadonlyMap<string, Page>[] = [new Map()]
  #shown: Shown = { pages: new Map(), count: 0, written: undefined }
  /** Which stroke is being written, its points, and how many of them are shown. */
  #under: { stroke: Stroke; points: NonNullable<ReturnType<typeof readInk>>; shown: number } | undefined

  constructor(through: TalkThrough) {
    this.through = through
  }

  /** What is to be seen at a second. The same object as before, where nothing is other. */
  at(seconds: number): Shown {
    const count = countAt(this.through, seconds)
    const pages = count === this.#shown.count ? this.#shown.pages : this.#pagesAfter(count)
    const written = this.#writtenAt(count, seconds)
    if (pages !== this.#shown.pages || written !== this.#shown.written || count !== this.#shown.count)
      this.#shown = { pages, count, written }
    return this.#shown
  }

  #pagesAfter(count: number): ReadonlyMap<string, Page> {
    const { events } = this.through
    let from = this.#shown.count
    let pages = new Map(this.#shown.pages)
    const nearest = Math.min(Math.floor(count / REMEMBERED_EVERY), this.#remembered.length - 1)
    if (from > count || from < nearest * REMEMBERED_EVERY) {
      from = nearest * REMEMBERED_EVERY
      pages = new Map(this.#remembered[nearest])
    }
    while (from < count) {
      const due = this.#remembered.length * REMEMBERED_EVERY
      const to = Math.min(count, from < due ? due : count)
      for (const [id, some] of byPage(events.slice(from, to)))
        pages.set(id, applyAll(pages.get(id) ?? emptyPage, some))
      if (to === due) this.#remembered.push(new Map(pages))
      from = to
    }
    return pages
  }

  /** A stroke is kept when its pen is lifted; how long that took is in its ink. */
  #writtenAt(count: number, seconds: number): Shown['written'] {
    const { events, talk, isOwn } = this.through
    const event = events[count]
    const stroke = event?.act === 'add' && isOwn(count) ? event.items[0] : undefined
    if (!event || stroke?.kind !== 'stroke') return undefined
    if (this.#under?.stroke !== stroke)
      this.#under = { stroke, points: readInk(stroke.points) ?? [], shown: 0 }
    const { points } = this.#under
    const began = event.madeAt - (points.at(-1)?.time ?? 0)
    const since = momentAt(talk, seconds) - began
    const shown = points.findIndex(({ time }) => time > since)
    const length = shown < 0 ? points.length : shown
    if (length < 2) return undefined
    const before = this.#shown.written
    if (this.#under.shown === length && before?.page === event.page) return before
    this.#under.shown = length
    return {
      page: event.page,
      stroke: { ...stroke, points: toBase64(packPoints(points.slice(0, length))) },
    }
  }
}

/** The second at which something on a page began to be made by whoever spoke; nothing where it was there before, or is another's. */
export function secondOf(
  { talk, events, isOwn }: TalkThrough,
  page: string,
  item: string,
): number | undefined {
  const [[, began]] = talk.clock as [[number, number]]
  const index = events.findIndex(
    (event, at) => event.page === page && isOwn(at) && itemsOf(event).some(({ id }) => id === item),
  )
  const event = events[index]
  if (!event || event.madeAt < began) return undefined
  const made = itemsOf(event).find(({ id }) => id === item)!
  const took = made.kind === 'stroke' ? (readInk(made.points)?.at(-1)?.time ?? 0) : 0
  return secondAt(talk, Math.max(began, event.madeAt - took))
}
