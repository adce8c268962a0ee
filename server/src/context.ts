import type pg from 'pg'
import type { Logger } from 'pino'
import type { Database } from './db/connect.ts'
import type { News } from './news.ts'

/** The outside world, handed to every part of the server. */
export interface Context {
  readonly db: Database
  readonly pool: pg.Pool
  readonly log: Logger
  readonly news: News
  /** Milliseconds since 1970. */
  readonly now: () => number
  /** Seals what devices bring back. */
  readonly secret: string
  /** What the first teacher must type; nothing: nobody need. Printed where the server runs. */
  readonly setupCode: string | undefined
  /** The made-up people may be used without their secrets. Never for real use. */
  readonly demo: boolean
}
