import {
  type CopyWhole,
  dueOf,
  isForSet,
  nameOf,
  type PagePart,
  type Person,
  printedFor,
  type Question,
  questionsOn,
  type Role,
  type Rubric,
  type WorksheetPage,
} from '@hand-back/core'
import { asc, eq, sql } from 'drizzle-orm'
import type { Queries } from '../db/connect.ts'
import { NUMBER_OF_COPY, numberedName, withoutNames } from '../db/hiddenNames.ts'
import { copies, handoutChanges, handouts, worksheetVersions } from '../db/schema.ts'
import { asSent } from '../papers/index.ts'
import { pagesOf } from '../worksheets/index.ts'
import { type CopyRecord, copyFor, ownersIn } from './place.ts'

/** A copy with its pages, for whoever has a place in it. Throws `Refused` for others. */
export async function wholeCopy(db: Queries, person: Person, id: string): Promise<CopyWhole> {
  const { copy, role } = await copyFor(db, person, id)
  const [handout] = await db.select().from(handouts).where(eq(handouts.id, copy.handoutId))
  const ids = [...copy.members.map((member) => member.id), ...copy.teachers]
  const { rows } = await db.execute<{ id: string; name: string }>(
    sql`SELECT id, name FROM person WHERE id = ANY(${sql.param(ids)}::uuid[]) ORDER BY name`,
  )
  const teacher = rows.find((row) => row.id === copy.teacherId)!
  const teachers = rows.filter((row) => copy.teachers.includes(row.id))
  const members = rows.filter((row) => !copy.teachers.includes(row.id))
  const hidden = role === 'teacher' ? await hiddenNameOf(db, id) : undefined
  const students = hidden ? withoutNames(members) : members
  const pages = await pagesIn(db, copy)
  const { spoken, spokenSeconds } = handout!
  return {
    id,
    handout: copy.handoutId,
    title: handout!.title,
    directions: handout!.directions,
    spoken: spoken ? { id: spoken, seconds: spokenSeconds ?? 0 } : null,
    dueAt: dueOf(copy, handout!.dueAt?.getTime() ?? null),
    way: copy.way,
    name: hidden ?? nameOf({ name: copy.name, students }),
    students,
    teacher,
    teachers,
    touchAll: copy.touchAll,
    pins: copy.pins,
    longestVoice: handout!.longestVoice,
    longestFilm: handout!.longestFilm,
    owners: ownersIn(copy),
    parts: await partsOf(db, copy),
    state: copy.state,
    round: copy.round,
    goFor: copy.goFor,
    withoutMarks: copy.withoutMarks,
    pages,
    questions: await questionsOf(db, copy, pages),
    rubric: handout!.rubric,
    changes: await changesOf(
      db,
      copy.handoutId,
      pages.map((page) => page.id),
    ),
  }
}

/** The parts of its pages that were given to some who share it still. */
async function partsOf(db: Queries, { id, members }: CopyRecord): Promise<PagePart[]> {
  const [row] = await db.select({ parts: copies.parts }).from(copies).where(eq(copies.id, id))
  return (row?.parts ?? []).flatMap((part) => {
    const students = part.students.filter((student) => members.some((member) => member.id === student))
    return students.length > 0 ? [{ ...part, students }] : []
  })
}

/** What a copy is called for its teacher while names are hidden; nothing while they are shown. */
async function hiddenNameOf(db: Queries, id: string): Promise<string | undefined> {
  const { rows } = await db.execute<{ hidden: boolean; number: number }>(sql`
    SELECT h.names_hidden AS hidden, ${NUMBER_OF_COPY} AS number
    FROM copy c JOIN handout h ON h.id = c.handout_id WHERE c.id = ${id}`)
  return rows[0]?.hidden ? numberedName(rows[0].number) : undefined
}

/** What stands on a copy of paper: what it is, whose, and of which class; for a teacher no names where they are hidden. */
export async function labelOfCopy(
  db: Queries,
  copy: CopyRecord,
  role: Role,
): Promise<{ title: string; name: string; className: string }> {
  const { rows } = await db.execute<{ title: string; className: string; students: { name: string }[] }>(sql`
    SELECT h.title, k.name AS "className",
      coalesce((SELECT json_agg(json_build_object('name', p.name) ORDER BY p.name) FROM person p
        WHERE p.id = ANY(${sql.param(copy.members.map(({ id }) => id))}::uuid[])), '[]') AS students
    FROM handout h JOIN class k ON k.id = h.class_id WHERE h.id = ${copy.handoutId}`)
  const { title, className, students } = rows[0]!
  const hidden = role === 'teacher' ? await hiddenNameOf(db, copy.id) : undefined
  return { title, name: hidden ?? nameOf({ name: copy.name, students }), className }
}

/** The pages of a copy as they are sent: nothing of their files that is not seen on them. */
export async function pagesIn(db: Queries, copy: CopyRecord): Promise<WorksheetPage[]> {
  return (await ownPagesIn(db, copy)).map(asSent)
}

/** The pages of a copy as the teacher made them, with what is printed on them for its set. */
export const ownPagesIn = async (db: Queries, copy: CopyRecord): Promise<WorksheetPage[]> =>
  ownPagesOf(await pagesOf(db, copy.versionId), copy)

/** Those of the pages of a version that a copy has, with what is printed on them for its set. */
export const ownPagesOf = (
  pages: readonly WorksheetPage[],
  { setId, dealt }: Pick<CopyRecord, 'setId' | 'dealt'>,
): WorksheetPage[] =>
  pages.flatMap(({ sets, ...page }) =>
    isForSet({ sets }, setId) && (!dealt || dealt.includes(page.id))
      ? [{ ...page, printed: printedFor(page.printed, setId) }]
      : [],
  )

/** What is looked for in the whole of each copy of a hand-out. */
export async function rubricOf(db: Queries, handoutId: string): Promise<Rubric | null> {
  const [row] = await db.select({ rubric: handouts.rubric }).from(handouts).where(eq(handouts.id, handoutId))
  return row?.rubric ?? null
}

/** The questions of a version, with their marks: for teachers. */
export async function questionsIn(db: Queries, versionId: string): Promise<Question[]> {
  const [version] = await db
    .select({ questions: worksheetVersions.questions })
    .from(worksheetVersions)
    .where(eq(worksheetVersions.id, versionId))
  return version?.questions ?? []
}

/** What is asked on the pages of a copy: what it is called and where, and nothing of what is right. */
async function questionsOf(
  db: Queries,
  { versionId }: CopyRecord,
  pages: readonly WorksheetPage[],
): Promise<CopyWhole['questions']> {
  const own = new Set(pages.map(({ id }) => id))
  return questionsOn(pages, await questionsIn(db, versionId)).map(({ id, label, areas }) => ({
    id,
    label,
    areas: areas.filter(({ page }) => own.has(page)),
  }))
}

async function changesOf(
  db: Queries,
  handoutId: string,
  pages: readonly string[],
): Promise<CopyWhole['changes']> {
  const rows = await db
    .select()
    .from(handoutChanges)
    .where(eq(handoutChanges.handoutId, handoutId))
    .orderBy(asc(handoutChanges.at))
  return rows
    .filter(({ pageId }) => pages.includes(pageId))
    .map(({ pageId, what, at }) => ({ page: pageId, what, at: at.getTime() }))
}
