import { z } from 'zod'
import type { KeptEvent, PageEvent } from '../log/events.ts'
import { readEvents } from '../log/readEvents.ts'
import { type CopyStandingNews, copyStanding } from './copies.ts'
import type { CopyRow } from './handouts.ts'
import type { CopySum, HeapsNews } from './marking.ts'
import type { besideNews, besideSaid, HereNews, lookHere, Pointing, WhereNews } from './room.ts'

const readTo = z.object({
  work: z.number().int().min(0),
  help: z.number().int().min(0),
  feedback: z.number().int().min(0),
  // A device may run a page from a time when there were none.
  pins: z.number().int().min(0).default(0),
})

/** The most events of one `keep`; a day offline goes in several. */
export const MOST_EVENTS_AT_ONCE = 200
/** The largest live message, in bytes. */
export const MOST_MESSAGE_BYTES = 2_000_000

/** "Tell me what I have not read of this copy, and whatever comes." */
export const followRequest = z.object({ copy: z.uuid(), readTo })
export type FollowRequest = z.infer<typeof followRequest>
/** Events as school tells them: those that this device has a word for. */
export const keptEvents = z.unknown().transform(readEvents)

const refusal = z.object({ ok: z.literal(false), why: z.string(), gone: z.boolean() })
export const followAnswer = z.discriminatedUnion('ok', [
  z.object({ ok: z.literal(true), events: keptEvents, standing: copyStanding, more: z.boolean() }),
  refusal,
])
export type FollowAnswer =
  | { ok: true; events: KeptEvent[]; standing: CopyStandingNews; more: boolean }
  | z.infer<typeof refusal>

/**
 * "Keep these, which `person` made." Answered after the database has committed. Each event is looked at
 * by itself, so that one which is not well formed does not hold up the others.
 */
export const keepRequest = z.object({
  person: z.uuid(),
  copy: z.uuid(),
  events: z.array(z.unknown()).min(1).max(MOST_EVENTS_AT_ONCE),
})
export interface KeepRequest {
  readonly person: string
  readonly copy: string
  readonly events: readonly PageEvent[]
}

/**
 * What became of each event. `kept`: it is in the database. `closed`: the copy does not take this ink
 * now; the device holds it until it does. `wrong`: it is not taken as it is; the device sets it aside for
 * a person to look at. Only people delete.
 */
export type EventFate =
  | { id: string; fate: 'kept'; seq: number; round: number }
  | { id: string; fate: 'closed' | 'wrong'; why: string }
export type KeepAnswer = { ok: true; fates: EventFate[] } | { ok: false; why: string; gone: boolean }

/** "Tell me when a copy of this hand-out changes its state." */
export const watchRequest = z.object({ handout: z.uuid() })
export type WatchAnswer = { ok: true } | { ok: false; why: string; gone: boolean }

export interface DeviceMessages {
  follow(request: FollowRequest, answer: (answer: FollowAnswer) => void): void
  unfollow(copy: string): void
  keep(request: KeepRequest, answer: (answer: KeepAnswer) => void): void
  watch(request: z.infer<typeof watchRequest>, answer: (answer: WatchAnswer) => void): void
  /** The same, and everybody who works on one of its copies is asked where they are. */
  walk(request: z.infer<typeof watchRequest>, answer: (answer: WatchAnswer) => void): void
  /** Where one is in a copy that one follows. */
  here(news: HereNews): void
  /** A teacher says that they are at a copy, or shows a page of it. */
  beside(said: z.infer<typeof besideSaid>): void
  lookHere(said: z.infer<typeof lookHere>): void
  /** A teacher points at a place, of the page of one copy or of everybody's. */
  point(at: Pointing): void
}

/** What school tells of a copy that is open here. */
export const eventsNews = z.object({ copy: z.uuid(), events: keptEvents })

export interface ServerMessages {
  events(news: { copy: string; events: KeptEvent[] }): void
  standing(news: CopyStandingNews): void
  copyRow(news: { handout: string; row: CopyRow }): void
  /** What the marks of a copy come to now. */
  marks(news: { handout: string; sum: CopySum }): void
  /** Something was written on a copy. */
  touched(news: { handout: string; copy: string }): void
  tray(): void
  /** Somebody walks round: who has a copy of this hand-out open says where they are. */
  whereAreYou(handout: string): void
  where(news: WhereNews): void
  beside(news: z.infer<typeof besideNews>): void
  lookHere(news: z.infer<typeof lookHere>): void
  point(at: Pointing): void
  /** Something was said to the class that has this hand-out: whoever it concerns asks what. */
  lesson(handout: string): void
  /** The answers to a question were laid in other heaps. */
  heaps(news: HeapsNews): void
  /** Hands of a hand-out went up or down. */
  hands(handout: string): void
  /** One's own hand in a copy went up or down. */
  hand(copy: string): void
  /** Somebody asks to be let into a class of this teacher. */
  joining(): void
  /** Pages, dates, rules or people of a hand-out changed. */
  handout(handout: string): void
}
