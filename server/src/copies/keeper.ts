import {
  type EventFate,
  type KeptEvent,
  type Layer,
  opened,
  type PageEvent,
  type Person,
  type Role,
} from '@hand-back/core'
import type pg from 'pg'
import type { Context } from '../context.ts'
import { notHere } from '../http/as.ts'
import { type Evidence, judge, laysPageIn, type PrintedOn, recordingsIn } from './judge.ts'
import { COPY_FIELDS, type CopyRecord, pageTakes, roleIn } from './place.ts'
import { toStored } from './storedEvent.ts'

interface Request {
  readonly person: Person
  readonly copy: string
  readonly events: readonly PageEvent[]
  readonly done: (fates: EventFate[]) => void
  readonly failed: (error: unknown) => void
}

interface HeldCopy extends CopyRecord {
  readonly seqs: Record<Layer, number>
}

/** What a batch did to one copy: its new events, and what they began: the work, or the marking. */
interface Written {
  readonly copy: HeldCopy
  readonly events: KeptEvent[]
  markingBegan: boolean
  opened: boolean
}

/** The most requests of one transaction. */
const MOST_AT_ONCE = 200
/** Transactions under way at once: while PostgreSQL commits one, the next is judged and packed here. */
const LANES = 2

/**
 * Keeps events for all who write, many people's in one transaction: while one batch is being
 * committed the next gathers. A promise is fulfilled only after its batch is durable.
 */
export class Keeper {
  readonly #context: Context
  readonly #pages = new Map<string, Promise<PrintedOn>>()
  #waiting: Request[] = []
  #busy = 0

  constructor(context: Context) {
    this.#context = context
  }

  /**
   * Keeps `events`, in their order, in a copy and says what became of each. Rejects with `Refused`
   * (404) when the person has no place in the copy, and when the database cannot be reached.
   */
  keep(person: Person, copy: string, events: readonly PageEvent[]): Promise<EventFate[]> {
    return new Promise((done, failed) => {
      this.#waiting.push({ person, copy, events, done, failed })
      void this.#work()
    })
  }

  async #work(): Promise<void> {
    if (this.#busy >= LANES) return
    this.#busy++
    while (this.#waiting.length > 0) {
      const batch = this.#waiting.splice(0, MOST_AT_ONCE)
      await this.#keepAll(batch)
    }
    this.#busy--
  }

