import { randomUUID } from 'node:crypto'
import type { PageEvent, Person } from '@hand-back/core'
import { bringUpToDate, type Context, connect, Keeper, tables, toStored } from '@hand-back/server'
import { quietContext } from '../setup/quietContext.ts'
import { type Figure, percentile } from './figure.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const WRITERS = 300
const SECONDS = 10

/** A durable acknowledgement while 300 people write a stroke a second each, and how many can be kept at most. */
export async function keepingFigures(databaseUrl: string): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const { db, pool } = connection
  const context = quietContext(connection)
  const { students, copies, pages } = await furnishCopies(context, WRITERS, 1)
  const keeper = new Keeper(context)
  const strokes = handwriting(500)
  const stroke = (index: number): PageEvent =>
    adding(pages[0]!.id, [{ ...strokes[index % strokes.length]!, id: randomUUID() }])
  const keep = (writer: number, event: PageEvent) =>
    keeper.keep(students[writer] as Person, copies[writer]!, [event])

  const waits: number[] = []
  const writers = Array.from({ length: WRITERS }, async (_, writer) => {
    await pause((writer / WRITERS) * 1000)
    for (let second = 0; second < SECONDS; second++) {
      const began = performance.now()
      await keep(writer, stroke(writer + second))
      waits.push(performance.now() - began)
      await pause(Math.max(0, 1000 - (performance.now() - began)))
    }
  })
  await Promise.all(writers)

  // As fast as it goes: everybody sends the next as soon as the last is kept.
  const rounds = 30
  const began = performance.now()
  await Promise.all(
    Array.from({ length: WRITERS }, async (_, writer) => {
      for (let round = 0; round < rounds; round++) await keep(writer, stroke(writer + round))
    }),
  )
  const perSecond = (WRITERS * rounds * 1000) / (performance.now() - began)
  const rawPerSecond = await rawInserts(
    pool,
    Array.from({ length: WRITERS * rounds }, (_, index) => stroke(index)),
  )
  const alone = await singleCommits(pool)
  const kept = await db.select({ id: tables.events.id }).from(tables.events)
  if (kept.length !== WRITERS * (SECONDS + rounds)) throw new Error(`${kept.length} events were kept`)
  await connection.close()
  return [
    {
      name: `durable acknowledgement, ${WRITERS} writers, p95`,
      value: percentile(waits, 0.95),
      unit: 'ms',
      reference: { name: 'one commit of one small row, p95', value: alone },
      heldTo: '≤ 50 ms',
    },
    {
      name: 'events kept at most',
      value: perSecond,
      unit: 'events/s',
      reference: { name: 'multi-row INSERT of the same bytes', value: rawPerSecond },
      heldTo: '≥ 0.5 ×',
    },
  ]
}

/** The same bytes into a bare table, as many rows a statement as a batch of the keeper has at most. */
async function rawInserts(pool: Context['pool'], events: PageEvent[]): Promise<number> {
  await pool.query('CREATE TABLE raw (id uuid PRIMARY KEY, body jsonb, ink bytea)')
  await pool.query('ALTER TABLE raw ALTER ink SET STORAGE EXTERNAL')
  const stored = events.map((event) => ({ id: event.id, ...toStored(event) }))
  const began = performance.now()
  for (let at = 0; at < stored.length; at += 200) {
    const rows = stored.slice(at, at + 200)
    await pool.query('INSERT INTO raw SELECT * FROM unnest($1::uuid[], $2::jsonb[], $3::bytea[])', [
      rows.map(({ id }) => id),
      rows.map(({ body }) => JSON.stringify(body)),
      rows.map(({ ink }) => ink),
    ])
  }
  return (events.length * 1000) / (performance.now() - began)
}

async function singleCommits(pool: Context['pool']): Promise<number> {
  const waits: number[] = []
  await pool.query('CREATE TABLE small (n int)')
  for (let count = 0; count < 200; count++) {
    const began = performance.now()
    await pool.query('INSERT INTO small VALUES (1)')
    waits.push(performance.now() - began)
  }
  return percentile(waits, 0.95)
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))
