import { applyAll, emptyPage, inSight, type Person, type WorksheetPage } from '@hand-back/core'
import sharp from 'sharp'
import type { Context } from '../../context.ts'
import { wholeFile } from '../../files/index.ts'
import { inWorker } from '../../http/inWorker.ts'
import { copyFor } from '../place.ts'
import { readWholeLog } from '../readLog.ts'
import { wholeCopy } from '../whole.ts'
import type { FlattenTask } from './flatten.ts'

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
  const pages = whole.pages.map((page) => {
    const events = log.filter((event) => event.page === page.id)
    return { page, items: inSight(applyAll(emptyPage, events)).map(({ item }) => item) }
  })
  const task: FlattenTask = {
    title: `${whole.title}, ${whole.student.name}`,
    pages,
    files: await papersOf(db, whole.pages),
  }
  const script = new URL('./flatten.ts', import.meta.url)
  return { name: task.title, bytes: await inWorker<Uint8Array>(script, 'flatten', task, SECONDS) }
}

async function papersOf(
  db: Context['db'],
  pages: readonly WorksheetPage[],
): Promise<Map<string, Uint8Array>> {
  const files = new Map<string, Uint8Array>()
  for (const { paper } of pages) {
    if (files.has(paper.file)) continue
    const bytes = await wholeFile(db, paper.file)
    files.set(paper.file, paper.kind === 'pdf' ? bytes : await upright(bytes))
  }
  return files
}

/** A picture that a PDF can hold: turned as its EXIF says, as PNG when it is one, else as JPEG. */
async function upright(bytes: Buffer): Promise<Buffer> {
  const picture = sharp(bytes).rotate()
  const { format, hasAlpha } = await sharp(bytes).metadata()
  return format === 'png' || hasAlpha ? picture.png().toBuffer() : picture.jpeg({ quality: 92 }).toBuffer()
}