  async #keepAll(batch: Request[]): Promise<void> {
    try {
      await this.#commit(batch)
    } catch (error) {
      // One that the database refuses must not cost the others their ink.
      if (batch.length > 1) for (const request of batch) await this.#keepAll([request])
      else batch[0]!.failed(error)
    }
  }

  async #commit(batch: Request[]): Promise<void> {
    const client = await this.#context.pool.connect()
    let broken: Error | undefined
    try {
      await client.query('BEGIN')
      const { answers, written } = await this.#write(client, batch)
      await client.query('COMMIT')
      for (const answer of answers) answer()
      this.#tell(written)
    } catch (error) {
      await client.query('ROLLBACK').catch((rollback) => {
        broken = rollback
      })
      throw error
    } finally {
      client.release(broken)
    }
  }

  async #write(
    client: pg.PoolClient,
    batch: Request[],
  ): Promise<{ answers: (() => void)[]; written: Written[] }> {
    const copies = await holdCopies(
      client,
      batch.map((request) => request.copy),
    )
    const there = await eventsThere(
      client,
      batch.flatMap((request) => request.events.map((event) => event.id)),
    )
    const recordings = await recordingsOf(client, batch)
    const laidIn = await this.#laidIn(client, batch, copies)
    const now = this.#context.now()
    const writing = new Map<string, Written>()
    const answers: (() => void)[] = []
    for (const request of batch) {
      const copy = copies.get(request.copy)
      const role = copy && roleIn(copy, request.person)
      if (!role) {
        answers.push(() => request.failed(notHere()))
        continue
      }
      const pages = await this.#pagesOf(copy.versionId)
      const own = laidIn.get(copy.id) ?? new Set<string>()
      laidIn.set(copy.id, own)
      const evidence: Evidence = {
        copy,
        role,
        pages,
        there,
        recordings: recordings.get(copy.id) ?? new Set(),
        ownPages: own,
        mayWriteOn: (page) => pageTakes(copy, request.person.id, role, page),
      }
      const of = writing.get(copy.id) ?? { copy, events: [], markingBegan: false, opened: false }
      writing.set(copy.id, of)
      const fates = request.events.map((event) => {
        const decided = judge(event, evidence)
        if (decided) return decided
        if (event.act === 'sheet' && laysPageIn(event)) own.add(event.page)
        const seq = ++copy.seqs[event.layer]
        there.set(event.id, { copy: copy.id, seq, round: copy.round })
        of.events.push({
          ...event,
          seq,
          author: request.person.id,
          round: copy.round,
          keptAt: now,
          ...(isFree(event, copy, role) ? { free: true } : {}),
        })
        if (event.layer === 'feedback' && !copy.markingBegan) of.markingBegan = true
        // Drawn without a network, ink can come before the news that the copy was opened.
        if (event.layer === 'work' && copy.state === 'waiting') of.opened = true
        return { id: event.id, fate: 'kept' as const, seq, round: copy.round }
      })
      answers.push(() => request.done(fates))
    }
    const written = [...writing.values()].filter(({ events }) => events.length > 0)
    if (written.length > 0) {
      await insertEvents(client, written)
      await advanceCopies(client, written)
    }
    return { answers, written }
  }

  #tell(written: Written[]): void {
    for (const { copy, events, markingBegan, opened: begun } of written) {
      this.#context.news.eventsKept(copy, events)
      if (markingBegan || begun) this.#context.news.copyChanged(begun ? opened(copy) : copy)
    }
  }

  /** The pages laid into those copies of a batch that are told of a page their worksheet does not have. */
  async #laidIn(
    client: pg.PoolClient,
    batch: readonly Request[],
    copies: ReadonlyMap<string, HeldCopy>,
  ): Promise<Map<string, Set<string>>> {
    const asked = new Set<string>()
    for (const { copy, events } of batch) {
      const held = copies.get(copy)
      if (!held) continue
      const pages = await this.#pagesOf(held.versionId)
      if (events.some(({ page }) => !pages.has(page))) asked.add(copy)
    }
    return asked.size === 0 ? new Map() : pagesLaidIn(client, [...asked])
  }

  /** The pages of a frozen version never change: looked up once. */
  async #pagesOf(versionId: string): Promise<PrintedOn> {
    let pages = this.#pages.get(versionId)
    if (!pages) {
      pages = this.#context.pool.query(PRINTED_ON, [versionId]).then(({ rows }) => readPrintedOn(rows))
      pages.catch(() => this.#pages.delete(versionId))
      this.#pages.set(versionId, pages)
    }
    return pages
  }
}

/** Whether an event may touch what others made. */
function isFree(event: PageEvent, copy: CopyRecord, role: Role): boolean {
  return event.layer === 'work' && event.act !== 'add' && (role === 'teacher' || copy.touchAll)
}

const PRINTED_ON = `SELECT p.id, p.sets, i->>'id' AS item, i->>'kind' AS kind FROM worksheet_page p
  LEFT JOIN LATERAL jsonb_array_elements(p.printed) AS i ON true WHERE p.version_id = $1`

interface PrintedRow {
  readonly id: string
  readonly sets: string[] | null
  readonly item: string | null
  readonly kind: string
}

function readPrintedOn(rows: readonly PrintedRow[]): PrintedOn {
  const pages = new Map<string, { sets: string[] | undefined; items: Map<string, string> }>()
  for (const { id, sets, item, kind } of rows) {
    const page = pages.get(id) ?? { sets: sets ?? undefined, items: new Map<string, string>() }
    if (item) page.items.set(item, kind)
    pages.set(id, page)
  }
  return pages
}

// Held in order of id, so that two batches never wait for each other in a circle.
async function holdCopies(client: pg.PoolClient, ids: string[]): Promise<Map<string, HeldCopy>> {
  const { rows } = await client.query(
    `SELECT ${COPY_FIELDS},
       json_build_object('work', c.work_seq, 'help', c.help_seq, 'feedback', c.feedback_seq) AS seqs
     FROM copy c JOIN handout h ON h.id = c.handout_id
     WHERE c.id = ANY($1) ORDER BY c.id FOR UPDATE OF c`,
    [ids],
  )
  const members = await membersOf(client, ids)
  return new Map(rows.map((row) => [row.id, { ...row, members: members.get(row.id) ?? [] }]))
}

