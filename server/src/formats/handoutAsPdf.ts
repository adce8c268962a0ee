import { type Person, Refused } from '@hand-back/core'
import type { Context } from '../context.ts'
import { copyRows, ownHandout } from '../handouts/index.ts'
import { bundleOf } from './copyAsPdf.ts'
import type { Made, Wanted } from './made.ts'
import { type Bundle, pdfOf } from './pdfOf.ts'

/**
 * Everybody's copy of a hand-out in one PDF, in the order of their names. Throws `Refused`: 404 for a hand-out
 * that is not this teacher's, 422 where it cannot be made.
 */
export async function handoutAsPdf(
  { db }: Context,
  person: Person,
  id: string,
  wanted: Wanted,
): Promise<Made> {
  const { title } = await ownHandout(db, person.id, id)
  const copies = (await copyRows(db, id)).filter(({ withdrawn }) => !withdrawn)
  if (copies.length === 0) throw new Refused('Nobody has a copy of it.', 422)
  const bundles: Bundle[] = []
  for (const copy of copies) bundles.push(await bundleOf(db, person, copy.id, wanted))
  return { name: title, bytes: await pdfOf(db, person, title, bundles) }
}
