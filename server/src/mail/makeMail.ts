import {
  type CopyState,
  DUE_SOON,
  dueOf,
  handedBackRound,
  type MailAbout,
  mailWords,
  worksOn,
} from '@hand-back/core'
import { type SQL, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { IS_OUT } from '../db/pageOfCopy.ts'
import { mails } from '../db/schema.ts'

/** A mail waits so long for what was done by mistake to be undone, in milliseconds. */
const RESTS = 2 * 60_000
/** What nobody was told of for so long is no news any more, in milliseconds: a server that was down, a new address. */
const STALE = 24 * 60 * 60_000

/** A place in a copy whose student has an address, with what a mail about it says. */
interface Place extends Record<string, unknown> {
  readonly student: string
  readonly address: string
  readonly class: string
  readonly className: string
  readonly copy: string
  readonly title: string
  readonly state: CopyState
  readonly round: number
  readonly dueAt: number | null
  readonly dueOfHandout: number | null
}

/** Makes the mails that are due by now, each once, for those who have an address and did not choose otherwise. */
export async function makeMail(context: Context): Promise<void> {
  const now = context.now()
  const since = (moment: SQL) =>
    sql`${moment} BETWEEN to_timestamp(${(now - STALE) / 1000}) AND to_timestamp(${(now - RESTS) / 1000})`
  await make(
    context,
    'handed out',
    sql`m.opened_at IS NULL AND ${since(sql`greatest(m.given_at, h.opens_at)`)}`,
    () => 'once',
  )
  const soon = (due: SQL) =>
    sql`${due} BETWEEN to_timestamp(${now / 1000}) AND to_timestamp(${(now + DUE_SOON) / 1000})`
  await make(
    context,
    'due',
    sql`h.way <> 'read' AND (${soon(sql`c.due_at`)} OR ${soon(sql`h.due_at`)})`,
    ({ state, ...place }) => {
      const due = dueOf(place, place.dueOfHandout)
      const isSoon = worksOn(state) && due !== null && due > now && due <= now + DUE_SOON
      return isSoon ? String(due) : undefined
    },
    // Whoever was told of it only just now was told of its date.
    sql`NOT EXISTS (SELECT FROM mail t WHERE t.student_id = m.student_id AND t.copy_id = c.id
      AND t.made_at > to_timestamp(${(now - DUE_SOON / 2) / 1000}))`,
  )
  await make(context, 'handed back', since(sql`c.handed_back_at`), (place) => {
    const round = handedBackRound(place)
    return round > 0 ? String(round) : undefined
  })
}

/** Makes mails about something for the places `where` that is so; `of` says which round or date it tells of, if any. */
async function make(
  { db, now, address }: Context,
  about: MailAbout,
  where: SQL,
  of: (place: Place) => string | undefined,
  unless: SQL = sql`true`,
): Promise<void> {
  const { rows } = await db.execute<Place>(sql`
    SELECT m.student_id AS student, p.mail AS address, k.id AS class, k.name AS "className", c.id AS copy, h.title,
      c.state, c.round, extract(epoch FROM c.due_at)::float8 * 1000 AS "dueAt",
      extract(epoch FROM h.due_at)::float8 * 1000 AS "dueOfHandout"
    FROM copy_member m JOIN copy c ON c.id = m.copy_id JOIN handout h ON h.id = c.handout_id
      JOIN class k ON k.id = h.class_id JOIN person p ON p.id = m.student_id
      LEFT JOIN person_habits a ON a.person_id = p.id
    WHERE p.mail IS NOT NULL AND m.left_at IS NULL AND ${IS_OUT} AND ${where} AND ${unless}
      AND EXISTS (SELECT FROM enrolment e
        WHERE e.class_id = k.id AND e.student_id = m.student_id AND e.left_at IS NULL)
      AND NOT coalesce(a.habits->'noMail' ? ${about}, false)`)
  const made = rows.flatMap((place) => {
    const told = of(place)
    if (told === undefined) return []
    const { student, copy, title, className, round } = place
    const words = mailWords(about, {
      title,
      className,
      dueAt: dueOf(place, place.dueOfHandout),
      again: place.state === 'another go' && round > 1,
      address,
    })
    return [
      {
        studentId: student,
        classId: place.class,
        copyId: copy,
        about,
        of: told,
        address: place.address,
        ...words,
        madeAt: new Date(now()),
      },
    ]
  })
  if (made.length > 0) await db.insert(mails).values(made).onConflictDoNothing()
}
