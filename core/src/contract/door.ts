import { z } from 'zod'
import { plainText } from '../words/plainText.ts'

/** A name as people type it: trimmed, one line, not empty. */
export const personName = z
  .string()
  .trim()
  .min(1, 'A name is needed.')
  .max(80, 'That name is too long.')
  .regex(/^[^\p{C}]+$/u, 'A name cannot have control characters.')

export const password = plainText()
  .min(10, 'A password needs at least 10 characters.')
  .max(200, 'That password is too long.')

export const pin = z.string().regex(/^\d{4}$/, 'A PIN is four digits.')

/** A class code as typed: letters and digits, case and spaces ignored. */
export const classCode = z
  .string()
  .max(20)
  .transform((code) => code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
  .pipe(z.string().min(4, 'A class code has six letters and digits.').max(10))

export const teacherSignIn = z.object({ name: personName, password: plainText().min(1).max(200) })
export const firstTeacher = z.object({
  name: personName,
  password,
  /** Printed where the server was started; left out where none is asked for. */
  setupCode: plainText().max(40).optional(),
})
export const passwordChange = z.object({ now: z.string().max(200), to: password })
/** Whose a slip is. */
export const slipOwner = z.object({ name: z.string() })
export type SlipOwner = z.infer<typeof slipOwner>
export const classSignIn = z.object({ code: classCode })
export const studentSignIn = z.object({ code: classCode, student: z.uuid(), pin })
export const demoSignIn = z.object({ person: z.uuid() })

export const classList = z.object({
  className: z.string(),
  students: z.array(z.object({ id: z.uuid(), name: z.string() })),
})
export type ClassList = z.infer<typeof classList>

/** The token of a printed slip. */
export const slipSignIn = z.object({ token: z.string().regex(/^[0-9a-z]{32}$/, 'This slip cannot be read.') })

/** The token of a link that lets a colleague into a class. */
export const invitationToken = z.object({
  token: z.string().regex(/^[0-9a-z]{32}$/, 'This invitation cannot be read.'),
})
/** To which class it is, and by whom. */
export const invitationTold = z.object({ className: z.string(), by: z.string() })
export type InvitationTold = z.infer<typeof invitationTold>
/** A colleague who has no account yet makes one by an invitation. */
export const newColleague = z.object({ ...invitationToken.shape, name: personName, password })

/** Somebody asks to be let into a class, with the PIN that they would like. */
export const joinAsked = z.object({ code: classCode, name: personName, pin })
/** How a request stands; let in, `student` is who they are now. */
export const joinStanding = z.object({
  id: z.uuid(),
  state: z.enum(['waiting', 'let in', 'not let in']),
  student: z.uuid().nullable(),
})
export type JoinStanding = z.infer<typeof joinStanding>
