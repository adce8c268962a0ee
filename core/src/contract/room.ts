import { z } from 'zod'
import { madeId } from '../ink/stroke.ts'
import { lesson, lessonOfCopy } from '../room/lesson.ts'
import { seatingPlan } from '../room/seatingPlan.ts'

/** Somebody asks for the teacher. `at`: since when, in milliseconds since 1970. */
export const handUp = z.object({ copy: z.uuid(), student: z.uuid(), at: z.number() })
export type HandUp = z.infer<typeof handUp>

/** What a teacher sees of a class at work besides its copies: who asks, and where they sit. */
export const roomTold = z.object({ hands: z.array(handUp), plan: seatingPlan.nullable() })
export type RoomTold = z.infer<typeof roomTold>

/** Whether one's own hand is up, and since when. */
export const ownHand = z.object({ upAt: z.number().nullable() })

/** Whose hand is taken down: one's own, or as a teacher that of a student, or everybody's of a copy. */
export const handDown = z.object({ student: z.uuid().optional() })

/** What was said to a class, as its teacher is told it. `now`: what the clock of school shows, in milliseconds since 1970. */
export const lessonTold = z.object({ now: z.number(), lesson })
export type LessonTold = z.infer<typeof lessonTold>

/** What was said to a class, as those who work on one copy are told it. */
export const ownLessonTold = z.object({
  now: z.number(),
  lesson: lessonOfCopy,
  /** The copy of the same pages on which their teacher writes at the front, where it was given to them to read. */
  board: z.uuid().nullable(),
  /** Where this student is asked to write at the front. */
  writesAt: z.uuid().nullable(),
})
export type OwnLessonTold = z.infer<typeof ownLessonTold>

/** A page at the front: of a worksheet for a class, or of the pages that a hand-out has. Asked twice by one `request` it is made once. */
export const newBoard = z.object({
  request: z.uuid(),
  of: z.union([z.object({ handout: z.uuid() }), z.object({ worksheet: z.uuid(), class: z.uuid() })]),
})
export type NewBoard = z.infer<typeof newBoard>
export const boardOpened = z.object({ handout: z.uuid(), copy: z.uuid() })

/** A day, in milliseconds: nothing is told of what was done before. */
const LONG = 86_400_000

/**
 * "I have this page in front of me." `idle`: how long ago something was last done on the copy here, in milliseconds;
 * a length of time, because clocks are wrong.
 */
export const hereNews = z.object({
  copy: z.uuid(),
  page: madeId,
  away: z.boolean(),
  idle: z.number().min(0).max(LONG),
  /** The place of the page in the middle of what is seen, in points. */
  at: z.object({ x: z.number(), y: z.number() }).optional(),
})
export type HereNews = z.infer<typeof hereNews>

/** Where a student is, as the teacher is told it. `gone`: the copy is not open there any more, or cannot be reached. */
export const whereNews = z.object({
  handout: z.uuid(),
  copy: z.uuid(),
  student: z.uuid(),
  page: madeId.nullable(),
  away: z.boolean(),
  idle: z.number(),
  at: z.object({ x: z.number(), y: z.number() }).optional(),
  gone: z.boolean(),
})
export type WhereNews = z.infer<typeof whereNews>

/** "I look at this copy with its student." Or, with `here` false, not any more. */
export const besideSaid = z.object({ copy: z.uuid(), here: z.boolean() })
/** A teacher looks at a copy that one has open. */
export const besideNews = z.object({ copy: z.uuid(), teacher: z.uuid(), here: z.boolean() })

/** "Look here": a page of a copy, as a teacher shows it to whoever has it open. */
export const lookHere = z.object({ copy: z.uuid(), page: madeId })

/**
 * A place of a page at which a teacher points just now, in points. `copy`: only whoever has that one open sees it;
 * left out: everybody who has a copy of the hand-out open.
 */
export const pointing = z.object({
  handout: z.uuid(),
  copy: z.uuid().optional(),
  page: madeId,
  x: z.number(),
  y: z.number(),
})
export type Pointing = z.infer<typeof pointing>
