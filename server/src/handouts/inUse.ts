import {
  type CopyChange,
  changesBetween,
  type HandoutChange,
  type HandoutChanges,
  onlySome,
  type PageChanges,
  pagesFor,
  Refused,
} from '@hand-back/core'
import { and, eq, isNull, sql } from 'drizzle-orm'
import { rosterOf } from '../classes/index.ts'
import type { Database, Queries } from '../db/connect.ts'
import { copies, copyMembers, handoutChanges, handouts, worksheetVersions } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { newestVersion, ownWorksheet, pagesOf, versionForCopies } from '../worksheets/index.ts'
import { insertCopies } from './handOut.ts'
import { ownHandout } from './queries.ts'

/** How its teacher looks at it, and what its marks weigh, is nothing to its students. */
const QUIET = new Set(['namesHidden', 'weight'])

/** Changes dates, directions and rules of a hand-out in use. Returns the students who are to know. */
export async function changeHandout(
  db: Database,
  teacherId: string,
  id: string,
  { withdrawn, opensAt, dueAt, ...rest }: HandoutChange,
): Promise<string[]> {
  const date = (moment: number | null) => (moment === null ? null : new Date(moment))
  await ownHandout(db, teacherId, id)
  const set = {
    ...rest,
    ...(opensAt === undefined ? {} : { opensAt: date(opensAt) }),
    ...(dueAt === undefined ? {} : { dueAt: date(dueAt) }),
    ...(withdrawn === undefined ? {} : { withdrawnAt: withdrawn ? new Date() : null }),
  }
  if (Object.keys(set).length > 0) await db.update(handouts).set(set).where(eq(handouts.id, id))
  const isTold = Object.keys(set).some((what) => !QUIET.has(what))
  return isTold ? membersOf(db, id) : []
}

/** Everybody who has a place in a copy of a hand-out now. */
export async function membersOf(db: Queries, handoutId: string): Promise<string[]> {
  const rows = await db
    .select({ id: copyMembers.studentId })
    .from(copyMembers)
    .where(and(eq(copyMembers.handoutId, handoutId), isNull(copyMembers.leftAt)))
  return rows.map(({ id }) => id)
}

/** What sending the worksheet as it is now would do to the copies in use. */
export async function waitingChanges(db: Queries, teacherId: string, id: string): Promise<HandoutChanges> {
  const { changes } = await compare(db, teacherId, id)
  const pages = new Map(changes.pages.map((page) => [page.id, page]))
  const named = (ids: readonly string[]) => ids.map((page) => pages.get(page)!)
  return { added: named(changes.added), changed: named(changes.changed), stay: changes.stay.length }
}

async function compare(db: Queries, teacherId: string, id: string) {
  const handout = await ownHandout(db, teacherId, id)
  const [{ worksheetId }] = (await db
    .select({ worksheetId: worksheetVersions.worksheetId })
    .from(worksheetVersions)
    .where(eq(worksheetVersions.id, handout.versionId))) as [{ worksheetId: string }]
  const newest = await newestVersion(db, worksheetId)
  const changes = changesBetween(await pagesOf(db, handout.versionId), await pagesOf(db, newest.id))
  return { handout, worksheetId, changes }
}

/**
 * Sends the worksheet as it is now into the copies in use: new pages come where they stand, changed ones
 * are replaced, ink stays where it was made. Throws `Refused` when nothing has changed.
 */
export async function sendChanges(db: Database, teacherId: string, id: string): Promise<string[]> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`SELECT 1 FROM handout WHERE id = ${id} FOR UPDATE`)
    const { handout, worksheetId, changes } = await compare(tx, teacherId, id)
    await ownWorksheet(tx, teacherId, worksheetId)
    if (changes.added.length + changes.changed.length === 0)
      throw new Refused('Nothing of the worksheet has changed since it was handed out.')
    const versionId = await versionForCopies(tx, worksheetId, handout.versionId, changes.pages)
    await tx.update(handouts).set({ versionId }).where(eq(handouts.id, id))
    await noteChanges(tx, id, changes)
    // Where pages were dealt, a new one is for everybody.
    await tx.execute(sql`
      UPDATE copy SET dealt = dealt || ${JSON.stringify(changes.added)}::jsonb
      WHERE handout_id = ${id} AND dealt IS NOT NULL`)
    return membersOf(tx, id)
  })
}

