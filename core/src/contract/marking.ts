import { z } from 'zod'
import { rubric } from '../marks/rubric.ts'
import { answerKey } from '../worksheet/key.ts'
import { question } from '../worksheet/sheet.ts'

const hundredths = z.number().int().min(0)

/** What the marks of a copy come to, in hundredths, and how many of its questions have none, ever and in this round. */
export const copySum = z.object({
  copy: z.uuid(),
  given: hundredths,
  full: hundredths,
  left: z.number().int().min(0),
  leftNow: z.number().int().min(0),
})
export type CopySum = z.infer<typeof copySum>

/** What a teacher needs to mark the copies of a hand-out: its questions, the key, and what is given so far. */
export const marking = z.object({
  questions: z.array(question),
  keys: z.record(z.uuid(), answerKey),
  /** What is looked for in the whole of each copy; a device may know it from a time when there was none. */
  rubric: rubric.nullable().default(null),
  sums: z.array(copySum),
})
export type MarkingWhole = z.infer<typeof marking>

/** What school tells of the marks of a hand-out that is looked at. */
export const sumNews = z.object({ handout: z.uuid(), sum: copySum })

/** Questions that a teacher drew while marking, to be there for all copies of a hand-out. */
export const moreQuestions = z.object({ questions: z.array(question).min(1).max(50) })

/** The rubric of a hand-out from now on; null: none. */
export const rubricChosen = z.object({ rubric: rubric.nullable() })

/** How the pages of a hand-out's copies look now, so that their pictures are asked for again when they have changed. */
export const handoutLooks = z.object({
  /** The pages as they were handed out, in order; sizes in points. */
  pages: z.array(z.object({ id: z.uuid(), width: z.number().positive(), height: z.number().positive() })),
  /** One for each page of each copy: another look is another picture. */
  looks: z.array(z.object({ copy: z.uuid(), page: z.uuid(), look: z.string() })),
})
export type HandoutLooks = z.infer<typeof handoutLooks>

/** What school tells of copies of a hand-out that somebody writes on. */
export const touchedNews = z.object({ handout: z.uuid(), copy: z.uuid() })

/** What its students did so far on a copy. */
export const copyWork = z.object({
  copy: z.uuid(),
  /** On so many of its pages they did something. */
  pages: z.number().int().min(0),
  /** So many recordings lie on it. */
  recordings: z.number().int().min(0),
  /** So many pins on it are not done. */
  pins: z.number().int().min(0),
  /** So much of what is pinned to it has words in it that its teacher watches for. */
  watched: z.number().int().min(0),
  /** The time really spent working, in milliseconds. */
  worked: z.number().min(0),
})
export type CopyWork = z.infer<typeof copyWork>

/** What school tells of heaps that changed. */
export const heapsNews = z.object({ handout: z.uuid(), question: z.uuid() })
export type HeapsNews = z.infer<typeof heapsNews>
