import type { CopyState, Person, Role } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { copies, handouts } from '../db/schema.ts'
import { notHere } from '../http/as.ts'

/** A copy with what decides who may do what with it. */
export interface CopyRecord {
  readonly id: string
  readonly handoutId: string
  readonly versionId: string
  readonly studentId: string
  readonly teacherId: string
  readonly state: CopyState
  readonly round: number
  readonly markingBegan: boolean
  readonly handedInAt: Date | null
}

const record = {
  id: copies.id,
  handoutId: copies.handoutId,
  versionId: handouts.versionId,
  studentId: copies.studentId,
  teacherId: handouts.teacherId,
  state: copies.state,
  round: copies.round,
  markingBegan: copies.markingBegan,
  handedInAt: copies.handedInAt,
}

/** The role that a person plays in a copy: it is theirs, or they handed it out. Nobody else has one. */
export function roleIn(copy: Pick<CopyRecord, 'studentId' | 'teacherId'>, person: Person): Role | undefined {
  if (person.role === 'student' && copy.studentId === person.id) return 'student'
  if (person.role === 'teacher' && copy.teacherId === person.id) return 'teacher'
  return undefined
}

/** A copy in which the person has a place, and their role. Throws `Refused` (404) for every other copy, there or not. */
export async function copyFor(
  db: Queries,
  person: Person,
  id: string,
): Promise<{ copy: CopyRecord; role: Role }> {
  const [copy] = await db
    .select(record)
    .from(copies)
    .innerJoin(handouts, eq(handouts.id, copies.handoutId))
    .where(eq(copies.id, id))
  const role = copy && roleIn(copy, person)
  if (!role) throw notHere()
  return { copy, role }
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
