import { Refused } from '@hand-back/core'
import type { Request, RequestHandler } from 'express'
import type pg from 'pg'
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import type { Context } from '../context.ts'
import { connectFor } from '../db/connect.ts'
import { knownDevice } from './device.ts'

/** Tries are counted over this long, in seconds. */
const WINDOW = 600

/** Counts tries under a key, in PostgreSQL so that all processes count together; what is over is remembered here. */
function counter(pool: pg.Pool, name: string, most: number): RateLimiterPostgres {
  return new RateLimiterPostgres({
    storeClient: pool,
    keyPrefix: name,
    tableName: 'rate_limit',
    tableCreated: true,
    clearExpiredByTimeout: false,
    points: most,
    duration: WINDOW,
    inMemoryBlockOnConsumed: most + 1,
  })
}

/** Gives back what a try was counted as: it was right. */
export type GiveBack = () => Promise<void>

export interface SignInLimits {
  /**
   * Counts a try at something before it is judged: for where it comes from, and for the account where one
   * is named. Tries at one thing do not count for another. Throws `Refused` (429).
   */
  count(request: Request, at: 'account' | 'code' | 'join', account?: string): Promise<GiveBack>
}

/**
 * How many tries there may be, in ten minutes.
 *
 * A device on which somebody signed in before has an allowance of its own, so that nobody who guesses
 * elsewhere locks a teacher or a school out. All strange devices at one address share theirs, as many as
 * a school whose tablets are new can honestly need, and a smaller one for each account.
 */
export function signInLimits(context: Context): SignInLimits {
  const pool = connectFor(context.pool, 3)
  const ofDevice = counter(pool, 'device', 60)
  const ofAddress = counter(pool, 'address', 300)
  const ofAccount = counter(pool, 'account', 10)
  const ofAccountAnywhere = counter(pool, 'everywhere', 100)
  return {
    async count(request, at, account) {
      const device = knownDevice(request, context.secret)
      const from = `${at} ${device ?? `at ${request.ip}`}`
      const counted: [RateLimiterPostgres, string][] = [
        [device ? ofDevice : ofAddress, from],
        ...(account ? [[ofAccount, `${account} ${from}`] as [RateLimiterPostgres, string]] : []),
        ...(account && !device ? [[ofAccountAnywhere, account] as [RateLimiterPostgres, string]] : []),
      ]
      // One after the other: what the first refuses costs the others nothing.
      for (const [limit, key] of counted) await limit.consume(key).catch(refuse)
      return async () => {
        await Promise.all(counted.map(([limit, key]) => limit.reward(key)))
      }
    },
  }
}

function refuse(limited: Error | RateLimiterRes): never {
  if (limited instanceof Error) throw limited
  const wait = Math.max(1, Math.ceil(limited.msBeforeNext / 60_000))
  throw new Refused(
    `Too many tries from here. Wait ${wait} ${wait === 1 ? 'minute' : 'minutes'}, or use a device on which you signed in before.`,
    429,
  )
}

/** The most tries under way at once: from strange devices at one address, from all of those, and from known devices. */
const MOST_AT_ONCE = { address: 64, strange: 256, known: 256 }

/**
 * Stands before everything else that a try costs: when more are under way than honest people make, the
 * next is turned away at once, before a session or a body is read.
 */
export function guardSignIn(secret: string): RequestHandler {
  const underWay = new Map<string, number>()
  const add = (key: string, by: number) => {
    const now = (underWay.get(key) ?? 0) + by
    if (now > 0) underWay.set(key, now)
    else underWay.delete(key)
  }
  return (request, response, next) => {
    if (request.method !== 'POST') return next()
    const keys: [string, number][] = knownDevice(request, secret)
      ? [['known', MOST_AT_ONCE.known]]
      : [
          [`at ${request.ip}`, MOST_AT_ONCE.address],
          ['strange', MOST_AT_ONCE.strange],
        ]
    if (keys.some(([key, most]) => (underWay.get(key) ?? 0) >= most)) {
      response
        .status(429)
        .set('Retry-After', '2')
        .json({ sentence: 'Many people are signing in just now. Try again in a moment.' })
      return
    }
    for (const [key] of keys) add(key, 1)
    response.once('close', () => {
      for (const [key] of keys) add(key, -1)
    })
    next()
  }
}
