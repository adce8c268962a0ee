import { Readable } from 'node:stream'
import { bareSheet, type Person, type WorksheetWhole } from '@hand-back/core'
import type { Context } from '../context.ts'
import { copyFor } from '../copies/index.ts'
import { notHere } from '../http/as.ts'
import { bringIn, makeFromFiles } from '../worksheets/index.ts'
import { copyAsPdf } from './copyAsPdf.ts'

/**
 * Puts a copy as it is on its teacher's shelf: its pages, with everything on them, as the paper of a new worksheet. Sounds
 * and films stay with the copy. Throws `Refused` (404) for a copy of others, and with a sentence where it cannot be made.
 */
export async function copyToShelf(
  context: Context,
  person: Person,
  copyId: string,
  title: string,
): Promise<WorksheetWhole> {
  const { role } = await copyFor(context.db, person, copyId)
  if (role !== 'teacher') throw notHere()
  const { bytes } = await copyAsPdf(context, person, copyId, { empty: false, named: false, coded: false })
  const { pages } = await bringIn(context.db, person.id, `${title}.pdf`, Readable.from([Buffer.from(bytes)]))
  const unit = await unitOf(context, copyId)
  return makeFromFiles(context.db, person.id, { title, unit, sheet: bareSheet([...pages]) })
}

async function unitOf({ pool }: Context, copyId: string): Promise<string> {
  const { rows } = await pool.query(
    'SELECT h.unit FROM copy c JOIN handout h ON h.id = c.handout_id WHERE c.id = $1',
    [copyId],
  )
  return rows[0]?.unit ?? ''
}
