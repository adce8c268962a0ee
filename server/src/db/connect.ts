import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'
import * as schema from './schema.ts'

export type Database = NodePgDatabase<typeof schema>
/** The database, or a transaction in it. */
export type Queries = Pick<Database, 'select' | 'insert' | 'update' | 'delete' | 'execute'>

// Any number that no other program on the same database uses for its own lock.
const MIGRATION_LOCK = 4_208_117

export interface Connection {
  readonly pool: pg.Pool
  readonly db: Database
  close(): Promise<void>
}

/** Opens a pool of connections. A connection that breaks is dropped and replaced; it never ends the process. */
export function connect(url: string, onError: (error: Error) => void, most = 10): Connection {
  const pool = new pg.Pool({ connectionString: url, max: most, connectionTimeoutMillis: 5_000 })
  pool.on('error', onError)
  pool.on('connect', (client) => client.on('error', onError))
  const close = async () => {
    await Promise.all([...(beside.get(pool)?.values() ?? [])].map((each) => each.end()))
    await pool.end()
  }
  return { pool, db: drizzle(pool, { schema }), close }
}

const beside = new WeakMap<pg.Pool, Map<number, pg.Pool>>()

/** A smaller pool to the same database, for work that must not take the connections that others need; it ends with the pool. */
export function connectFor(pool: pg.Pool, most: number): pg.Pool {
  const pools = beside.get(pool) ?? new Map<number, pg.Pool>()
  beside.set(pool, pools)
  const there = pools.get(most)
  if (there) return there
  const made = new pg.Pool({ ...pool.options, max: most })
  const report = (error: Error) => pool.emit('error', error, undefined as never)
  made.on('error', report)
  made.on('connect', (client) => client.on('error', report))
  pools.set(most, made)
  return made
}

/** Brings the database to the newest form. Safe when several processes start at once. */
export async function bringUpToDate(connection: Connection): Promise<void> {
  const client = await connection.pool.connect()
  try {
    await client.query('SELECT pg_advisory_lock($1)', [MIGRATION_LOCK])
    await migrate(drizzle(client), { migrationsFolder: new URL('./migrations', import.meta.url).pathname })
    await client.query('SELECT pg_advisory_unlock($1)', [MIGRATION_LOCK])
  } finally {
    client.release()
  }
}

/** Whether a failed query broke a unique rule. */
export function brokeUnique(error: unknown): boolean {
  return (error as { cause?: { code?: string } } | undefined)?.cause?.code === '23505'
}
