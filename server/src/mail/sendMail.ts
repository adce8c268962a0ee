import { and, asc, eq, gt, isNull, lt, or } from 'drizzle-orm'
import { createTransport } from 'nodemailer'
import type { Context, MailServer } from '../context.ts'
import { mails } from '../db/schema.ts'
import { causeOf } from '../http/errors.ts'

/** The most mails sent in one go, the most tries of one, and how long it rests between them, in milliseconds. */
const MOST_AT_ONCE = 100
const MOST_TRIES = 5
const RESTS = 5 * 60_000
/** What could not be sent for so long is news no more, in milliseconds. */
const STALE = 24 * 60 * 60_000

/**
 * Sends what waits. What the server does not take is tried again a while later, and says why. A mail is marked as sent
 * after the server took it: one that is sent twice, because this process ended between, has the same Message-ID.
 */
export async function sendMail({ db, now, log }: Context, { url, from }: MailServer): Promise<void> {
  const at = now()
  const waiting = await db
    .select({ id: mails.id })
    .from(mails)
    .where(
      and(
        isNull(mails.sentAt),
        lt(mails.tries, MOST_TRIES),
        gt(mails.madeAt, new Date(at - STALE)),
        or(isNull(mails.triedAt), lt(mails.triedAt, new Date(at - RESTS))),
      ),
    )
    .orderBy(asc(mails.madeAt))
    .limit(MOST_AT_ONCE)
  if (waiting.length === 0) return
  const transport = createTransport(url)
  try {
    for (const { id } of waiting)
      await db.transaction(async (tx) => {
        // Another server process may have it in hand, or have sent it meanwhile.
        const [mail] = await tx
          .select()
          .from(mails)
          .where(and(eq(mails.id, id), isNull(mails.sentAt)))
          .for('update', { skipLocked: true })
        if (!mail) return
        const { address: to, subject, words: text, tries } = mail
        const how = await transport
          .sendMail({ from, to, subject, text, messageId: `<${id}@hand-back>` })
          .then(
            () => ({ sentAt: new Date(now()), trouble: null }),
            (error: unknown) => {
              log.warn({ cause: causeOf(error), mail: id }, 'mail not sent')
              return { trouble: String(error instanceof Error ? error.message : error).slice(0, 300) }
            },
          )
        await tx
          .update(mails)
          .set({ ...how, tries: tries + 1, triedAt: new Date(now()) })
          .where(eq(mails.id, id))
      })
  } finally {
    transport.close()
  }
}
