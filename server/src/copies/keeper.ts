import { type EventFate, opened, type PageEvent, type Person } from '@hand-back/core'
import type pg from 'pg'
import type { Context } from '../context.ts'
import { notHere } from '../http/as.ts'
import { goPartsIn } from './goParts.ts'
import { type Evidence, exchangesBack, judge, laysPageIn } from './judge.ts'
import {
  attachmentsIn,
  exchangedIn,
  type HeldCopy,
  holdCopies,
  keepWritten,
  PRINTED_ON,
  pagesLaidIn,
  readPrintedOn,
  scansIn,
  type Written,
} from './keeperRows.ts'
import { concernsMarks } from './markEvents.ts'
import { pageTakes, roleIn } from './place.ts'
import type { PrintedOn } from './printedOn.ts'

interface Request {
  readonly person: Person
  readonly copy: string
  readonly events: readonly PageEvent[]
  readonly done: (fates: EventFate[]) => void
  readonly failed: (error: unknown) => void
}

/** The most requests of one transaction. */
const MOST_AT_ONCE = 200
/** Transactions under way at once: while PostgreSQL commits one, the next is judged and packed here. */
const LANES = 2
/** Batches begin no closer than this, in milliseconds: a class that writes is kept in fewer transactions, one alone at once. */
const APART = 12

/**
 * Keeps events for all who write, many people's in one transaction: while one batch is being
 * committed the next gathers. A promise is fulfilled only after its batch is durable.
 */
