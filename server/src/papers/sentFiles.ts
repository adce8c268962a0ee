import { createHash } from 'node:crypto'
import { Readable } from 'node:stream'
import {
  MOST_FILE_BYTES,
  type Recipe,
  Refused,
  sentPage,
  sourceOfRecipe,
  type WorksheetPage,
} from '@hand-back/core'
import { eq } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { sentFiles } from '../db/schema.ts'
import { findFile, type StoredFile, storeFile, wholeFile } from '../files/index.ts'
import { inTurn } from '../work/index.ts'
import type { Made, MakeTask } from './makeSent.ts'

const SECONDS = 45

/** Changes when the same recipe would be made otherwise, so that what was made before is not used any more. */
const METHOD = 1

/** The name under which those who receive a page ask for what a recipe makes: it tells nothing of the source. */
export function nameOfRecipe(recipe: Recipe): string {
  return createHash('sha256')
    .update(`sent ${METHOD} ${canonical(recipe)}`)
    .digest('hex')
}

/** A value as JSON with the names of its fields in order: the database gives them back in an order of its own. */
function canonical(value: unknown): string {
  return JSON.stringify(value, (_key, each) =>
    typeof each === 'object' && each !== null && !Array.isArray(each)
      ? Object.fromEntries(Object.entries(each).sort(([a], [b]) => (a < b ? -1 : 1)))
      : each,
  )
}

/** A page as those who receive it get it. */
export const asSent = (page: WorksheetPage): WorksheetPage => sentPage(page, nameOfRecipe)

export interface SentFile extends StoredFile {
  /** A page that was drawn as a picture. */
  readonly drawn: boolean
}

const underWay = new Map<string, Promise<SentFile>>()

/** What cannot be drawn is not tried again for everybody who asks, but after a while, in milliseconds. */
const TRIED_AGAIN_AFTER = 600_000
const tooHeavy = new Map<string, number>()

const cannotBeDrawn = () => new Refused('This page cannot be drawn. Ask whoever made it for another.', 422)

/**
 * What a recipe makes: made the first time that anybody asks, and kept. Many who ask at once, a class that
 * opens a page, wait for the same. Throws `Refused` (422) for a file that cannot be drawn.
 */
export async function sentFile(db: Database, recipe: Recipe, person: string): Promise<SentFile> {
  if (recipe.kind === 'film') return { ...(await findFile(db, recipe.file))!, drawn: false }
  const name = nameOfRecipe(recipe)
  const there = await madeBefore(db, name)
  if (there) return there
  if (Date.now() - (tooHeavy.get(name) ?? Number.NEGATIVE_INFINITY) < TRIED_AGAIN_AFTER) throw cannotBeDrawn()
  let making = underWay.get(name)
  if (!making) {
    making = make(db, recipe, name, person).finally(() => underWay.delete(name))
    underWay.set(name, making)
  }
  return making
}

async function madeBefore(db: Queries, name: string): Promise<SentFile | undefined> {
  const [found] = await db.select().from(sentFiles).where(eq(sentFiles.name, name))
  const file = found && (await findFile(db, found.file))
  return file && { ...file, drawn: found.drawn }
}

async function make(
  db: Database,
  recipe: MakeTask['recipe'],
  name: string,
  person: string,
): Promise<SentFile> {
  // That its source could not be fetched says nothing of the page.
  let lost: unknown
  const source = await findFile(db, sourceOfRecipe(recipe))
  const { bytes, drawn } = await inTurn<Made>({
    kind: 'quick',
    script: new URL('./makeSent.ts', import.meta.url),
    name: 'makeSent',
    task: async (): Promise<MakeTask> => {
      const bytes = await wholeFile(db, sourceOfRecipe(recipe)).catch((error) => {
        lost = error
        throw error
      })
      return { recipe, bytes }
    },
    bytes: source?.size ?? 0,
    seconds: SECONDS,
    person,
  }).catch((error) => {
    if (error instanceof Refused || error === lost) throw error
    tooHeavy.set(name, Date.now())
    throw cannotBeDrawn()
  })
  const file = await storeFile(db, Readable.from([Buffer.from(bytes)]), MOST_FILE_BYTES)
  await db.insert(sentFiles).values({ name, file: file.sha256, drawn }).onConflictDoNothing()
  return { ...file, drawn }
}
