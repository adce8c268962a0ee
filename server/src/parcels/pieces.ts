import { Refused } from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { parcelPieces, parcels } from '../db/schema.ts'
import { Stopped } from '../work/index.ts'

/** So many bytes stand in one piece. */
const PIECE_BYTES = 1 << 20
/** How far packing has come is written down at most so often, in milliseconds. */
const TELLS_EVERY = 300

/** Where what is packed is written, piece by piece. Throws `Stopped` where the parcel is wanted no more. */
export class Pieces {
  readonly #db: Queries
  readonly #parcel: string
  readonly #most: number
  #waiting: Uint8Array[] = []
  #length = 0
  #number = 0
  #told = 0
  bytes = 0

  constructor(db: Queries, parcel: string, most: number) {
    this.#db = db
    this.#parcel = parcel
    this.#most = most
  }

  /** What somebody had packed of it before, and did not end, is thrown away. */
  async begin(): Promise<void> {
    await this.#db.delete(parcelPieces).where(eq(parcelPieces.parcelId, this.#parcel))
  }

  async write(bytes: Uint8Array): Promise<void> {
    this.bytes += bytes.length
    if (this.bytes > this.#most)
      throw new Refused('This is more than one file can hold. Take fewer copies at once.', 422)
    this.#waiting.push(bytes)
    this.#length += bytes.length
    while (this.#length >= PIECE_BYTES) {
      const whole = Buffer.concat(this.#waiting)
      await this.#keep(whole.subarray(0, PIECE_BYTES))
      this.#waiting = [whole.subarray(PIECE_BYTES)]
      this.#length -= PIECE_BYTES
    }
  }

  /** Writes what is left. */
  async end(): Promise<void> {
    if (this.#length > 0) await this.#keep(Buffer.concat(this.#waiting))
    this.#waiting = []
    this.#length = 0
  }

  /** Says how far it has come. */
  async tell(done: number, all: number): Promise<void> {
    if (performance.now() - this.#told < TELLS_EVERY && done < all) return
    this.#told = performance.now()
    const still = await this.#db
      .update(parcels)
      .set({ done, all, beat: sql`now()` })
      .where(and(eq(parcels.id, this.#parcel), eq(parcels.state, 'packing')))
      .returning({ id: parcels.id })
    if (still.length === 0) throw new Stopped('the parcel is gone')
  }

  async #keep(bytes: Buffer): Promise<void> {
    // Where it was thrown away meanwhile there is nothing to write to.
    const { rowCount } = await this.#db.execute(sql`
      INSERT INTO parcel_piece (parcel_id, number, bytes)
      SELECT p.id, ${this.#number}, ${bytes} FROM parcel p WHERE p.id = ${this.#parcel}`)
    if (rowCount === 0) throw new Stopped('the parcel is gone')
    this.#number++
  }
}

/** What was packed, a piece at a time. */
export async function* piecesOf(db: Queries, parcel: string): AsyncGenerator<Buffer> {
  for (let number = 0; ; number++) {
    const [piece] = await db
      .select({ bytes: parcelPieces.bytes })
      .from(parcelPieces)
      .where(and(eq(parcelPieces.parcelId, parcel), eq(parcelPieces.number, number)))
    if (!piece) return
    yield piece.bytes
  }
}
