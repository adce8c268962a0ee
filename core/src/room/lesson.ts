import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { box } from '../worksheet/box.ts'
import { timer } from './timer.ts'

/** A minute, in milliseconds. */
const MINUTE = 60_000
/** A page is shown to those who come within so long, where they are not kept there. */
const LOOK_LASTS = 2 * MINUTE
/** What holds everybody ends by itself after so long: a laptop that was shut must not keep a class from its homework. */
const HOLDS_FOR = 60 * MINUTE
/** Words of a lesson are yesterday's tomorrow. */
const WORDS_LAST = 180 * MINUTE

/** The longest line to a class, in letters. */
export const MOST_LINE_LETTERS = 200

/** A line that a teacher says in writing, and when, in milliseconds since 1970. */
export const line = z.object({ words: z.string().min(1).max(MOST_LINE_LETTERS), at: z.number() })
export type Line = z.infer<typeof line>

/** A page that everybody is asked to look at; `keeps`: nobody turns away from it until the teacher lets go. */
export const look = z.object({ page: madeId, keeps: z.boolean(), at: z.number() })
export type Look = z.infer<typeof look>

/** A copy, or a part of one, as it is shown at the front. `named`: with whose it is. */
export const shownCopy = z.object({
  copy: z.uuid(),
  page: madeId,
  part: box.nullable(),
  named: z.boolean(),
})
export type ShownCopy = z.infer<typeof shownCopy>

/** The most answers that stand at the front at once. */
export const MOST_ANSWERS_AT_FRONT = 12

/** What is cut out of a copy to show an answer. Nobody is told whose it is. */
const shownAnswer = z.object({ copy: z.uuid(), page: madeId, part: box })

/** What the front view shows: a page as it was handed out, one copy or two side by side, or answers to one question. */
export const front = z.discriminatedUnion('what', [
  z.object({ what: z.literal('page'), page: madeId }),
  z.object({ what: z.literal('copies'), copies: z.array(shownCopy).min(1).max(2) }),
  z.object({
    what: z.literal('answers'),
    shown: z.array(shownAnswer).min(1).max(MOST_ANSWERS_AT_FRONT),
  }),
])
export type Front = z.infer<typeof front>

/** The copies of which something is shown at the front. */
export function copiesAtFront(front: Front | null): string[] {
  if (front === null || front.what === 'page') return []
  const shown = front.what === 'copies' ? front.copies : front.shown
  return [...new Set(shown.map(({ copy }) => copy))]
}

/** What was said to a class at work, as its teachers see it. Times in milliseconds since 1970, by the clock of school. */
export const lesson = z.object({
  /** How often something was said: of two, the later one is true. */
  turn: z.number().int().min(0),
  timer: timer.nullable(),
  /** Since when nobody's page takes ink. */
  pensDownAt: z.number().nullable(),
  look: look.nullable(),
  toAll: line.nullable(),
  /** Lines to one copy, by its id. */
  toOne: z.record(z.uuid(), line),
  front: front.nullable(),
  /** The copy whose student is asked to write on it while it is shown. */
  invited: z.uuid().nullable(),
  /** The student who may write on what is here to read: a page at the front. */
  writer: z.uuid().nullable().default(null),
})
export type Lesson = z.infer<typeof lesson>

export const quietLesson: Lesson = {
  turn: 0,
  timer: null,
  pensDownAt: null,
  look: null,
  toAll: null,
  toOne: {},
  front: null,
  invited: null,
  writer: null,
}

/** What of a lesson one copy is told: nothing of any other. */
export const lessonOfCopy = lesson
  .pick({ turn: true, timer: true, pensDownAt: true, look: true, toAll: true })
  .extend({ toOne: line.nullable(), atFront: z.boolean(), invited: z.boolean(), writes: z.boolean() })
export type LessonOfCopy = z.infer<typeof lessonOfCopy>

/** What of a lesson a student is told who works on a copy. */
export function lessonFor(all: Lesson, copy: string, student: string): LessonOfCopy {
  const { turn, timer, pensDownAt, look, toAll, toOne, front, invited, writer } = all
  return {
    ...{ turn, timer, pensDownAt, look, toAll },
    toOne: toOne[copy] ?? null,
    atFront: copiesAtFront(front).includes(copy),
    invited: invited === copy,
    writes: writer === student,
  }
}

/** Whether pens are down at a moment. */
export const arePensDown = (pensDownAt: number | null, now: number): boolean =>
  pensDownAt !== null && now < pensDownAt + HOLDS_FOR

/** Whether everybody is kept on a page at a moment. */
export const isKept = (look: Look | null, now: number): look is Look =>
  look?.keeps === true && now < look.at + HOLDS_FOR

/** Whether whoever comes at a moment is still turned to the page that was shown. */
export const isShown = (look: Look | null, now: number): look is Look =>
  look !== null && now < look.at + (look.keeps ? HOLDS_FOR : LOOK_LASTS)

/** Whether a line is still of this lesson. */
export const isSaid = (said: Line | null, now: number): said is Line =>
  said !== null && now < said.at + WORDS_LAST
