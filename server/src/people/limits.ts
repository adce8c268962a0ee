import { Refused } from '@hand-back/core'
import { RateLimiterPostgres } from 'rate-limiter-flexible'
import type { Context } from '../context.ts'

/** Counts failures under a key, in PostgreSQL so that all processes count together. */
export interface FailureLimit {
  /** Throws `Refused` (429) when there were too many failures. */
  check(key: string): Promise<void>
  failed(key: string): Promise<void>
}

function failureLimit(context: Context, name: string, most: number, minutes: number): FailureLimit {
  const limiter = new RateLimiterPostgres({
    storeClient: context.pool,
    keyPrefix: name,
    tableName: 'rate_limit',
    tableCreated: true,
    clearExpiredByTimeout: false,
    points: most,
    duration: minutes * 60,
  })
  return {
    async check(key) {
      const used = await limiter.get(key)
      if (used && used.consumedPoints >= most) {
        const wait = Math.max(1, Math.ceil(used.msBeforeNext / 60_000))
        throw new Refused(
          `Too many wrong tries. Wait ${wait} ${wait === 1 ? 'minute' : 'minutes'}, then try again.`,
          429,
        )
      }
    },
    async failed(key) {
      await limiter.consume(key).catch((limited) => {
        if (limited instanceof Error) throw limited
      })
    },
  }
}

/**
 * The limits on wrong sign-ins: ten for one account, and for one address as many as a whole class
 * behind one school address can honestly need.
 */
export function signInLimits(context: Context) {
  return {
    account: failureLimit(context, 'account', 10, 10),
    address: failureLimit(context, 'address', 200, 10),
  }
}
