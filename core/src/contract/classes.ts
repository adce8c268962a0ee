import { z } from 'zod'
import { personName, pin } from './people.ts'

export const className = z.string().trim().min(1, 'A class needs a name.').max(60, 'That name is too long.')

export const newClass = z.object({ name: className })
export const addStudents = z.object({
  names: z
    .array(personName)
    .min(1, 'Write at least one name.')
    .max(100, 'Add at most 100 students at a time.'),
})
export const renameStudent = z.object({ name: personName })

export const classCard = z.object({ id: z.uuid(), name: z.string(), code: z.string(), students: z.number() })
export type ClassCard = z.infer<typeof classCard>

export const classWhole = z.object({
  id: z.uuid(),
  name: z.string(),
  code: z.string(),
  students: z.array(z.object({ id: z.uuid(), name: z.string() })),
})
export type ClassWhole = z.infer<typeof classWhole>

/** A student with a PIN just made: the only moment it can be read. */
export const studentWithPin = z.object({ id: z.uuid(), name: z.string(), pin })
export type StudentWithPin = z.infer<typeof studentWithPin>
