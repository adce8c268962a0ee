import { randomUUID } from 'node:crypto'
import type { KeptEvent } from '@hand-back/core'
import { bringUpToDate, connect } from '@hand-back/server'
import { Visitor } from '@hand-back/server/test/visitor.ts'
import { freePort } from '../setup/cluster.ts'
import { quietContext } from '../setup/quietContext.ts'
import { startServerProcess } from '../setup/serverProcess.ts'
import { type Figure, percentile } from './figure.ts'
import { furnishCopies } from './rows.ts'
import { adding, handwriting } from './strokes.ts'

const WRITERS = 30
const SECONDS = 10

/** Thirty writing in one copy at once, over real connections: when each is acknowledged, and when the others have it. */
export async function sharingFigures(databaseUrl: string): Promise<Figure[]> {
  const connection = connect(databaseUrl, () => {})
  await bringUpToDate(connection)
  const { students, copies, pages } = await furnishCopies(quietContext(connection), WRITERS, 1, 'all')
  await connection.close()
  const server = await startServerProcess({
    databaseUrl,
    port: await freePort(),
    secret: 'bench',
    demo: true,
  })
  const copy = copies[0]!
  const strokes = handwriting(200)
  const sentAt = new Map<string, number>()
  const waits: number[] = []
  const deliveries: number[] = []
  const visitors = await Promise.all(
    students.map(async ({ id }) => {
      const visitor = new Visitor(server.url)
      await visitor.post('/sign-in/demo', { person: id })
      await visitor.follow(copy)
      const device = await visitor.device()
      device.on('events', ({ events }: { events: KeptEvent[] }) => {
        for (const event of events)
          if (event.author !== id) deliveries.push(performance.now() - sentAt.get(event.id)!)
      })
      return visitor
    }),
  )
  try {
    const echo = await echoes(visitors[0]!)
    await Promise.all(
      visitors.map(async (visitor, writer) => {
        await pause((writer / WRITERS) * 1000)
        for (let second = 0; second < SECONDS; second++) {
          const stroke = { ...strokes[(writer * SECONDS + second) % strokes.length]!, id: randomUUID() }
          const event = adding(pages[0]!.id, [stroke])
          const began = performance.now()
          sentAt.set(event.id, began)
          await visitor.keep(copy, [event])
          waits.push(performance.now() - began)
          await pause(Math.max(0, 1000 - (performance.now() - began)))
        }
      }),
    )
    const expected = WRITERS * SECONDS * (WRITERS - 1)
    for (let tries = 0; deliveries.length < expected && tries < 50; tries++) await pause(100)
    if (deliveries.length !== expected) throw new Error(`${deliveries.length} of ${expected} strokes arrived`)
    const reference = { name: 'an empty message there and back, p95', value: echo }
    return [
      {
        name: `${WRITERS} writing in one copy: acknowledged, p95`,
        value: percentile(waits, 0.95),
        unit: 'ms',
        reference,
        heldTo: '≤ 50 ms',
      },
      {
        name: `${WRITERS} writing in one copy: with the others, p95`,
        value: percentile(deliveries, 0.95),
        unit: 'ms',
        reference,
        heldTo: '≤ 100 ms',
      },
    ]
  } finally {
    for (const visitor of visitors) visitor.leave()
    await server.stop()
  }
}

/** A message that the server refuses without asking the database: the cost of the connection alone. */
async function echoes(visitor: Visitor): Promise<number> {
  const waits: number[] = []
  for (let count = 0; count < 100; count++) {
    const began = performance.now()
    await visitor.watch(randomUUID())
    waits.push(performance.now() - began)
  }
  return percentile(waits, 0.95)
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds))
