import { z } from 'zod'
import { MAIL_ABOUT } from '../mail/mailWords.ts'

/** A box at a host, without quotes, comments or names (RFC 5322, 3.4.1, as people type it): what else a mail server may know is no address here. */
const ADDRESS = /^[^\s@<>()[\]\\,;:"]{1,64}@[^\s@<>()[\]\\,;:"]+\.[^\s@<>()[\]\\,;:".]{2,}$/

export const mailAddress = z
  .string()
  .regex(ADDRESS, 'That is no mail address.')
  .max(254, 'That address is too long.')

export const mailAbout = z.enum(MAIL_ABOUT)

/** A mail to a student, as the teacher of the class sees it. */
export const mailRow = z.object({
  id: z.uuid(),
  /** To whom. */
  name: z.string(),
  address: z.string(),
  about: mailAbout,
  subject: z.string(),
  words: z.string(),
  madeAt: z.number(),
  /** When the school's mail server took it; null: it did not yet. */
  sentAt: z.number().nullable(),
  /** Why it could not be sent, the last time that was tried. */
  trouble: z.string().nullable(),
})
export type MailRow = z.infer<typeof mailRow>

/** `server`: there is a mail server, so that mail leaves the school. */
export const classMail = z.object({ server: z.boolean(), mail: z.array(mailRow) })
export type ClassMail = z.infer<typeof classMail>

/** Where mail to oneself goes; null: nowhere. */
export const ownMail = z.object({ address: z.string().nullable() })