async function noteChanges(tx: Queries, handoutId: string, { added, changed }: PageChanges): Promise<void> {
  const rows = [
    ...added.map((pageId) => ({ handoutId, pageId, what: 'new' as const })),
    ...changed.map((pageId) => ({ handoutId, pageId, what: 'changed' as const })),
  ]
  await tx
    .insert(handoutChanges)
    .values(rows)
    .onConflictDoUpdate({
      target: [handoutChanges.handoutId, handoutChanges.pageId],
      set: { what: sql`excluded.what`, at: sql`now()` },
    })
}

/**
 * Gives more students of the class a copy each, or a place in a copy that is shared; who had a place in
 * another copy of this hand-out leaves it, and what they made there stays. Returns who left which copy.
 * Throws `Refused`.
 */
export async function giveToMore(
  db: Database,
  teacherId: string,
  id: string,
  students: readonly string[],
  copy?: string,
): Promise<{ copy: string; student: string }[]> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`SELECT 1 FROM handout WHERE id = ${id} FOR UPDATE`)
    const handout = await ownHandout(tx, teacherId, id)
    const roster = await rosterOf(tx, handout.classId)
    const chosen = roster.filter((student) => students.includes(student.id))
    if (chosen.length < new Set(students).size)
      throw new Refused('Somebody chosen is not in this class any more. Look at the list again.', 422)
    if (copy) return moveInto(tx, id, copy, students)
    if (handout.way === 'group') throw new Refused('Choose the group that they come into.', 422)
    await giveTo(tx, handout, chosen)
    return []
  })
}

async function moveInto(tx: Queries, handoutId: string, copyId: string, students: readonly string[]) {
  const [into] = await tx
    .select()
    .from(copies)
    .where(and(eq(copies.id, copyId), eq(copies.handoutId, handoutId)))
  if (!into?.name) throw notHere()
  const who = sql`${sql.param([...students])}::uuid[]`
  const { rows: left } = await tx.execute<{ copy: string; student: string }>(sql`
    UPDATE copy_member SET left_at = now()
    WHERE handout_id = ${handoutId} AND student_id = ANY(${who}) AND copy_id <> ${copyId} AND left_at IS NULL
    RETURNING copy_id AS copy, student_id AS student`)
  await tx.execute(sql`
    INSERT INTO copy_member (copy_id, handout_id, student_id) SELECT ${copyId}, ${handoutId}, unnest(${who})
    ON CONFLICT (copy_id, student_id) DO UPDATE SET left_at = NULL`)
  return left
}

type Handout = Awaited<ReturnType<typeof ownHandout>>

/** Gives students who have no place in a hand-out their own copy, or a place in the one that all share. */
async function giveTo(tx: Queries, handout: Handout, students: readonly { id: string; name: string }[]) {
  const there = new Set(await membersOf(tx, handout.id))
  const missing = students.filter(({ id }) => !there.has(id))
  if (missing.length === 0) return
  if (handout.way === 'own') {
    const dealt = handout.deal ? await nextDealt(tx, handout, missing.length) : []
    await insertCopies(tx, handout.id, {
      copies: missing.map((student, index) => ({
        name: null,
        students: [student],
        set: null,
        dealt: dealt[index] ?? handout.only,
        pages: [],
      })),
    })
  } else {
    const [shared] = await tx.select().from(copies).where(eq(copies.handoutId, handout.id)).limit(1)
    const ids = missing.map(({ id }) => id)
    await moveInto(tx, handout.id, shared!.id, ids)
  }
}

/** Hands of pages for those who come late: always the pages that the fewest have. */
async function nextDealt(tx: Queries, handout: Handout, count: number): Promise<string[][]> {
  const all = await pagesOf(tx, handout.versionId)
  const pages = onlySome(all, handout.only).flatMap(({ id, sets }) => (sets ? [] : [id]))
  const rows = await tx.select({ dealt: copies.dealt }).from(copies).where(eq(copies.handoutId, handout.id))
  const times = new Map(pages.map((page) => [page, 0]))
  const given = (hand: readonly string[]) => {
    for (const page of hand) times.set(page, (times.get(page) ?? 0) + 1)
  }
  for (const { dealt } of rows) given(dealt ?? [])
  return Array.from({ length: count }, () => {
    const hand = [...pages].sort((a, b) => times.get(a)! - times.get(b)!).slice(0, handout.deal!.pages)
    given(hand)
    return hand
  })
}

