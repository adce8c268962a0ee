import { NOBODYS } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { worksheetPictures } from '../db/schema.ts'
import { asSent } from '../papers/index.ts'
import { firstPageOf } from '../worksheets/index.ts'
import { madeOf } from './pdfOf.ts'

const PICTURE = { script: new URL('./drawPicture.ts', import.meta.url), name: 'drawPicture' }

/** The pictures of worksheets on the shelf: made ahead, when a worksheet is made or has changed. */
export class Pictures {
  readonly #db: Context['db']
  readonly #log: Context['log']
  readonly #rest: number | undefined
  readonly #resting = new Map<string, NodeJS.Timeout>()
  readonly #making = new Map<string, Promise<Buffer | undefined>>()

  constructor({ db, log, picturesRest }: Pick<Context, 'db' | 'log' | 'picturesRest'>) {
    this.#rest = picturesRest
    this.#db = db
    this.#log = log
  }

  /** The worksheet was made, or has changed: its picture is made when it rests. */
  ahead(worksheet: string, teacher: string): void {
    if (this.#rest === undefined) return
    clearTimeout(this.#resting.get(worksheet))
    const timer = setTimeout(() => {
      this.#resting.delete(worksheet)
      this.of(worksheet, teacher).catch((error) =>
        this.#log.warn({ err: error, worksheet }, 'a picture could not be made ahead'),
      )
    }, this.#rest)
    timer.unref()
    this.#resting.set(worksheet, timer)
  }

  /** Makes the pictures that are missing on shelves, one after the other: of worksheets from before there were any. */
  async missing(): Promise<void> {
    if (this.#rest === undefined) return
    const { rows } = await this.#db.execute<{ id: string; teacher: string }>(sql`
      SELECT w.id, w.teacher_id AS teacher FROM worksheet w
      WHERE w.archived_at IS NULL AND NOT EXISTS (SELECT 1 FROM worksheet_picture p WHERE p.worksheet_id = w.id)
      ORDER BY w.changed_at DESC`)
    for (const { id, teacher } of rows)
      await this.of(id, teacher).catch((error) =>
        this.#log.warn({ err: error, worksheet: id }, 'a picture could not be made'),
      )
  }

  /** The picture of a worksheet as it is now, made if it is not there. Rejects where its page cannot be drawn. */
  async of(worksheet: string, teacher: string): Promise<Buffer | undefined> {
    const first = await firstPageOf(this.#db, worksheet)
    if (!first) return undefined
    const [there] = await this.#db
      .select()
      .from(worksheetPictures)
      .where(eq(worksheetPictures.worksheetId, worksheet))
    if (there?.of === first.look) return there.bytes
    const key = `${worksheet} ${first.look}`
    let making = this.#making.get(key)
    if (!making) {
      making = this.#make(worksheet, teacher, first).finally(() => this.#making.delete(key))
      this.#making.set(key, making)
    }
    return making
  }

  async #make(
    worksheet: string,
    teacher: string,
    { page, look }: NonNullable<Awaited<ReturnType<typeof firstPageOf>>>,
  ): Promise<Buffer> {
    const bundle = {
      copy: NOBODYS,
      printed: [page],
      bytes: 0,
      pages: async () => [{ page: asSent(page), items: [] }],
    }
    const bytes = Buffer.from(await madeOf(this.#db, { id: teacher }, '', [bundle], PICTURE))
    await this.#db
      .insert(worksheetPictures)
      .values({ worksheetId: worksheet, of: look, bytes })
      .onConflictDoUpdate({ target: worksheetPictures.worksheetId, set: { of: look, bytes } })
    return bytes
  }
}
