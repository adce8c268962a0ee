import { fileName, type ParcelWish, type Person, Refused } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { questionsIn } from '../copies/index.ts'
import type { Queries } from '../db/connect.ts'
import { IS_OUT } from '../db/pageOfCopy.ts'
import { copyRows, ownHandout } from '../handouts/index.ts'
import { notHere } from '../http/as.ts'

type OfHandout = Extract<ParcelWish, { of: 'handout' }>

/** What a parcel is called, and how its file is. Throws `Refused` for what this person cannot take away. */
export async function titleOf(
  db: Queries,
  person: Person,
  wish: ParcelWish,
): Promise<{ title: string; file: string }> {
  if (wish.of === 'own') {
    if (person.role !== 'student') throw notHere()
    if ((await ownCopiesOf(db, person.id)).length === 0)
      throw new Refused('There is nothing to take home yet.', 422)
    return { title: 'My work', file: `${fileName(`My work, ${person.name}`)}.zip` }
  }
  const { title } = await ownHandout(db, person.id, wish.handout)
  const copies = await copiesWished(db, wish)
  const question = await questionWished(db, person, wish)
  const words = [
    title,
    ...(question ? [`question ${question.label}`] : []),
    ...(copies.length === 1 && wish.copies ? [copies[0]!.name] : []),
  ].join(', ')
  return { title: words, file: `${fileName(words)}.${wish.form === 'one' ? 'pdf' : 'zip'}` }
}

/** The copies of a hand-out that are wished for, by name. Throws `Refused` (404) for one that is not of it, (422) for none. */
export async function copiesWished(
  db: Queries,
  { handout, copies: wished }: OfHandout,
): Promise<{ id: string; name: string }[]> {
  const rows = await copyRows(db, handout)
  if (wished?.some((id) => !rows.some((row) => row.id === id))) throw notHere()
  const chosen = rows.filter(({ id, withdrawn }) => (wished ? wished.includes(id) : !withdrawn))
  if (chosen.length === 0) throw new Refused('Nobody has a copy of it.', 422)
  return chosen
}

/** The question that is wished for. Throws `Refused` (404) for one that the hand-out has not. */
export async function questionWished(db: Queries, person: Person, { handout, question: id }: OfHandout) {
  if (id === undefined) return undefined
  const { versionId } = await ownHandout(db, person.id, handout)
  const question = (await questionsIn(db, versionId)).find((each) => each.id === id)
  if (!question) throw notHere()
  return question
}

/** The copies that a student has a place in, the oldest first, with what stands on them. */
export async function ownCopiesOf(
  db: Queries,
  studentId: string,
): Promise<{ id: string; title: string; className: string }[]> {
  const { rows } = await db.execute<{ id: string; title: string; className: string }>(sql`
    SELECT c.id, h.title, k.name AS "className" FROM copy_member m JOIN copy c ON c.id = m.copy_id
      JOIN handout h ON h.id = c.handout_id JOIN class k ON k.id = h.class_id
    WHERE m.student_id = ${studentId} AND m.left_at IS NULL AND ${IS_OUT} ORDER BY h.handed_out_at`)
  return rows
}
