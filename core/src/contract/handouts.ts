import { z } from 'zod'
import { group } from '../handout/groups.ts'
import { handoutWish, way } from '../handout/plan.ts'
import { rubric } from '../marks/rubric.ts'
import { plainText } from '../words/plainText.ts'
import { worksheetPage } from '../worksheet/page.ts'
import { MOST_QUESTIONS } from '../worksheet/sheet.ts'
import { copyState, longestFilm, longestVoice, spokenDirection } from './copies.ts'
import { weight } from './marksBook.ts'

const moment = z.number().int().min(0).max(8.64e15)
const directions = plainText().trim().max(2000, 'Directions have at most 2,000 letters.')

/** Handing out to one or more classes at once: to all of them or to none. */
export const newHandout = z.object({
  /** Made by the device: pressing the button twice hands out once. */
  request: z.uuid(),
  worksheet: z.uuid(),
  classes: z
    .array(handoutWish.extend({ class: z.uuid() }))
    .min(1, 'Choose a class.')
    .max(30, 'That is too many classes at once.'),
  opensAt: moment.nullable(),
  dueAt: moment.nullable(),
  directions,
  spoken: spokenDirection.nullable(),
  /** It counts for marks. */
  counts: z.boolean(),
  /** The unit that it belongs to; left out, the worksheet's. */
  unit: plainText().trim().max(80, 'The name of a unit has at most 80 letters.').optional(),
  /** What is looked for in the whole of each copy. */
  rubric: rubric.nullable().optional(),
  longestVoice: longestVoice.optional(),
  longestFilm: longestFilm.optional(),
})
export type NewHandout = z.infer<typeof newHandout>
export const handedOut = z.object({ handouts: z.array(z.uuid()) })

/** What of a hand-out can be changed while it is in use. */
export const handoutChange = z.object({
  opensAt: moment.nullable().optional(),
  dueAt: moment.nullable().optional(),
  directions: directions.optional(),
  counts: z.boolean().optional(),
  weight: weight.optional(),
  longestVoice: longestVoice.optional(),
  longestFilm: longestFilm.optional(),
  /** In shared copies: whether everybody may rub out and move what others made. */
  touchAll: z.boolean().optional(),
  /** Whether those who have a copy, and its teachers, say things to each other at places of it. */
  pins: z.boolean().optional(),
  /** Whether its teacher sees no names with its copies. */
  namesHidden: z.boolean().optional(),
  withdrawn: z.boolean().optional(),
})
export type HandoutChange = z.infer<typeof handoutChange>

const named = z.object({ id: z.uuid(), name: z.string() })

/** A copy as a row of the hand-out, for its teacher. */
export const copyRow = z.object({
  id: z.uuid(),
  /** Whose it is: a student's name, a group's, or everybody. */
  name: z.string(),
  shared: z.boolean(),
  students: z.array(named),
  /** The name and the id of its set, where there are sets. */
  set: z.string().nullable(),
  setId: z.uuid().nullable(),
  /** Page numbers of the worksheet, from 1, where it does not have all. */
  pageNumbers: z.array(z.number()).nullable(),
  state: copyState,
  round: z.number(),
  markingBegan: z.boolean(),
  /** The questions that this go is for; null: everything. */
  goFor: z.array(z.uuid()).readonly().nullable(),
  /** The teacher said that this round is reviewed, or is not; null: its marks say. */
  reviewed: z.boolean().nullable(),
  /** It was handed back and is not read yet: it can be brought back to this. */
  stateBefore: copyState.nullable(),
  handedInAt: z.number().nullable(),
  /** A date to hand in of its own; null: that of the hand-out. */
  dueAt: z.number().nullable(),
  /** It goes back by itself at this moment. */
  handsBackAt: z.number().nullable(),
  /** It went back without its marks, and they were not given since. */
  marksKept: z.boolean(),
  /** It was taken out of its student's tray, with everything in it kept. */
  withdrawn: z.boolean(),
})
export type CopyRow = z.infer<typeof copyRow>
/** What school tells of a hand-out that is looked at. */
export const copyRowNews = z.object({ handout: z.uuid(), row: copyRow })

