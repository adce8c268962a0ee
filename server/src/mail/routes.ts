import { CALLS, type MailRow } from '@hand-back/core'
import { desc, eq } from 'drizzle-orm'
import { Router } from 'express'
import { ownClass } from '../classes/index.ts'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { mails, people } from '../db/schema.ts'
import { answering } from '../http/answering.ts'

/** The newest of so many are shown. */
const MOST_SHOWN = 300

export function mailRoutes({ db, mailServer }: Context): Router {
  const router = Router()
  answering(router, CALLS.classMail, async ({ person, ids }) => {
    const { id } = await ownClass(db, person.id, ids.class)
    return { server: mailServer !== undefined, mail: await mailOf(db, id) }
  })
  answering(router, CALLS.ownMail, async ({ person }) => {
    const [own] = await db.select({ address: people.mail }).from(people).where(eq(people.id, person.id))
    return { address: own?.address ?? null }
  })
  return router
}

async function mailOf(db: Queries, classId: string): Promise<MailRow[]> {
  const rows = await db
    .select({
      id: mails.id,
      name: people.name,
      address: mails.address,
      about: mails.about,
      subject: mails.subject,
      words: mails.words,
      madeAt: mails.madeAt,
      sentAt: mails.sentAt,
      trouble: mails.trouble,
    })
    .from(mails)
    .innerJoin(people, eq(people.id, mails.studentId))
    .where(eq(mails.classId, classId))
    .orderBy(desc(mails.madeAt))
    .limit(MOST_SHOWN)
  return rows.map(({ madeAt, sentAt, ...row }) => ({
    ...row,
    madeAt: madeAt.getTime(),
    sentAt: sentAt?.getTime() ?? null,
  }))
}
