import { type ParcelTold, type ParcelWish, type Person, Refused } from '@hand-back/core'
import { and, desc, eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import type { Queries } from '../db/connect.ts'
import { parcels, people } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { causeOf } from '../http/errors.ts'
import { Stopped } from '../work/index.ts'
import { pack } from './pack.ts'
import { Pieces } from './pieces.ts'
import { titleOf } from './wishes.ts'
import { MOST_ZIP_BYTES } from './zipWriter.ts'

/** Parcels that one server packs at once. */
const LANES = 2
/** The most that one person has packed at once, and the most that is kept for them. */
const [MOST_AT_ONCE, MOST_KEPT] = [3, 12]
/** Nobody has been at a parcel for so long: whoever packed it is gone, and another begins it anew. In seconds. */
const GONE_AFTER = 30
/** Whoever packs says so this often, and looks for what was left lying this often, in milliseconds. */
const BEATS_EVERY = 4000
const LOOKS_EVERY = 15_000
/** What is packed is kept for an hour. */
const KEPT = sql`interval '1 hour'`

type Row = typeof parcels.$inferSelect

const asTold = ({ id, title, state, done, all, bytes, file, problem, until }: Row): ParcelTold => ({
  id,
  title,
  state,
  done,
  all,
  bytes,
  file,
  problem,
  until: until?.getTime() ?? null,
})

/**
 * Packs parcels beside everything else. What is to be packed stands in the database, so that a parcel survives a reload,
 * can be asked for at another server, and is begun anew when the one that packed it is gone.
 */
export class Packers {
  readonly #context: Context
  readonly #underWay = new Map<string, AbortController>()
  #looking: NodeJS.Timeout | undefined
  #stopped = false

  constructor(context: Context) {
    this.#context = context
  }

  /** Looks now and then for what another server left lying. */
  begin(): void {
    this.#looking = setInterval(() => this.#look(), LOOKS_EVERY)
    this.#looking.unref()
    this.#look()
  }

  /** Ends what is under way; it is begun anew elsewhere, or later. */
  stop(): void {
    this.#stopped = true
    clearInterval(this.#looking)
    for (const stopping of this.#underWay.values()) stopping.abort()
  }

  /** Begins to pack what somebody wishes for. Throws `Refused` for what they cannot have, and (429) for too much at once. */
  async wish(person: Person, wish: ParcelWish): Promise<ParcelTold> {
    const { db } = this.#context
    const named = await titleOf(db, person, wish)
    const own = await this.of(person)
    if (own.filter(({ state }) => state === 'packing').length >= MOST_AT_ONCE)
      throw new Refused('Wait until what you asked for before is packed.', 429)
    for (const { id } of own.slice(MOST_KEPT - 1)) await this.drop(person, id)
    const [made] = await db
      .insert(parcels)
      .values({ personId: person.id, wish, ...named })
      .returning()
    this.#look()
    return asTold(made!)
  }

  /** Everything that is packed or kept for somebody, the newest first. */
  async of(person: Person): Promise<ParcelTold[]> {
    await clearOldParcels(this.#context.db)
    const rows = await this.#context.db
      .select()
      .from(parcels)
      .where(eq(parcels.personId, person.id))
      .orderBy(desc(parcels.wishedAt))
    return rows.map(asTold)
  }

  /** A parcel of somebody that is packed. Throws `Refused` (404) for any other. */
  async packed(person: Person, id: string): Promise<ParcelTold> {
    const [row] = await this.#context.db
      .select()
      .from(parcels)
      .where(and(eq(parcels.id, id), eq(parcels.personId, person.id), eq(parcels.state, 'ready')))
    if (!row || (row.until !== null && row.until.getTime() < this.#context.now())) throw notHere()
    return asTold(row)
  }

  /** Throws away a parcel, packed or not. Throws `Refused` (404) for one that is not theirs. */
  async drop(person: Person, id: string): Promise<void> {
    const gone = await this.#context.db
      .delete(parcels)
      .where(and(eq(parcels.id, id), eq(parcels.personId, person.id)))
      .returning({ id: parcels.id })
    if (gone.length === 0) throw notHere()
    this.#underWay.get(id)?.abort()
  }

  #look(): void {
    if (this.#stopped) return
    void this.#packNext().catch((error) =>
      this.#context.log.warn({ cause: causeOf(error) }, 'parcels could not be looked for'),
    )
  }

  async #packNext(): Promise<void> {
    if (this.#underWay.size >= LANES) return
    // The place is taken before anybody is asked, so that two looks take two parcels.
    const stopping = new AbortController()
    const place = crypto.randomUUID()
    this.#underWay.set(place, stopping)
    let row: Row | undefined
    try {
      row = await this.#take()
    } finally {
      this.#underWay.delete(place)
    }
    if (!row || this.#stopped) return
    this.#underWay.set(row.id, stopping)
    this.#look()
    try {
      await this.#packOne(row, stopping)
    } finally {
      this.#underWay.delete(row.id)
    }
    this.#look()
  }

  /** The oldest parcel that nobody packs. */
  async #take(): Promise<Row | undefined> {
    const { db } = this.#context
    const [row] = await db
      .update(parcels)
      .set({ beat: sql`now()` })
      .where(
        eq(
          parcels.id,
          sql`(SELECT id FROM parcel WHERE state = 'packing'
            AND (beat IS NULL OR beat < now() - ${GONE_AFTER} * interval '1 second')
            ORDER BY wished_at LIMIT 1 FOR UPDATE SKIP LOCKED)`,
        ),
      )
      .returning()
    return row
  }

  async #packOne(row: Row, stopping: AbortController): Promise<void> {
    const { db, log } = this.#context
    const beating = setInterval(() => {
      this.#isWanted(row.id).then(
        (wanted) => wanted || stopping.abort(),
        () => {},
      )
    }, BEATS_EVERY)
    try {
      const person = await personOf(db, row.personId)
      const pieces = new Pieces(db, row.id, MOST_ZIP_BYTES)
      await pieces.begin()
      await pack({ context: this.#context, person, pieces, signal: stopping.signal }, row.wish)
      await pieces.end()
      await db
        .update(parcels)
        .set({ state: 'ready', bytes: pieces.bytes, until: sql`now() + ${KEPT}` })
        .where(eq(parcels.id, row.id))
      log.info({ person: row.personId, parcel: row.id, bytes: pieces.bytes }, 'parcel packed')
    } catch (error) {
      if (stopping.signal.aborted || error instanceof Stopped) return
      if (!(error instanceof Refused)) log.error({ err: error, parcel: row.id }, 'parcel not packed')
      const problem =
        error instanceof Refused ? error.message : 'It could not be packed. Nothing of the copies is lost.'
      await db
        .update(parcels)
        .set({ state: 'failed', problem, until: sql`now() + ${KEPT}` })
        .where(eq(parcels.id, row.id))
    } finally {
      clearInterval(beating)
    }
  }

  /** Says that somebody is at it; and whether it is wanted still. */
  async #isWanted(id: string): Promise<boolean> {
    const still = await this.#context.db
      .update(parcels)
      .set({ beat: sql`now()` })
      .where(and(eq(parcels.id, id), eq(parcels.state, 'packing')))
      .returning({ id: parcels.id })
    return still.length > 0
  }
}

async function personOf(db: Queries, id: string): Promise<Person> {
  const [person] = await db
    .select({ id: people.id, name: people.name, role: people.role })
    .from(people)
    .where(eq(people.id, id))
  if (!person) throw notHere()
  return person
}

/** Throws away what was kept for its hour. */
export async function clearOldParcels(db: Queries): Promise<void> {
  await db.delete(parcels).where(sql`${parcels.until} < now()`)
}