export class Keeper {
  readonly #context: Context
  readonly #pages = new Map<string, Promise<PrintedOn>>()
  #waiting: Request[] = []
  #busy = 0
  #beganAt = 0

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
      const early = this.#beganAt + APART - performance.now()
      if (early > 0 && this.#waiting.length < MOST_AT_ONCE) await pause(early)
      this.#beganAt = performance.now()
      const batch = this.#waiting.splice(0, MOST_AT_ONCE)
      if (batch.length === 0) break
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
      else await this.#keepSingly(batch[0]!, error)
    }
  }

  /** One event that the database cannot hold must not cost the others their place. */
  async #keepSingly(request: Request, error: unknown): Promise<void> {
    if (!cannotBeHeld(error)) return request.failed(error)
    if (request.events.length === 1)
      return request.done([{ id: request.events[0]!.id, fate: 'wrong', why: 'School cannot keep this.' }])
    const fates: EventFate[] = []
    try {
      for (const event of request.events)
        fates.push(
          ...(await new Promise<EventFate[]>((done, failed) => {
            void this.#keepAll([{ ...request, events: [event], done, failed }])
          })),
        )
      request.done(fates)
    } catch (later) {
      request.failed(later)
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
    const { copies, there } = await holdCopies(
      client,
      batch.map((request) => request.copy),
      batch.flatMap((request) => request.events.map((event) => event.id)),
    )
    const attachments = await attachmentsIn(client, batch)
    const laidIn = await this.#laidIn(client, batch, copies)
    const exchanged = await exchangedFor(client, batch, copies)
    const scans = await scansFor(client, batch, copies)
    const touched = new Set(
      batch.flatMap(({ copy, events }) => (events.some(({ act }) => act !== 'add') ? [copy] : [])),
    )
    const parts = await goPartsIn(client, copies.values(), touched, (version) => this.#pagesOf(version))
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
        now,
        isWriter: copy.writer === request.person.id,
        pages,
        there,
        attachments: attachments.get(copy.id)?.[role === 'teacher' ? 'all' : 'seen'] ?? new Set(),
        ownPages: own,
        exchanged: exchanged.get(copy.id) ?? new Map(),
        scans: scans.get(copy.id) ?? new Set(),
        part: role === 'student' ? parts.get(copy.id) : undefined,
        mayWriteOn: (page) => pageTakes(copy, request.person.id, role, page),
      }
      const of = writing.get(copy.id) ?? { copy, events: [], markingBegan: false, opened: false }
      writing.set(copy.id, of)
      const fates = request.events.map((event) => {
        const decided = judge(event, evidence)
        if (decided) return decided
        if (event.act === 'sheet' && laysPageIn(event)) own.add(event.page)
        evidence.part?.keep(event)
        const seq = ++copy.seqs[event.layer]
        there.set(event.id, { copy: copy.id, seq, round: copy.round })
        of.events.push({
          ...event,
          seq,
          author: request.person.id,
          round: copy.round,
          keptAt: now,
          ...(isFree(event, evidence) ? { free: true } : {}),
        })
        if (event.layer === 'feedback' && !copy.markingBegan) of.markingBegan = true
        // Drawn without a network, ink can come before the news that the copy was opened.
        if (event.layer === 'work' && copy.way !== 'read' && copy.state === 'waiting') of.opened = true
        return { id: event.id, fate: 'kept' as const, seq, round: copy.round }
      })
      answers.push(() => request.done(fates))
    }
    const written = [...writing.values()].filter(({ events }) => events.length > 0)
    if (written.length > 0) await keepWritten(client, written)
    return { answers, written }
  }

  #tell(written: Written[]): void {
    for (const { copy, events, markingBegan, opened: begun } of written) {
      this.#context.news.eventsKept(copy, events)
      if (events.some(concernsMarks)) this.#context.news.marksChanged(copy)
      if (begun) this.#context.news.copyChanged(opened(copy))
      else if (markingBegan) this.#context.news.rowChanged(copy)
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

const pause = (milliseconds: number) => new Promise<void>((done) => setTimeout(done, milliseconds))

/** What was exchanged in those copies of a batch where a teacher brings work back in exchange for pieces. */
function exchangedFor(
  client: pg.PoolClient,
  batch: readonly Request[],
  copies: ReadonlyMap<string, HeldCopy>,
) {
  const asked = batch.filter(({ copy, person, events }) => {
    const held = copies.get(copy)
    return held && roleIn(held, person) === 'teacher' && events.some(exchangesBack)
  })
  return asked.length === 0
    ? new Map<string, Evidence['exchanged']>()
    : exchangedIn(
        client,
        asked.map(({ copy }) => copy),
      )
}

/** The sheets of paper in those copies of a batch where somebody touches what they did not make. */
async function scansFor(
  client: pg.PoolClient,
  batch: readonly Request[],
  copies: ReadonlyMap<string, HeldCopy>,
): Promise<ReadonlyMap<string, ReadonlySet<string>>> {
  const asked = batch.filter(({ copy, person, events }) => {
    const held = copies.get(copy)
    return (
      held &&
      (held.touchAll || roleIn(held, person) === 'teacher') &&
      events.some(({ layer, act }) => layer === 'work' && act !== 'add' && act !== 'sheet')
    )
  })
  return asked.length === 0
    ? new Map()
    : scansIn(
        client,
        asked.map(({ copy }) => copy),
      )
}

/** Whether the database refused what it was given (class 22: data exceptions), not just now but always. */
const cannotBeHeld = (error: unknown): boolean => /^22/.test((error as { code?: string }).code ?? '')

/** The ids of the things that an event touches. */
function namedIn(event: PageEvent): readonly string[] {
  if (event.act === 'swap') return [...event.take, ...event.bring]
  if (event.act === 'change') return [event.item]
  return event.act === 'add' || event.act === 'sheet' ? [] : event.items
}

/** Whether an event may touch what others made. */
function isFree(event: PageEvent, { copy, role, scans }: Evidence): boolean {
  if (event.act === 'add') return false
  // Paper that a teacher laid is no student's to take, whatever else all may touch.
  if (role === 'student' && namedIn(event).some((id) => scans.has(id))) return false
  // A teacher takes away what hurts, whoever said it.
  if (event.layer === 'pins') return role === 'teacher'
  return event.layer === 'work' && (role === 'teacher' || copy.touchAll)
}
