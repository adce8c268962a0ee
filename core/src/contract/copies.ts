import { z } from 'zod'
import { way } from '../handout/plan.ts'
import { COPY_STATES } from '../handout/state.ts'
import { LONGEST_RECORDING } from '../kinds/spokenSeconds.ts'
import { rubric } from '../marks/rubric.ts'
import { box } from '../worksheet/box.ts'
import { worksheetPage } from '../worksheet/page.ts'
import { question } from '../worksheet/sheet.ts'

export const copyState = z.enum(COPY_STATES)

/** The longest recording, in seconds, where a teacher has not chosen. */
export const USUAL_VOICE_SECONDS = 300

/** How long one may speak at once on the copies of a hand-out, in seconds. */
export const longestVoice = z.number().int().min(10).max(LONGEST_RECORDING)

/** The longest film, in seconds, where a teacher has not chosen, … */
export const USUAL_FILM_SECONDS = 120
/** … and the longest that a teacher can choose: as a device films it, it has less than `MOST_ATTACHMENT_BYTES`. */
export const LONGEST_FILM = 300

/** How long one may film at once on the copies of a hand-out, in seconds; 0: not at all. */
export const longestFilm = z.number().int().min(0).max(LONGEST_FILM)

/** A spoken direction that was sent before; `seconds` is how long it is. */
export const spokenDirection = z.object({
  id: z.uuid(),
  seconds: z
    .number()
    .min(0)
    .max(USUAL_VOICE_SECONDS + 5),
})
export type SpokenDirection = z.infer<typeof spokenDirection>

/** To whom the pages of a shared copy are given; a page that is not named is everybody's. */
export const pageOwners = z.record(z.uuid(), z.array(z.uuid()).max(1000))
export type PageOwners = z.infer<typeof pageOwners>

/** A part of a page of a shared copy, and to whom it was given: marked, so that each finds theirs. */
export const pagePart = z.object({ page: z.uuid(), box, students: z.array(z.uuid()).min(1).max(1000) })
export type PagePart = z.infer<typeof pagePart>
/** All parts of a copy that were given to somebody. */
export const pageParts = z.array(pagePart).max(500)

/** What others did in a shared copy since a student left it: who, and on which pages. */
export const meanwhile = z.array(z.object({ student: z.uuid(), pages: z.array(z.uuid()) }))
export type Meanwhile = z.infer<typeof meanwhile>

/** The rounds that came back without their marks; a device may know a copy from a time when this was not told. */
const withoutMarks = z.array(z.number()).readonly().default([])

/** Where a copy stands, as its student and its teacher may both know it. */
export const copyStanding = z.object({
  copy: z.uuid(),
  state: copyState,
  round: z.number(),
  /** The questions that this go is for; null: everything. */
  goFor: z.array(z.string()).readonly().nullable().default(null),
  withoutMarks,
})
export type CopyStandingNews = z.infer<typeof copyStanding>

/** A copy with its pages: all one needs to show it but the ink, which comes over the live connection. */
export const copyWhole = z.object({
  id: z.uuid(),
  handout: z.uuid(),
  title: z.string(),
  directions: z.string(),
  dueAt: z.number().nullable(),
  /** Whose it is: a student's name, a group's, or everybody. */
  name: z.string(),
  way,
  students: z.array(z.object({ id: z.uuid(), name: z.string() })),
  /** Who handed it out. */
  teacher: z.object({ id: z.uuid(), name: z.string() }),
  /** All who may mark it; a device may know a copy from a time when this was not told. */
  teachers: z.array(z.object({ id: z.uuid(), name: z.string() })).default([]),
  spoken: spokenDirection.nullable(),
  /** Everybody in it may rub out and move what others made. */
  touchAll: z.boolean(),
  /** Those who have it, and its teachers, say things to each other at its places. */
  pins: z.boolean().default(false),
  /** A device may know a copy from a time when this was not told. */
  longestVoice: longestVoice.default(USUAL_VOICE_SECONDS),
  longestFilm: longestFilm.default(USUAL_FILM_SECONDS),
  owners: pageOwners,
  /** A device may know a copy from a time when this was not told. */
  parts: pageParts.default([]),
  /** Pages that were added or changed after it was handed out, and when. */
  changes: z.array(z.object({ page: z.uuid(), what: z.enum(['new', 'changed']), at: z.number() })),
  state: copyState,
  round: z.number(),
  /** The questions that this go is for; null: everything. */
  goFor: z.array(z.string()).readonly().nullable().default(null),
  withoutMarks,
  pages: z.array(worksheetPage),
  /** What is asked on its pages; a device may know a copy from a time when this was not told. */
  questions: z.array(question.pick({ id: true, label: true, areas: true })).default([]),
  /** What is looked for in the whole of it. */
  rubric: rubric.nullable().default(null),
})
export type CopyWhole = z.infer<typeof copyWhole>

/** What came back on a copy: on how many pages there is feedback, and what its marks come to, in hundredths. */
export const cameBack = z.object({ pages: z.number(), given: z.number(), full: z.number() })
export type CameBack = z.infer<typeof cameBack>

/** One thing in a student's tray. */
export const trayEntry = z.object({
  copy: z.uuid(),
  title: z.string(),
  unit: z.string(),
  className: z.string(),
  directions: z.string(),
  way,
  /** Whom it is shared with, in a few words; nobody: null. */
  sharedName: z.string().nullable(),
  dueAt: z.number().nullable(),
  handedOutAt: z.number(),
  handedInAt: z.number().nullable(),
  /** When pages of it were last added or changed. */
  changedAt: z.number().nullable(),
  /** This student has not opened it yet. */
  isNew: z.boolean(),
  state: copyState,
  round: z.number(),
  /** What came back on it; a device may know a tray from a time when this was not told. */
  back: cameBack.nullable().default(null),
  withoutMarks,
  pageCount: z.number(),
  firstPage: worksheetPage,
})
export type TrayEntry = z.infer<typeof trayEntry>
