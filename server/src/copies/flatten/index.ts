import {
  emptyPage,
  filesOfPages,
  inSight,
  type Person,
  pagesAt,
  pagesNow,
  type WorksheetPage,
} from '@hand-back/core'
import { eq } from 'drizzle-orm'
import sharp from 'sharp'
import type { Context } from '../../context.ts'
import { recordings } from '../../db/schema.ts'
import { findFile, wholeFile } from '../../files/index.ts'
import { inWorker } from '../../http/inWorker.ts'
import { copyFor } from '../place.ts'
import { readWholeLog } from '../readLog.ts'
import { wholeCopy } from '../whole.ts'
import type { FlatPage, FlattenTask } from './flatten.ts'

const SECONDS = 120

/**
 * A copy as a PDF: its original pages with everything on them that this person may read.
 * Throws `Refused` (404) for somebody without a place in the copy.
 */
export async function copyAsPdf(
  { db }: Context,
  person: Person,
  id: string,
): Promise<{ name: string; bytes: Uint8Array }> {
  const { copy, role } = await copyFor(db, person, id)
  const whole = await wholeCopy(db, person, id)
  const log = await readWholeLog(db, copy, role)
  const now = pagesAt(log, log.length)
  const pages = pagesNow(whole.pages, now).map((page) => ({
    page,
    items: inSight(now.get(page.id) ?? emptyPage).map(({ item }) => item),
  }))
  const task: FlattenTask = {
    title: `${whole.title}, ${whole.name}`,
    copy: whole.id,
    pages,
    files: new Map([...(await filesShown(db, whole.pages)), ...(await photosOn(db, pages))]),
  }
  const script = new URL('./flatten.ts', import.meta.url)
  return { name: task.title, bytes: await inWorker<Uint8Array>(script, 'flatten', task, SECONDS) }
}

type Files = Map<string, Uint8Array>

/** The files of papers, pictures and pieces. A picture paper stands under its name and turn. */
async function filesShown(db: Context['db'], pages: readonly WorksheetPage[]): Promise<Files> {
  const files: Files = new Map()
  for (const file of filesOfPages(pages)) {
    const stored = (await findFile(db, file))!
    const bytes = await wholeFile(db, file)
    files.set(file, stored.type === 'application/pdf' ? bytes : await upright(bytes))
  }
  const papers = pages.flatMap((page) => [
    page.paper,
    ...page.printed.flatMap((item) => (item.kind === 'piece' ? [item.paper] : [])),
  ])
  for (const paper of papers) {
    if (paper.kind !== 'picture') continue
    const turn = paper.turn ?? 0
    const bytes = files.get(paper.file)!
    files.set(`${paper.file} ${turn}`, turn === 0 ? bytes : await sharp(bytes).rotate(turn).toBuffer())
  }
  return files
}

async function photosOn(db: Context['db'], pages: readonly FlatPage[]): Promise<Files> {
  const files: Files = new Map()
  for (const item of pages.flatMap(({ items }) => items)) {
    const recording = item.kind === 'photo' ? item.recording : item.kind === 'picture' ? item.file : undefined
    if (!recording) continue
    const [found] = await db.select().from(recordings).where(eq(recordings.id, recording))
    if (found) files.set(recording, await upright(await wholeFile(db, found.file)))
  }
  return files
}

/** A picture that a PDF can hold: turned as its EXIF says, as PNG when it is one, else as JPEG. */
async function upright(bytes: Buffer): Promise<Buffer> {
  const picture = sharp(bytes).rotate()
  const { format, hasAlpha } = await sharp(bytes).metadata()
  return format === 'png' || hasAlpha ? picture.png().toBuffer() : picture.jpeg({ quality: 92 }).toBuffer()
}
