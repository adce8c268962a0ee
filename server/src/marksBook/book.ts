import { type BookCell, type BookColumn, type MarksBook, marksIn, sumGiven, sumOf } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import { ownClass, rosterOf } from '../classes/index.ts'
import type { Queries } from '../db/connect.ts'
import { elsewhere, elsewhereMarks } from '../db/schema.ts'
import { type MarkedCopy, markedCopies } from '../marking/index.ts'

type Part = Pick<MarksBook, 'columns' | 'cells'>

/**
 * Everything that a class was given marks for, the oldest first: its hand-outs that can be given some, and what was
 * brought from elsewhere. Throws `Refused` (404) for a class that is not this teacher's.
 */
export async function bookOf(db: Queries, teacherId: string, classId: string): Promise<MarksBook> {
  const { name } = await ownClass(db, teacherId, classId)
  const students = (await rosterOf(db, classId)).map(({ id, name: called, rosterId }) => ({
    id,
    name: called,
    rosterId,
  }))
  const there = new Set(students.map(({ id }) => id))
  const parts = [await handedOut(db, classId), await fromElsewhere(db, classId)]
  return {
    className: name,
    students,
    columns: parts.flatMap(({ columns }) => columns).sort((a, b) => a.at - b.at || a.id.localeCompare(b.id)),
    cells: parts.flatMap(({ cells }) => cells).filter(({ student }) => there.has(student)),
  }
}

interface HandoutRow extends Record<string, unknown> {
  readonly id: string
  readonly title: string
  readonly unit: string
  readonly at: number
  readonly weight: number
  readonly counts: boolean
  readonly namesHidden: boolean
  readonly places: { copy: string; state: NonNullable<BookCell['state']>; student: string }[]
}

async function handedOut(db: Queries, classId: string): Promise<Part> {
  const { rows } = await db.execute<HandoutRow>(sql`
    SELECT h.id, h.title, h.unit, extract(epoch FROM h.handed_out_at) * 1000 AS at, h.weight, h.counts,
      h.names_hidden AS "namesHidden",
      coalesce((SELECT json_agg(json_build_object('copy', c.id, 'state', c.state, 'student', m.student_id))
        FROM copy c JOIN copy_member m ON m.copy_id = c.id AND m.left_at IS NULL
        WHERE c.handout_id = h.id AND c.withdrawn_at IS NULL), '[]') AS places
    FROM handout h WHERE h.class_id = ${classId} AND h.withdrawn_at IS NULL AND h.way <> 'read'`)
  const copies = await markedCopies(
    db,
    rows.map(({ id }) => id),
  )
  const columns: BookColumn[] = []
  const cells: BookCell[] = []
  for (const { places, counts, ...row } of rows) {
    const own = new Map(copies.filter(({ handout }) => handout === row.id).map((copy) => [copy.id, copy]))
    const full = Math.max(0, ...[...own.values()].map(({ asked }) => sumOf(asked, new Map()).full))
    if (full === 0) continue
    columns.push({ ...row, at: Number(row.at), from: 'handout', full, weight: counts ? row.weight : 0 })
    if (row.namesHidden) continue
    for (const { copy, state, student } of places) {
      const found = own.get(copy)
      if (found) cells.push({ column: row.id, student, copy, state, ...standing(found) })
    }
  }
  return { columns, cells }
}

/** What a copy has marks for, and for how many questions it has none. */
function standing({ asked, marked }: MarkedCopy): Pick<BookCell, 'given' | 'full' | 'left'> {
  const marks = marksIn(marked.values())
  const counted = new Map(asked.flatMap(({ id }) => (marks.has(id) ? [[id, marks.get(id)!]] : [])))
  const { given, full } = sumGiven(counted)
  return { given: counted.size > 0 ? given : null, full, left: asked.length - counted.size }
}

async function fromElsewhere(db: Queries, classId: string): Promise<Part> {
  const heads = await db.select().from(elsewhere).where(eq(elsewhere.classId, classId))
  const marks = await db
    .select({
      column: elsewhereMarks.elsewhereId,
      student: elsewhereMarks.studentId,
      given: elsewhereMarks.given,
      full: elsewhere.full,
    })
    .from(elsewhereMarks)
    .innerJoin(elsewhere, eq(elsewhere.id, elsewhereMarks.elsewhereId))
    .where(eq(elsewhere.classId, classId))
  return {
    columns: heads.map(({ id, title, unit, at, full, weight }) => ({
      id,
      from: 'elsewhere',
      title,
      unit,
      at: at.getTime(),
      full,
      weight,
      namesHidden: false,
    })),
    cells: marks.map((mark) => ({ ...mark, left: 0, copy: null, state: null })),
  }
}
