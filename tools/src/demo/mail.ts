import type { Person } from '@hand-back/core'
import { type Context, makeMail, tables } from '@hand-back/server'
import { eq } from 'drizzle-orm'

/** So long after it is furnished the demo's mails are made, in milliseconds: later than what mails wait for. */
const LATER = 5 * 60_000

/** Gives most students a mail address at a school that nobody can have (RFC 2606), and makes the mails that are due. */
export async function furnishMail(context: Context, students: readonly Person[]): Promise<void> {
  for (const [index, { id, name }] of students.entries()) {
    if (index % 6 === 5) continue
    const box = name
      .normalize('NFD')
      .toLowerCase()
      .replace(/[^a-z ]/g, '')
      .replace(/ /g, '.')
    await context.db
      .update(tables.people)
      .set({ mail: `${box}@saltmarsh.example` })
      .where(eq(tables.people.id, id))
  }
  await makeMail({ ...context, now: () => Date.now() + LATER })
  await context.db.update(tables.mails).set({ madeAt: new Date() })
}