const handoutHead = {
  id: z.uuid(),
  title: z.string(),
  unit: z.string(),
  className: z.string(),
  way,
  opensAt: z.number().nullable(),
  dueAt: z.number().nullable(),
  handedOutAt: z.number(),
  withdrawn: z.boolean(),
}
export const handoutCard = z.object({
  ...handoutHead,
  worksheetId: z.uuid(),
  classId: z.uuid(),
  /** The colleague who handed it out; nobody: oneself. */
  by: z.string().nullable(),
  states: z.array(copyState),
})
export type HandoutCard = z.infer<typeof handoutCard>

export const handoutWhole = z.object({
  ...handoutHead,
  directions: z.string(),
  spoken: spokenDirection.nullable(),
  counts: z.boolean(),
  touchAll: z.boolean(),
  pins: z.boolean(),
  longestVoice,
  longestFilm,
  /** Names are hidden: copies are numbered, and nothing that is told of them has a name in it. */
  namesHidden: z.boolean(),
  rubric: rubric.nullable(),
  worksheetId: z.uuid(),
  /** The worksheet is this teacher's own: its pages can be changed. */
  ownsWorksheet: z.boolean(),
  classId: z.uuid(),
  pageCount: z.number(),
  /** The sets that the worksheet has. */
  sets: z.array(named),
  /** Students of the class that have no copy. */
  without: z.array(named),
  copies: z.array(copyRow),
})
export type HandoutWhole = z.infer<typeof handoutWhole>

/** Students of the class who are to get a copy too; `copy`: their place in a copy that is shared. */
export const moreStudents = z.object({
  students: z.array(z.uuid()).min(1).max(1000),
  copy: z.uuid().optional(),
})

/** What can be other for one copy than for the rest of its hand-out. */
export const copyChange = z.object({
  dueAt: moment.nullable().optional(),
  withdrawn: z.boolean().optional(),
  reviewed: z.boolean().nullable().optional(),
  /** It goes back by itself no more. */
  handsBackAt: z.null().optional(),
})
export type CopyChange = z.infer<typeof copyChange>

/** Another set for one copy; null: what is for everyone. */
export const copySet = z.object({ set: z.uuid().nullable() })

/** What the worksheet as it is now would change in the copies in use. */
export const handoutChanges = z.object({
  added: z.array(worksheetPage),
  changed: z.array(worksheetPage),
  stay: z.number(),
})
export type HandoutChanges = z.infer<typeof handoutChanges>

/** Another go, by when (null: by no date), and at which questions; left out: at everything. */
export const goWish = z.object({
  dueAt: moment.nullable(),
  questions: z.array(z.uuid()).min(1).max(MOST_QUESTIONS).optional(),
})
export type GoWish = z.infer<typeof goWish>

/** Copies to be handed back; `at` a moment (null: now), and for `again` another go (null: to be read). */
export const handBackRequest = z.object({
  copies: z.array(z.uuid()).min(1).max(1000).readonly(),
  at: moment.nullable().default(null),
  again: goWish.nullable().default(null),
  /** With their marks; without, they stay with the teacher until they are given. */
  marks: z.boolean().default(true),
})
export type HandBackRequest = z.input<typeof handBackRequest>
/** Copies whose marks are given to their students now. */
export const marksGiven = z.object({ copies: z.array(z.uuid()).min(1).max(1000).readonly() })
/** The copies that were handed back, or will be. */
export const handBackAnswer = z.object({ handedBack: z.array(z.uuid()) })

/** Groups of a class, kept under a name. */
export const newGrouping = z.object({
  name: plainText().trim().min(1, 'Give it a name.').max(60, 'That name is too long.'),
  groups: z.array(group).min(1, 'Make at least one group.').max(200),
})
export const grouping = newGrouping.extend({ id: z.uuid() })
export type Grouping = z.infer<typeof grouping>
