import { z } from 'zod'

/** How copies are taken away: one PDF after the other in one file, or a file for each in an archive. */
export const PARCEL_FORMS = ['one', 'each'] as const
const form = z.enum(PARCEL_FORMS)
export type ParcelForm = z.infer<typeof form>

/** The most copies of one parcel. */
export const MOST_IN_PARCEL = 1000

/** Copies of a hand-out, as their teacher takes them away. */
const ofHandout = z.object({
  of: z.literal('handout'),
  handout: z.uuid(),
  /** Only these copies; left out: all that are not withdrawn. */
  copies: z.array(z.uuid()).min(1, 'Choose a copy.').max(MOST_IN_PARCEL).optional(),
  form,
  /** With the marks at the edge of each page, and on the cover. */
  marks: z.boolean(),
  /** A sheet before each copy: what all comes to, the rubric, the remarks written out. */
  cover: z.boolean(),
  /** Two pages on a sheet of A4, for paper. */
  twoASheet: z.boolean(),
  /** Recordings and films as files beside each copy; only with a file for each. */
  recordings: z.boolean(),
  /** Only the answers to one question, one under another; in one file. */
  question: z.uuid().optional(),
})

/** All copies of a student, as they take them home: a PDF for each, and what is to be heard on it. */
const ofOwn = z.object({ of: z.literal('own') })

/** What somebody takes away, packed while they go on with something else. */
export const parcelWish = z
  .discriminatedUnion('of', [ofHandout, ofOwn])
  .refine((wish) => wish.of === 'own' || wish.question === undefined || wish.form === 'one', {
    message: 'The answers to one question go into one file.',
  })
export type ParcelWish = z.infer<typeof parcelWish>

export const PARCEL_STATES = ['packing', 'ready', 'failed'] as const

/** A parcel as whoever wished for it sees it. */
export const parcelTold = z.object({
  id: z.uuid(),
  title: z.string(),
  state: z.enum(PARCEL_STATES),
  /** So many copies (or pages, of one file) of so many are packed. */
  done: z.number().int().min(0),
  all: z.number().int().min(0),
  bytes: z.number().int().min(0),
  /** How its file is called. */
  file: z.string(),
  /** Why it could not be packed. */
  problem: z.string().nullable(),
  /** It is kept until then. */
  until: z.number().nullable(),
})
export type ParcelTold = z.infer<typeof parcelTold>
