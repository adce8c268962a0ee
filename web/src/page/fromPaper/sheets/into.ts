import {
  type Box,
  type CopyLog,
  inSight,
  pageOf,
  type Scan,
  scansOn,
  type WorksheetPage,
} from '@hand-back/core'
import { fillingBox } from '../layPaper.ts'
import type { Kept } from '../openPhoto.ts'

/** A copy into which sheets of paper can go. */
export interface CopyForPaper {
  readonly id: string
  readonly name: string
}

/** A copy as it is now, with its pages in their order. */
export interface OpenedForPaper {
  readonly pages: readonly WorksheetPage[]
  readonly log: CopyLog
}

/** Where sheets of paper go: every copy of a hand-out, or one's own. */
export interface PaperInto {
  readonly copies: readonly CopyForPaper[]
  open(copy: string): Promise<OpenedForPaper>
  /** Whether this person may take a sheet away that lies there already. */
  mayTake(author: string): boolean
  /** Puts sheets on a page in place of others. */
  put(copy: string, page: string, put: { take: string[]; scan: Scan; files: readonly Named[] }): void
}

interface Named {
  readonly name: string
  readonly bytes: Blob
}

/** Proportions that differ by less than this are the same. */
const NEARLY = 0.06

/** Lays a sheet all over its page, in place of what was laid there from paper before. */
export async function laySheet(
  into: PaperInto,
  to: { copy: string; page: string },
  straight: Kept,
  taken: Kept,
): Promise<void> {
  const { pages, log } = await into.open(to.copy)
  const page = pages.find(({ id }) => id === to.page)
  if (!page) throw new Error('the copy has no such page')
  const there = scansOn(inSight(pageOf(log, page.id))).filter(({ author }) => into.mayTake(author))
  const [file, behind] = [crypto.randomUUID(), crypto.randomUUID()]
  const scan: Scan = {
    id: crypto.randomUUID(),
    kind: 'scan',
    file,
    taken: behind,
    ...allOver(page, straight),
  }
  into.put(to.copy, page.id, {
    take: there.map((each) => each.scan.id),
    scan,
    files: [
      { name: file, bytes: straight.bytes },
      { name: behind, bytes: taken.bytes },
    ],
  })
}

/** The whole page, where a sheet has its shape; else as large as fits it. */
function allOver(page: WorksheetPage, straight: Kept): Box {
  const shape = straight.width / straight.height / (page.width / page.height)
  if (Math.abs(shape - 1) < NEARLY) return { x: 0, y: 0, width: page.width, height: page.height }
  return fillingBox(straight, page)
}
