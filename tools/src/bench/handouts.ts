import { randomUUID } from 'node:crypto'
import { bringUpToDate, connect } from '@hand-back/server'
import { quietContext } from '../setup/quietContext.ts'
import { type Figure, timed } from './figure.ts'
import { furnishClass } from './rows.ts'

const PAGES = 60

/** Handing 60 pages to a number of students: how long, and how many bytes a copy. */
export async function handoutFigures(databaseUrl: string, count: number): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const { pool } = connection
  const context = quietContext(connection)
  const { give } = await furnishClass(context, count, PAGES)
  const bytes = async () =>
    Number(
      (
        await pool.query(
          "SELECT pg_total_relation_size('copy') + pg_total_relation_size('copy_member') + pg_total_relation_size('handout') AS n",
        )
      ).rows[0].n,
    )
  const before = await bytes()
  const runs = 5
  const took = await timed(() => give(), runs)
  const grown = (await bytes()) - before
  await pool.query('CREATE TABLE raw (id uuid PRIMARY KEY, handout uuid, student uuid)')
  const raw = await timed(async () => {
    const ids = Array.from({ length: count }, () => randomUUID())
    await pool.query('INSERT INTO raw SELECT * FROM unnest($1::uuid[], $1::uuid[], $1::uuid[])', [ids])
  }, runs)
  await connection.close()
  return [
    {
      name: `handing out ${PAGES} pages to ${count} students`,
      value: took,
      unit: 'ms',
      reference: { name: `INSERT of ${count} rows`, value: raw },
      heldTo: '≤ 1 s',
    },
    {
      name: 'stored for a copy handed out',
      value: grown / ((runs + 1) * count),
      unit: 'bytes',
      reference: { name: 'three UUIDs', value: 48 },
      heldTo: '≤ 1 KB',
    },
  ]
}
