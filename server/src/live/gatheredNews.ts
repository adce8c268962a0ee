import type pg from 'pg'

/** What is told within so long goes to other processes at once, in milliseconds. */
const GATHERS = 20

interface Waiting {
  readonly channel: string
  readonly payload: string
  readonly done: (answer: unknown) => void
  readonly failed: (error: unknown) => void
}

/** As Socket.IO's adapter for PostgreSQL asks for it. */
const NOTIFY = 'SELECT pg_notify($1, $2)'
const NOTIFY_ALL =
  'SELECT pg_notify(told.channel, told.payload) FROM unnest($1::text[], $2::text[]) AS told(channel, payload)'

/**
 * A pool for the adapter of live messages: notices to other server processes that come close together go out in one
 * query, in their order. A class that writes makes hundreds a second, and each query costs more than what it says.
 * Everything else goes to `pool` as it is.
 */
export function gatheringPool(pool: pg.Pool): pg.Pool {
  let waiting: Waiting[] = []
  const flush = async () => {
    const told = waiting
    waiting = []
    try {
      const answer = await pool.query(NOTIFY_ALL, [
        told.map(({ channel }) => channel),
        told.map(({ payload }) => payload),
      ])
      for (const { done } of told) done(answer)
    } catch (error) {
      for (const { failed } of told) failed(error)
    }
  }
  const notify = ([channel, payload]: readonly string[]) =>
    new Promise((done, failed) => {
      if (waiting.length === 0) setTimeout(() => void flush(), GATHERS)
      waiting.push({ channel: channel!, payload: payload!, done, failed })
    })
  return new Proxy(pool, {
    get(of, name) {
      if (name === 'query')
        return (text: string, values: string[]) => (text === NOTIFY ? notify(values) : of.query(text, values))
      const value = Reflect.get(of, name)
      return typeof value === 'function' ? value.bind(of) : value
    },
  })
}
