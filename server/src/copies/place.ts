import { type CopyState, mayWriteOn, type Person, Refused, type Role, type Way } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { IS_OUT_TEXT } from '../db/pageOfCopy.ts'
import { TEACHERS_OF_HANDOUT } from '../db/teaches.ts'
import { notHere } from '../http/as.ts'
import { NOT_OUT } from './limits.ts'

/** A copy with what decides who may do what with it. */
export interface CopyRecord {
  readonly id: string
  readonly handoutId: string
  readonly versionId: string
  /** Who handed it out; … */
  readonly teacherId: string
  /** … and all who may do with it what a teacher does. */
  readonly teachers: readonly string[]
  /** Who has a place in it now, with the pages that were given to them. */
  readonly members: readonly { readonly id: string; readonly pages: readonly string[] | null }[]
  /** A group's name; null: it is one student's own. */
  readonly name: string | null
  readonly setId: string | null
  readonly dealt: readonly string[] | null
  readonly way: Way
  readonly touchAll: boolean
  readonly pins: boolean
  /** It lies in trays: it is open and was not withdrawn. */
  readonly out: boolean
  readonly state: CopyState
  readonly round: number
  readonly markingBegan: boolean
  readonly stateBefore: CopyState | null
  /** The questions that this go is for; null: everything. */
  readonly goFor: readonly string[] | null
  /** The rounds that went back without their marks. */
  readonly withoutMarks: readonly number[]
  /** In milliseconds since 1970. */
  readonly handedInAt: number | null
  /** A date to hand in of its own, in milliseconds since 1970. */
  readonly dueAt: number | null
  /** The student who may write on it, though it is there to be read. */
  readonly writer: string | null
  /** Since when pens are down in the class that works on it, in milliseconds since 1970. */
  readonly pensDownAt: number | null
  /** What its log and its attachments take. */
  readonly bytes: number
}

/** The fields of a `CopyRecord` but its members, of `copy c JOIN handout h`. */
export const COPY_FIELDS = `c.id, c.handout_id AS "handoutId", h.version_id AS "versionId", h.teacher_id AS "teacherId",
  ${TEACHERS_OF_HANDOUT} AS teachers,
  c.name, c.set_id AS "setId", c.dealt, h.way, h.touch_all AS "touchAll", h.pins,
  ${IS_OUT_TEXT} AS out,
  (SELECT (l.said->>'pensDownAt')::float8 FROM lesson l WHERE l.handout_id = h.id) AS "pensDownAt",
  (SELECT l.said->>'writer' FROM lesson l WHERE l.handout_id = h.id) AS writer,
  c.state, c.round, c.marking_began AS "markingBegan", c.state_before AS "stateBefore", c.go_for AS "goFor", c.without_marks AS "withoutMarks", c.bytes::float8 AS bytes,
  (extract(epoch FROM c.handed_in_at) * 1000)::float8 AS "handedInAt",
  (extract(epoch FROM c.due_at) * 1000)::float8 AS "dueAt"`

/** The role that a person plays in a copy: it is theirs, or they teach the class it was handed to. Nobody else has one. */
export function roleIn(copy: Pick<CopyRecord, 'members' | 'teachers'>, person: Person): Role | undefined {
  if (person.role === 'student' && copy.members.some(({ id }) => id === person.id)) return 'student'
  if (person.role === 'teacher' && copy.teachers.includes(person.id)) return 'teacher'
  return undefined
}

/** To whom the pages of a copy were given. */
export function ownersIn({ members }: Pick<CopyRecord, 'members'>): Record<string, string[]> {
  const owners: Record<string, string[]> = {}
  for (const { id, pages } of members)
    for (const page of pages ?? []) owners[page] = [...(owners[page] ?? []), id]
  return owners
}

/** Whether somebody may write on a page as far as pages were given to people. */
export function pageTakes(copy: CopyRecord, person: string, role: Role, page: string): boolean {
  return role === 'teacher' || mayWriteOn(person, page, ownersIn(copy))
}

/**
 * A copy in which the person has a place, and their role. Throws `Refused`: 404 for every other copy,
 * there or not; 410 for a student's copy that does not lie in trays now.
 */
export async function copyFor(
  db: Queries,
  person: Person,
  id: string,
): Promise<{ copy: CopyRecord; role: Role }> {
  return (await copiesFor(db, person, [id]))[0]!
}

/** The same for several copies, in their order. Throws `Refused` where it would for one of them. */
export async function copiesFor(
  db: Queries,
  person: Person,
  ids: readonly string[],
): Promise<{ copy: CopyRecord; role: Role }[]> {
  const { rows } = await db.execute(
    sql`SELECT ${sql.raw(COPY_FIELDS)},
      (SELECT coalesce(json_agg(json_build_object('id', m.student_id, 'pages', m.pages)), '[]')
         FROM copy_member m WHERE m.copy_id = c.id AND m.left_at IS NULL) AS members
      FROM copy c JOIN handout h ON h.id = c.handout_id WHERE c.id = ANY(${sql.param([...ids])}::uuid[])`,
  )
  const found = new Map((rows as unknown as CopyRecord[]).map((copy) => [copy.id, copy]))
  return ids.map((id) => {
    const copy = found.get(id)
    const role = copy && roleIn(copy, person)
    if (!role) throw notHere()
    if (role === 'student' && !copy.out) throw new Refused(NOT_OUT, 410)
    return { copy, role }
  })
}

/** The same, held against changes by others until the transaction ends. */
export async function holdCopyFor(
  tx: Queries,
  person: Person,
  id: string,
): Promise<{ copy: CopyRecord; role: Role }> {
  await tx.execute(sql`SELECT 1 FROM copy WHERE id = ${id} FOR UPDATE`)
  return copyFor(tx, person, id)
}