/** Who has a place in each copy, asked for once for all: by copy, in the query above, it costs twice as much. */
async function membersOf(
  client: pg.PoolClient,
  ids: string[],
): Promise<Map<string, CopyRecord['members'][number][]>> {
  const { rows } = await client.query(
    'SELECT copy_id AS copy, student_id AS id, pages FROM copy_member WHERE copy_id = ANY($1) AND left_at IS NULL',
    [ids],
  )
  const members = new Map<string, CopyRecord['members'][number][]>()
  for (const { copy, id, pages } of rows) members.set(copy, [...(members.get(copy) ?? []), { id, pages }])
  return members
}

async function eventsThere(client: pg.PoolClient, ids: string[]) {
  const { rows } = await client.query(
    'SELECT id, copy_id AS copy, seq, round FROM event WHERE id = ANY($1)',
    [ids],
  )
  return new Map<string, { copy: string; seq: number; round: number }>(rows.map((row) => [row.id, row]))
}

async function recordingsOf(client: pg.PoolClient, batch: Request[]): Promise<Map<string, Set<string>>> {
  const voiced = batch.filter(({ events }) =>
    events.some(
      (event) =>
        'items' in event &&
        event.items.some((item) => typeof item !== 'string' && recordingsIn(item).length > 0),
    ),
  )
  const found = new Map<string, Set<string>>()
  if (voiced.length === 0) return found
  const { rows } = await client.query('SELECT id, copy_id AS copy FROM recording WHERE copy_id = ANY($1)', [
    voiced.map(({ copy }) => copy),
  ])
  for (const { id, copy } of rows) found.set(copy, (found.get(copy) ?? new Set()).add(id))
  return found
}

async function pagesLaidIn(client: pg.PoolClient, copies: string[]): Promise<Map<string, Set<string>>> {
  const { rows } = await client.query(
    `SELECT DISTINCT copy_id AS copy, body->>'page' AS page FROM event
     WHERE copy_id = ANY($1) AND layer = 'work' AND body->>'act' = 'sheet' AND body->'set' ? 'ruling'`,
    [copies],
  )
  const pages = new Map<string, Set<string>>()
  for (const { copy, page } of rows) pages.set(copy, (pages.get(copy) ?? new Set()).add(page))
  return pages
}

async function insertEvents(client: pg.PoolClient, written: Written[]): Promise<void> {
  const rows = written.flatMap(({ copy, events }) =>
    events.map((event) => ({ copy, event, stored: toStored(event) })),
  )
  const column = <T>(of: (row: (typeof rows)[number]) => T) => rows.map(of)
  await client.query(
    `INSERT INTO event (copy_id, layer, seq, id, author_id, round, kept_at, body, ink)
     SELECT * FROM unnest($1::uuid[], $2::text[], $3::int[], $4::uuid[], $5::uuid[], $6::int[], $7::timestamptz[],
       $8::jsonb[], $9::bytea[])`,
    [
      column(({ copy }) => copy.id),
      column(({ event }) => event.layer),
      column(({ event }) => event.seq),
      column(({ event }) => event.id),
      column(({ event }) => event.author),
      column(({ event }) => event.round),
      column(({ event }) => new Date(event.keptAt)),
      column(({ stored }) => JSON.stringify(stored.body)),
      column(({ stored }) => stored.ink),
    ],
  )
}

async function advanceCopies(client: pg.PoolClient, written: Written[]): Promise<void> {
  await client.query(
    `UPDATE copy c SET work_seq = n.work, help_seq = n.help, feedback_seq = n.feedback,
       marking_began = c.marking_began OR n.began, state = n.state
     FROM unnest($1::uuid[], $2::int[], $3::int[], $4::int[], $5::boolean[], $6::text[]) AS n(id, work, help, feedback, began, state)
     WHERE c.id = n.id`,
    [
      written.map(({ copy }) => copy.id),
      written.map(({ copy }) => copy.seqs.work),
      written.map(({ copy }) => copy.seqs.help),
      written.map(({ copy }) => copy.seqs.feedback),
      written.map(({ markingBegan }) => markingBegan),
      written.map(({ copy, opened: begun }) => (begun ? opened(copy) : copy).state),
    ],
  )
}
