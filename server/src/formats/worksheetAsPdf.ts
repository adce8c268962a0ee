import { NOBODYS, type Person } from '@hand-back/core'
import type { Context } from '../context.ts'
import { asSent } from '../papers/index.ts'
import { newestVersion, ownWorksheet, pagesOf } from '../worksheets/index.ts'
import type { Made, Wanted } from './made.ts'
import { pdfOf } from './pdfOf.ts'

/** Lines to write on, where nobody's name is known yet. */
const TO_FILL_IN = `Name ${'_'.repeat(28)}   Class ${'_'.repeat(12)}`

/** An empty worksheet as a PDF, all of its pages. Throws `Refused` (404) for one that is not this teacher's. */
export async function worksheetAsPdf(
  { db }: Context,
  person: Person,
  id: string,
  { named }: Wanted,
): Promise<Made> {
  const { title } = await ownWorksheet(db, person.id, id)
  const { id: version } = await newestVersion(db, id)
  const printed = await pagesOf(db, version)
  const bundle = {
    copy: NOBODYS,
    printed,
    bytes: 0,
    ...(named ? { head: TO_FILL_IN } : {}),
    pages: async () => printed.map((page) => ({ page: asSent(page), items: [] })),
  }
  return { name: title, bytes: await pdfOf(db, person, title, [bundle]) }
}
