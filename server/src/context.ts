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
  /** A worksheet's picture is made when it has rested for so long, in milliseconds; nothing: when somebody asks for it. */
  readonly picturesRest: number | undefined
  /** The made-up people may be used without their secrets. Never for real use. */
  readonly demo: boolean
}