/** The copies of a hand-out. */
export async function copiesOf(db: Queries, handoutId: string): Promise<string[]> {
  const rows = await db.select({ id: copies.id }).from(copies).where(eq(copies.handoutId, handoutId))
  return rows.map(({ id }) => id)
}

/** Gives students who joined a class what the whole class has. */
export async function giveToJoiners(
  tx: Queries,
  classId: string,
  students: readonly { id: string; name: string }[],
): Promise<void> {
  const out = await tx
    .select()
    .from(handouts)
    .where(and(eq(handouts.classId, classId), eq(handouts.wholeClass, true), isNull(handouts.withdrawnAt)))
  for (const handout of out) await giveTo(tx, handout, students)
}

/** Changes what is other for one copy than for the rest of its hand-out. Throws `Refused`. */
export async function changeCopy(
  db: Database,
  teacherId: string,
  copyId: string,
  { dueAt, withdrawn, reviewed, handsBackAt }: CopyChange,
): Promise<{ handout: string; students: string[] }> {
  const [copy] = await db.select().from(copies).where(eq(copies.id, copyId))
  if (!copy) throw notHere()
  await ownHandout(db, teacherId, copy.handoutId)
  const set = {
    ...(dueAt === undefined ? {} : { dueAt: dueAt === null ? null : new Date(dueAt) }),
    ...(withdrawn === undefined ? {} : { withdrawnAt: withdrawn ? new Date() : null }),
    ...(reviewed === undefined ? {} : { reviewed }),
    ...(handsBackAt === undefined ? {} : { handsBackAt, handsBackFor: null }),
  }
  if (Object.keys(set).length > 0) await db.update(copies).set(set).where(eq(copies.id, copyId))
  // That it is reviewed, or goes back later, is nothing to its students yet: their trays do not stir.
  const isTold = dueAt !== undefined || withdrawn !== undefined
  return { handout: copy.handoutId, students: isTold ? await membersOf(db, copy.handoutId) : [] }
}

/** A student leaves a copy that is shared; what they made in it stays, as theirs. Throws `Refused`. */
export async function leaveCopy(
  db: Database,
  teacherId: string,
  copyId: string,
  student: string,
): Promise<{ handout: string }> {
  const [copy] = await db.select().from(copies).where(eq(copies.id, copyId))
  if (!copy?.name) throw notHere()
  await ownHandout(db, teacherId, copy.handoutId)
  const { copyId: of, studentId, leftAt } = copyMembers
  await db
    .update(copyMembers)
    .set({ leftAt: new Date() })
    .where(and(eq(of, copyId), eq(studentId, student), isNull(leftAt)))
  return { handout: copy.handoutId }
}

/** Gives a copy another set of the worksheet. What lies on pages that it does not have then stays in its log. Throws `Refused`. */
export async function changeSet(
  db: Database,
  teacherId: string,
  copyId: string,
  set: string | null,
): Promise<{ handout: string; students: string[] }> {
  const [copy] = await db.select().from(copies).where(eq(copies.id, copyId))
  if (!copy) throw notHere()
  const { versionId } = await ownHandout(db, teacherId, copy.handoutId)
  const [version] = await db.select().from(worksheetVersions).where(eq(worksheetVersions.id, versionId))
  if (set && !version!.sets.some(({ id }) => id === set))
    throw new Refused('The worksheet has no such set.', 422)
  const pages = await pagesOf(db, versionId)
  if (pagesFor(pages, set, copy.dealt).length === 0)
    throw new Refused('The copy would have no page at all.', 422)
  await db.update(copies).set({ setId: set }).where(eq(copies.id, copyId))
  return { handout: copy.handoutId, students: await membersOf(db, copy.handoutId) }
}
