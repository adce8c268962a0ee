import { z } from 'zod'
import { plainText } from '../words/plainText.ts'
import { personName, pin } from './door.ts'
import { mailAddress } from './mail.ts'

export const className = plainText().trim().min(1, 'A class needs a name.').max(60, 'That name is too long.')

export const newClass = z.object({ name: className })
export const addStudents = z.object({
  names: z
    .array(personName)
    .min(1, 'Write at least one name.')
    .max(100, 'Add at most 100 students at a time.'),
})
/** What of a student their teacher changes; an address of null takes it out. */
export const studentChange = z.object({
  name: personName.optional(),
  mail: mailAddress.nullable().optional(),
})
export type StudentChange = z.infer<typeof studentChange>

export const classCard = z.object({ id: z.uuid(), name: z.string(), code: z.string(), students: z.number() })
export type ClassCard = z.infer<typeof classCard>

export const classWhole = z.object({
  id: z.uuid(),
  name: z.string(),
  code: z.string(),
  students: z.array(
    z.object({
      id: z.uuid(),
      name: z.string(),
      rosterId: z.string().nullable(),
      mail: z.string().nullable(),
    }),
  ),
  /** All who teach it; `made`: whoever made it. */
  teachers: z.array(z.object({ id: z.uuid(), name: z.string(), made: z.boolean() })),
})
export type ClassWhole = z.infer<typeof classWhole>

/** A student with a PIN just made: the only moment it can be read. */
export const studentWithPin = z.object({ id: z.uuid(), name: z.string(), pin })
export type StudentWithPin = z.infer<typeof studentWithPin>

/** Slips for some students of a class, or for all; with PINs made anew, which end those before. */
export const slipsAsked = z.object({ students: z.array(z.uuid()).max(600).optional(), newPins: z.boolean() })

/** What of a list is taken over into a class: at once or not at all. */
export const rosterTaken = z.object({
  add: z
    .array(
      z.object({
        name: personName,
        rosterId: plainText().max(255).nullable(),
        mail: mailAddress.nullable().default(null),
      }),
    )
    .max(600, 'A class takes at most 600 students.'),
  rename: z.array(z.object({ id: z.uuid(), to: personName })).max(600),
  /** Addresses that the list knows otherwise than the class. */
  mail: z
    .array(z.object({ id: z.uuid(), to: mailAddress }))
    .max(600)
    .default([]),
  leave: z.array(z.uuid()).max(600),
})
export type RosterTaken = z.infer<typeof rosterTaken>

export const joinRequest = z.object({ id: z.uuid(), name: z.string(), askedAt: z.number() })
export type JoinRequest = z.infer<typeof joinRequest>
