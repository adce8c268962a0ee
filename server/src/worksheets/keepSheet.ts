import {
  filesOfPages,
  MOST_PAGES,
  partsOfPage,
  Refused,
  type Sheet,
  type SheetChange,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { and, eq, inArray, sql } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { sentParts, worksheetFiles, worksheetPages, worksheets, worksheetVersions } from '../db/schema.ts'
import { nameOfRecipe } from '../papers/index.ts'
import { newestVersion, ownWorksheet } from './queries.ts'

interface Made {
  readonly title: string
  readonly unit: string
  readonly sheet: Sheet
}

/** Makes a worksheet of a whole sheet, whose files its teacher may use. Throws `Refused`. */
export async function makeWorksheet(db: Database, teacherId: string, made: Made): Promise<WorksheetWhole> {
  await ownFiles(db, teacherId, made.sheet.pages)
  return makeFromFiles(db, teacherId, made)
}

/** Makes a worksheet of files that this teacher has just brought in. Throws `Refused`. */
export async function makeFromFiles(db: Database, teacherId: string, made: Made): Promise<WorksheetWhole> {
  const { title, unit, sheet } = made
  const { pages, ...rest } = sheet
  refuseTooMany(pages.length)
  return db.transaction(async (tx) => {
    const [worksheet] = await tx.insert(worksheets).values({ teacherId, title, unit }).returning()
    const { id } = worksheet!
    const [version] = await tx
      .insert(worksheetVersions)
      .values({ worksheetId: id, number: 1, ...rest })
      .returning()
    await noteFiles(tx, id, filesOfPages(pages))
    await putPages(tx, version!.id, pages)
    return { id, title, unit, revision: 0, frozen: false, sheet }
  })
}

/**
 * Keeps a change that was made to the state `revision` of a worksheet. One that was handed out gets a
 * new version; its copies stay as they are. Throws `Refused`: 412 when it was changed elsewhere since.
 */
export async function keepSheet(
  db: Database,
  teacherId: string,
  id: string,
  change: SheetChange,
): Promise<{ revision: number; frozen: false }> {
  const { order, pages, revision: from, ...rest } = change
  if (order.length === 0) throw new Refused('A worksheet keeps at least one page.', 422)
  refuseTooMany(order.length)
  return db.transaction(async (tx) => {
    await ownWorksheet(tx, teacherId, id)
    await tx.execute(sql`SELECT 1 FROM worksheet WHERE id = ${id} FOR UPDATE`)
    const { revision } = await ownWorksheet(tx, teacherId, id)
    if (revision !== from) throw changedElsewhere()
    const files = await ownFiles(tx, teacherId, pages)
    await noteFiles(tx, id, files)
    const versionId = await openVersion(tx, id)
    await putPages(tx, versionId, pages)
    await keepOrder(tx, versionId, order)
    if (Object.keys(rest).length > 0)
      await tx.update(worksheetVersions).set(rest).where(eq(worksheetVersions.id, versionId))
    await tx
      .update(worksheets)
      .set({ changedAt: sql`now()`, revision: revision + 1 })
      .where(eq(worksheets.id, id))
    return { revision: revision + 1, frozen: false }
  })
}

function changedElsewhere(): Refused {
  return new Refused('This worksheet was changed in another window. Open it again to go on from there.', 412)
}

function refuseTooMany(pages: number): void {
  if (pages > MOST_PAGES) throw new Refused(`A worksheet has at most ${MOST_PAGES} pages.`, 422)
}

/** The newest version if it may change, else a new one like it. */
async function openVersion(tx: Queries, worksheetId: string): Promise<string> {
  const { id, number, frozenAt, questions, keys, sets } = await newestVersion(tx, worksheetId)
  if (!frozenAt) return id
  const [next] = await tx
    .insert(worksheetVersions)
    .values({ worksheetId, number: number! + 1, questions, keys, sets })
    .returning()
  await tx.execute(sql`
    INSERT INTO worksheet_page (id, version_id, position, width, height, paper, paper_box, printed, sets)
    SELECT id, ${next!.id}, position, width, height, paper, paper_box, printed, sets
    FROM worksheet_page WHERE version_id = ${id}`)
  await tx.execute(sql`
    INSERT INTO sent_part SELECT ${next!.id}, page_id, name, recipe, sets FROM sent_part WHERE version_id = ${id}`)
  return next!.id
}

/**
 * A frozen version of a worksheet for copies in use: `pages`, with questions, keys and sets of the newest
 * version, and those of the version `inUse` that the newest does not have any more. It has no number.
 */
export async function versionForCopies(
  tx: Queries,
  worksheetId: string,
  inUse: string,
  pages: readonly WorksheetPage[],
): Promise<string> {
  const newest = await newestVersion(tx, worksheetId)
  const [before] = await tx.select().from(worksheetVersions).where(eq(worksheetVersions.id, inUse))
  const { questions, keys, sets } = before!
  const missing = <T extends { id: string }>(from: T[], of: T[]) =>
    from.filter(({ id }) => !of.some((each) => each.id === id))
  const [made] = await tx
    .insert(worksheetVersions)
    .values({
      worksheetId,
      number: null,
      questions: [...newest.questions, ...missing(questions, newest.questions)],
      keys: { ...keys, ...newest.keys },
      sets: [...newest.sets, ...missing(sets, newest.sets)],
    })
    .returning()
  await putPages(tx, made!.id, pages)
  await tx.update(worksheetVersions).set({ frozenAt: sql`now()` }).where(eq(worksheetVersions.id, made!.id))
  return made!.id
}

/** So many rows are written by one statement. */
const MOST_ROWS = 2000

/** Writes pages, new or there already, and what is made of the files they show. */
async function putPages(tx: Queries, versionId: string, pages: readonly WorksheetPage[]): Promise<void> {
  if (pages.length === 0) return
  const rows = pages.map((page, position) => ({
    ...page,
    paperBox: page.paperBox ?? null,
    sets: page.sets ?? null,
    versionId,
    position,
  }))
  await tx
    .insert(worksheetPages)
    .values(rows)
    .onConflictDoUpdate({
      target: [worksheetPages.versionId, worksheetPages.id],
      set: {
        width: sql`excluded.width`,
        height: sql`excluded.height`,
        paper: sql`excluded.paper`,
        paperBox: sql`excluded.paper_box`,
        printed: sql`excluded.printed`,
        sets: sql`excluded.sets`,
      },
    })
  const ids = pages.map(({ id }) => id)
  await tx.execute(
    sql`DELETE FROM sent_part WHERE version_id = ${versionId} AND page_id = ANY(${sql.param(ids)}::uuid[])`,
  )
  await noteParts(tx, versionId, pages)
}

/** Notes what must be made of files for those who receive these pages. */
export async function noteParts(
  tx: Queries,
  versionId: string,
  pages: readonly WorksheetPage[],
): Promise<void> {
  const parts = pages.flatMap((page) =>
    partsOfPage(page).map(({ recipe, sets }) => ({
      versionId,
      pageId: page.id,
      name: nameOfRecipe(recipe),
      recipe,
      sets: sets ? [...sets] : null,
    })),
  )
  for (let at = 0; at < parts.length; at += MOST_ROWS)
    await tx.insert(sentParts).values(parts.slice(at, at + MOST_ROWS))
}

/** Leaves exactly the pages named, in their order. */
async function keepOrder(tx: Queries, versionId: string, order: readonly string[]): Promise<void> {
  const ids = sql`${sql.param(order)}::uuid[]`
  await tx.execute(sql`DELETE FROM worksheet_page WHERE version_id = ${versionId} AND id <> ALL(${ids})`)
  await tx.execute(sql`
    UPDATE worksheet_page p SET position = o.position - 1
    FROM unnest(${ids}) WITH ORDINALITY AS o(id, position)
    WHERE p.version_id = ${versionId} AND p.id = o.id AND p.position <> o.position - 1`)
  const { rows } = await tx.execute<{ count: number }>(
    sql`SELECT count(*)::int AS count FROM worksheet_page WHERE version_id = ${versionId}`,
  )
  if (rows[0]!.count !== order.length) throw changedElsewhere()
}

/** The files that pages show. Throws `Refused` when one is not this teacher's to use. */
async function ownFiles(tx: Queries, teacherId: string, pages: readonly WorksheetPage[]): Promise<string[]> {
  const files = filesOfPages(pages)
  if (files.length === 0) return files
  const own = await tx
    .select({ file: worksheetFiles.file })
    .from(worksheetFiles)
    .innerJoin(worksheets, eq(worksheets.id, worksheetFiles.worksheetId))
    .where(and(eq(worksheets.teacherId, teacherId), inArray(worksheetFiles.file, files)))
    .groupBy(worksheetFiles.file)
  if (own.length < files.length) throw new Refused('A picture or PDF of this page is not on your shelf.', 422)
  return files
}

/** Notes that a worksheet's teacher may use files on its pages. */
export async function noteFiles(tx: Queries, worksheetId: string, files: readonly string[]): Promise<void> {
  if (files.length === 0) return
  await tx
    .insert(worksheetFiles)
    .values([...new Set(files)].map((file) => ({ worksheetId, file })))
    .onConflictDoNothing()
}
