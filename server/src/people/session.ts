import type { IncomingMessage } from 'node:http'
import type { Person } from '@hand-back/core'
import connectPgSimple from 'connect-pg-simple'
import { sql } from 'drizzle-orm'
import type { Request, RequestHandler, Response } from 'express'
import session, { type SessionData } from 'express-session'
import type { Context } from '../context.ts'
import { afterAnswer } from '../http/answering.ts'
import type { Asked } from '../http/as.ts'
import { hasSeat, seatPath } from '../http/seat.ts'
import { findPerson, type Known } from './queries.ts'

declare module 'express-session' {
  interface SessionData {
    person: string
    /** The person's epoch when they signed in: a later one ends the session. */
    epoch: number
    /** When it began, in milliseconds since 1970. */
    begun: number
  }
}

/** A session ends when nothing was asked for this long, in milliseconds, … */
const IDLE = 12 * 60 * 60 * 1000
/** … and at the latest so long after it began. */
const LONGEST = 7 * 24 * 60 * 60 * 1000

/** Sessions in PostgreSQL. A seat of the demo has a cookie of its own under its path. */
export function sessions(context: Context): RequestHandler {
  const store = idleStore(context)
  const named = (name: string) =>
    session({
      name,
      secret: context.secret,
      store,
      resave: false,
      saveUninitialized: false,
      // Only signing in sets the cookie: a late answer to whoever was here before must not take it away.
      rolling: false,
      cookie: (request) => ({
        path: seatPath(request),
        httpOnly: true,
        sameSite: 'lax',
        // Behind a proxy that speaks https, as Express finds it; a live handshake never makes a session.
        secure: request.secure ?? false,
        maxAge: LONGEST,
      }),
    })
  const main = named('handback')
  const seated = named('handback-seat')
  return (request, response, next) => (hasSeat(request) ? seated : main)(request, response, next)
}

/** Sessions in PostgreSQL that end when nothing was asked for a while, however long their cookie lasts. */
function idleStore({ pool }: Context) {
  const Store = connectPgSimple(session)
  const idle = (told: SessionData): SessionData => {
    const cookie = Object.assign(Object.create(Object.getPrototypeOf(told.cookie)), told.cookie)
    cookie.expires = new Date(Date.now() + IDLE)
    return { ...told, cookie }
  }
  return new (class extends Store {
    override set(id: string, told: SessionData, done?: () => void) {
      super.set(id, idle(told), done)
    }
    override touch(id: string, told: SessionData, done?: () => void) {
      super.touch(id, idle(told), done)
    }
  })({ pool, tableName: 'session', pruneSessionInterval: false })
}

/** Puts who is signed in on the request. */
export function knowPerson(context: Context): RequestHandler {
  return async (request, _response, next) => {
    const person = await personIn(context, request.session)
    if (person) (request as Asked).person = person
    next()
  }
}

/** What of a session says whose it is and whether it lasts. */
type Told = Partial<Pick<SessionData, 'person' | 'epoch' | 'begun'>>

async function personIn(context: Context, told: Told | undefined): Promise<Person | undefined> {
  if (!told?.person || context.now() - (told.begun ?? 0) > LONGEST) return undefined
  const found = await findPerson(context.db, told.person)
  if (!found || found.epoch !== (told.epoch ?? 0)) return undefined
  const { id, name, role } = found
  return { id, name, role }
}

/** Who is signed in on a live connection's handshake. */
export function personOf(context: Context, handshake: IncomingMessage): Promise<Person | undefined> {
  return personIn(context, (handshake as Request).session)
}

/** Which of these sessions still last, by their ids. */
export async function lastingSessions({ pool, now }: Context, ids: readonly string[]): Promise<Set<string>> {
  const { rows } = await pool.query(
    `SELECT s.sid FROM session s JOIN person p ON p.id = (s.sess->>'person')::uuid
     WHERE s.sid = ANY($1) AND s.expire > now() AND p.epoch = coalesce((s.sess->>'epoch')::int, 0)
       AND coalesce((s.sess->>'begun')::float8, 0) > $2`,
    [ids, now() - LONGEST],
  )
  return new Set(rows.map(({ sid }) => sid))
}

/** Ends every session of people, and their live connections. */
export async function endSessions({ db, news }: Context, ids: readonly string[]): Promise<void> {
  if (ids.length === 0) return
  await db.execute(sql`UPDATE person SET epoch = epoch + 1 WHERE id = ANY(${sql.param([...ids])}::uuid[])`)
  for (const id of ids) news.personSignedOut(id)
}

/** Clears away sessions and counts of tries that are over. */
export async function clearOldSessions({ pool }: Context): Promise<void> {
  await pool.query('DELETE FROM session WHERE expire < now()')
  await pool.query('DELETE FROM rate_limit WHERE expire < $1', [Date.now()])
}

/**
 * Begins a session for `person` under a fresh id, so that one planted before cannot be used. The session
 * that was here before ends, with its live connections.
 */
export async function signIn({ news, now }: Context, request: Request, person: Known): Promise<void> {
  const before = request.sessionID
  await new Promise<void>((done, failed) =>
    request.session.regenerate((error) => (error ? failed(error) : done())),
  )
  Object.assign(request.session, { person: person.id, epoch: person.epoch, begun: now() })
  await new Promise<void>((done, failed) => request.session.save((error) => (error ? failed(error) : done())))
  afterAnswer(request, () => news.signedOut(before))
}

/** Ends the session. */
export async function signOut(request: Request, response: Response): Promise<void> {
  await new Promise<void>((done, failed) =>
    request.session.destroy((error) => (error ? failed(error) : done())),
  )
  // What the browser kept of this person's files goes with them (https only; students' files are never kept so).
  response.set('Clear-Site-Data', '"cache"')
  response.clearCookie(hasSeat(request) ? 'handback-seat' : 'handback', { path: seatPath(request) })
}
