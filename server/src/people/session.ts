import type { IncomingMessage } from 'node:http'
import type { Person } from '@hand-back/core'
import connectPgSimple from 'connect-pg-simple'
import type { Request, RequestHandler, Response } from 'express'
import session from 'express-session'
import type { Context } from '../context.ts'
import type { Asked } from '../http/as.ts'
import { hasSeat, seatPath } from '../http/seat.ts'
import { findPerson } from './queries.ts'

declare module 'express-session' {
  interface SessionData {
    person: string
  }
}

const TWELVE_HOURS = 12 * 60 * 60 * 1000

/** Sessions in PostgreSQL. A seat of the demo has a cookie of its own under its path. */
export function sessions(context: Context, secret: string): RequestHandler {
  const Store = connectPgSimple(session)
  const store = new Store({ pool: context.pool, tableName: 'session', pruneSessionInterval: false })
  const named = (name: string) =>
    session({
      name,
      secret,
      store,
      resave: false,
      saveUninitialized: false,
      rolling: true,
      cookie: (request) => ({
        path: seatPath(request),
        httpOnly: true,
        sameSite: 'lax',
        // Behind a proxy that speaks https, as Express finds it; a live handshake never makes a session.
        secure: request.secure ?? false,
        maxAge: TWELVE_HOURS,
      }),
    })
  const main = named('handback')
  const seated = named('handback-seat')
  return (request, response, next) => (hasSeat(request) ? seated : main)(request, response, next)
}

/** Puts who is signed in on the request. */
export function knowPerson(context: Context): RequestHandler {
  return async (request, _response, next) => {
    const id = request.session.person
    const person = id ? await findPerson(context.db, id) : undefined
    if (person) (request as Asked).person = person
    next()
  }
}

/** Who is signed in on a live connection's handshake. */
export async function personOf(context: Context, handshake: IncomingMessage): Promise<Person | undefined> {
  const id = (handshake as Request).session?.person
  return id ? findPerson(context.db, id) : undefined
}

/** Begins a session for `person` under a fresh id, so that one planted before cannot be used. */
export async function signIn(request: Request, person: Person): Promise<void> {
  await new Promise<void>((done, failed) =>
    request.session.regenerate((error) => (error ? failed(error) : done())),
  )
  request.session.person = person.id
  await new Promise<void>((done, failed) => request.session.save((error) => (error ? failed(error) : done())))
}

/** Ends the session. */
export async function signOut(request: Request, response: Response): Promise<void> {
  await new Promise<void>((done, failed) =>
    request.session.destroy((error) => (error ? failed(error) : done())),
  )
  response.clearCookie(hasSeat(request) ? 'handback-seat' : 'handback', { path: seatPath(request) })
}
