import type pg from 'pg'

/** What is told within so long goes to other processes at once, in milliseconds. */
const GATHERS = 20

/** As Socket.IO's adapter for PostgreSQL asks for it. */
const NOTIFY = 'SELECT pg_notify($1, $2)'
const NOTIFY_ALL =
  'SELECT pg_notify(told.channel, told.payload) FROM unnest($1::text[], $2::text[]) AS told(channel, payload)'

/**
 * A pool for the adapter of live messages: notices to other server processes that come close together go out in one
 * query, in their order. A class that writes makes hundreds a second, and each query costs more than what it says. The
 * adapter tells its own listeners once a notice is taken, so that is said at once; `failed` hears of those that did not
 * go out. Everything else goes to `pool` as it is.
 */
export function gatheringPool(pool: pg.Pool, failed: (error: Error) => void): pg.Pool {
  let waiting: (readonly [channel: string, payload: string])[] = []
  const flush = () => {
    const told = waiting
    waiting = []
    pool
      .query(NOTIFY_ALL, [told.map(([channel]) => channel), told.map(([, payload]) => payload)])
      .catch(failed)
  }
  const notify = async ([channel, payload]: readonly string[]) => {
    if (waiting.length === 0) setTimeout(flush, GATHERS)
    waiting.push([channel!, payload!])
  }
  return new Proxy(pool, {
    get(of, name) {
      if (name === 'query')
        return (text: string, values: string[]) => (text === NOTIFY ? notify(values) : of.query(text, values))
      const value = Reflect.get(of, name)
      return typeof value === 'function' ? value.bind(of) : value
    },
  })
}
