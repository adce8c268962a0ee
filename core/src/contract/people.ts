import { z } from 'zod'

/** The header in which a tab says whose it is. */
export const PERSON_HEADER = 'x-hand-back-person'

export const person = z.object({ id: z.uuid(), name: z.string(), role: z.enum(['teacher', 'student']) })
export type Person = z.infer<typeof person>

/** What the sign-in screen needs to know: is this a first visit and what does it ask for, is this the demo and who is in it. */
export const door = z.object({
  firstVisit: z.boolean(),
  /** The first teacher must type the setup code. */
  setupCode: z.boolean(),
  demo: z.object({ people: z.array(person), classCode: z.string() }).nullable(),
})
export type Door = z.infer<typeof door>
