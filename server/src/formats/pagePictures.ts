import type { HandoutLooks, Person } from '@hand-back/core'
import { and, eq, sql } from 'drizzle-orm'
import type { Context } from '../context.ts'
import { copyFor } from '../copies/index.ts'
import { pagePictures } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { causeOf } from '../http/errors.ts'
import { pageOfAll } from './copyAsPdf.ts'
import { looksOf } from './looks.ts'
import { madeOf } from './pdfOf.ts'

const PICTURES = {
  script: new URL('./drawPictures.ts', import.meta.url),
  name: 'drawPictures',
  // Somebody waits to see them.
  kind: 'quick',
} as const
/** So many are made in one piece of work: whoever waits sees some of them soon. */
const AT_ONCE = 12

/**
 * The pages of copies, drawn small as their teacher sees them. A picture is made once and kept until its page looks
 * otherwise. Whoever asks for one is about to ask for that page of every copy: those that are missing are made together.
 */
export class PagePictures {
  readonly #db: Context['db']
  readonly #log: Context['log']
  /** What is being made, by copy, page and look. */
  readonly #making = new Map<string, Promise<Buffer | undefined>>()
  /** How hand-outs look is being counted, by teacher and hand-out. */
  readonly #counting = new Map<string, Promise<HandoutLooks>>()

  constructor({ db, log }: Pick<Context, 'db' | 'log'>) {
    this.#db = db
    this.#log = log
  }

  /**
   * The picture as it is now, and of which look that is; nothing where it cannot be drawn. `asked`: the look that is
   * thought to be the newest. Throws `Refused` (404) for a copy that is not this teacher's.
   */
  async of(
    person: Person,
    copyId: string,
    page: string,
    asked: string,
  ): Promise<{ look: string; bytes: Buffer | undefined }> {
    const { copy, role } = await copyFor(this.#db, person, copyId)
    if (role !== 'teacher') throw notHere()
    const wished = { copy: copyId, page, look: asked }
    const there = await this.#kept(wished)
    if (there?.of === asked) return { look: asked, bytes: there.bytes }
    const begun = this.#making.get(keyOf(wished))
    if (begun) return { look: asked, bytes: await begun }
    const { looks } = await this.#looksOf(person, copy.handoutId)
    const all = looks.filter((one) => one.page === page)
    const now = all.find((one) => one.copy === copyId)
    if (!now) throw notHere()
    if (there?.of === now.look) return { look: now.look, bytes: there.bytes }
    if (!this.#making.has(keyOf(now))) await this.#begin(person, all, page)
    const bytes = (await this.#making.get(keyOf(now))) ?? (await this.#kept(now))?.bytes
    return { look: now.look, bytes }
  }

  /** All copies are asked for at once, and counted once. */
  #looksOf(person: Person, handout: string): Promise<HandoutLooks> {
    const key = `${person.id} ${handout}`
    const counted = this.#counting.get(key)
    if (counted) return counted
    const counting = looksOf(this.#db, person.id, handout).finally(() => this.#counting.delete(key))
    this.#counting.set(key, counting)
    return counting
  }

  async #kept({ copy, page }: Omit<Look, 'look'>) {
    const [kept] = await this.#db
      .select()
      .from(pagePictures)
      .where(and(eq(pagePictures.copyId, copy), eq(pagePictures.pageId, page)))
    return kept
  }

  /** Begins to make what is missing of a page, of whatever copy. */
  async #begin(person: Person, all: readonly Look[], page: string): Promise<void> {
    const there = await this.#db
      .select({ copy: pagePictures.copyId, of: pagePictures.of })
      .from(pagePictures)
      .where(eq(pagePictures.pageId, page))
    const known = new Map(there.map(({ copy, of }) => [copy, of]))
    const missing = all.filter((one) => known.get(one.copy) !== one.look && !this.#making.has(keyOf(one)))
    for (let from = 0; from < missing.length; from += AT_ONCE)
      this.#make(person, missing.slice(from, from + AT_ONCE))
  }

  #make(person: Person, some: readonly Look[]): void {
    const made = this.#drawn(person, some)
    for (const [index, one] of some.entries())
      this.#making.set(
        keyOf(one),
        made.then((pictures) => pictures[index]).finally(() => this.#making.delete(keyOf(one))),
      )
    for (const one of some) this.#making.get(keyOf(one))!.catch(() => {})
  }

  async #drawn(person: Person, some: readonly Look[]): Promise<(Buffer | undefined)[]> {
    const pictures = await this.#draw(person, some)
    const rows = some.flatMap(({ copy, page, look }, index) => {
      const bytes = pictures[index]
      return bytes ? [{ copyId: copy, pageId: page, of: look, bytes }] : []
    })
    if (rows.length > 0)
      await this.#db
        .insert(pagePictures)
        .values(rows)
        .onConflictDoUpdate({
          target: [pagePictures.copyId, pagePictures.pageId],
          set: { of: sql`excluded.of`, bytes: sql`excluded.bytes` },
        })
    return pictures
  }

  /** The same page of some copies. One that cannot be drawn does not cost the others theirs: then each is drawn by itself. */
  async #draw(person: Person, some: readonly Look[]): Promise<(Buffer | undefined)[]> {
    try {
      const copies = some.map(({ copy }) => copy)
      const bundles = await pageOfAll(this.#db, person, copies, some[0]!.page)
      const drawn = await madeOf<Uint8Array[]>(this.#db, person, '', bundles, PICTURES)
      if (drawn.length !== some.length) throw new Error('another number of pages was drawn')
      return drawn.map((bytes) => Buffer.from(bytes))
    } catch (error) {
      if (some.length > 1) {
        const pictures: (Buffer | undefined)[] = []
        for (const one of some) pictures.push(...(await this.#draw(person, [one])))
        return pictures
      }
      this.#log.warn({ cause: causeOf(error), copy: some[0]!.copy }, 'a page could not be drawn small')
      return [undefined]
    }
  }
}

interface Look {
  readonly copy: string
  readonly page: string
  readonly look: string
}

const keyOf = ({ copy, page, look }: Look) => `${copy} ${page} ${look}`
