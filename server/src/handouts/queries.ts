import {
  type CopyRow,
  dueOf,
  type HandoutCard,
  type HandoutWhole,
  handedBackRound,
  pagesFor,
  printedFor,
  type TrayEntry,
} from '@hand-back/core'
import { and, eq, or, sql } from 'drizzle-orm'
import { rosterOf } from '../classes/index.ts'
import type { Queries } from '../db/connect.ts'
import { NUMBER_OF_COPY, numberedName, withoutNames } from '../db/hiddenNames.ts'
import { IS_OUT, PAGE_IS_ITS } from '../db/pageOfCopy.ts'
import { classes, handouts, people, worksheets, worksheetVersions } from '../db/schema.ts'
import { teaches } from '../db/teaches.ts'
import { notHere } from '../http/as.ts'
import { asSent } from '../papers/index.ts'
import { PAGE_AS_JSON, pagesOf } from '../worksheets/index.ts'

const millis = (moment: Date | null) => moment?.getTime() ?? null
/** As the database tells a moment of `extract(epoch …) * 1000`. */
const asMillis = (told: string | number | null) => (told === null ? null : Number(told))

/** The teacher's hand-outs with the state of every copy, newest first. */
export async function handoutsOf(db: Queries, teacherId: string): Promise<HandoutCard[]> {
  const rows = await db
    .select({
      id: handouts.id,
      title: handouts.title,
      unit: handouts.unit,
      way: handouts.way,
      classId: handouts.classId,
      worksheetId: worksheetVersions.worksheetId,
      className: classes.name,
      by: sql<string | null>`CASE WHEN ${handouts.teacherId} <> ${teacherId} THEN ${people.name} END`,
      opensAt: handouts.opensAt,
      dueAt: handouts.dueAt,
      handedOutAt: handouts.handedOutAt,
      withdrawnAt: handouts.withdrawnAt,
      states: sql<
        HandoutCard['states']
      >`(SELECT coalesce(json_agg(c.state), '[]') FROM copy c WHERE c.handout_id = ${handouts.id})`,
    })
    .from(handouts)
    .innerJoin(classes, eq(classes.id, handouts.classId))
    .innerJoin(worksheetVersions, eq(worksheetVersions.id, handouts.versionId))
    .innerJoin(people, eq(people.id, handouts.teacherId))
    .where(or(eq(handouts.teacherId, teacherId), teaches(teacherId, handouts.classId)))
    .orderBy(sql`handed_out_at DESC`)
  return rows.map(({ withdrawnAt, ...row }) => ({
    ...row,
    opensAt: millis(row.opensAt),
    dueAt: millis(row.dueAt),
    handedOutAt: row.handedOutAt.getTime(),
    withdrawn: withdrawnAt !== null,
  }))
}

/** The teacher's hand-out. Throws `Refused` (404) for one that is not theirs. */
export async function ownHandout(db: Queries, teacherId: string, id: string) {
  const [found] = await db
    .select()
    .from(handouts)
    .where(
      and(eq(handouts.id, id), or(eq(handouts.teacherId, teacherId), teaches(teacherId, handouts.classId))),
    )
  if (!found) throw notHere()
  return found
}

export async function wholeHandout(db: Queries, teacherId: string, id: string): Promise<HandoutWhole> {
  const handout = await ownHandout(db, teacherId, id)
  const [about] = await db
    .select({
      className: classes.name,
      worksheetId: worksheetVersions.worksheetId,
      worksheetOf: worksheets.teacherId,
      sets: worksheetVersions.sets,
    })
    .from(handouts)
    .innerJoin(classes, eq(classes.id, handouts.classId))
    .innerJoin(worksheetVersions, eq(worksheetVersions.id, handouts.versionId))
    .innerJoin(worksheets, eq(worksheets.id, worksheetVersions.worksheetId))
    .where(eq(handouts.id, id))
  const rows = await copyRows(db, id)
  const served = new Set(rows.flatMap(({ students }) => students.map((student) => student.id)))
  const roster = await rosterOf(db, handout.classId)
  return {
    id,
    title: handout.title,
    unit: handout.unit,
    way: handout.way,
    directions: handout.directions,
    spoken: handout.spoken ? { id: handout.spoken, seconds: handout.spokenSeconds ?? 0 } : null,
    counts: handout.counts,
    touchAll: handout.touchAll,
    pins: handout.pins,
    longestVoice: handout.longestVoice,
    longestFilm: handout.longestFilm,
    rubric: handout.rubric,
    namesHidden: handout.namesHidden,
    opensAt: millis(handout.opensAt),
    dueAt: millis(handout.dueAt),
    handedOutAt: handout.handedOutAt.getTime(),
    withdrawn: handout.withdrawnAt !== null,
    className: about!.className,
    classId: handout.classId,
    worksheetId: about!.worksheetId,
    ownsWorksheet: about!.worksheetOf === teacherId,
    sets: about!.sets,
    pageCount: (await pagesOf(db, handout.versionId)).length,
    without: handout.namesHidden ? [] : roster.filter((student) => !served.has(student.id)),
    copies: rows,
  }
}

/** The copies of a hand-out by name; with `copy`, only that one. */
export async function copyRows(db: Queries, handoutId: string, copy?: string): Promise<CopyRow[]> {
  const { rows } = await db.execute(sql`
    SELECT c.id, c.name AS "groupName", c.set_id AS "setId", c.dealt, c.state, c.round,
      c.marking_began AS "markingBegan", c.reviewed, c.go_for AS "goFor", c.without_marks AS "withoutMarks",
      h.names_hidden AS hidden, ${NUMBER_OF_COPY} AS number, c.state_before AS "stateBefore", extract(epoch FROM c.handed_in_at) * 1000 AS "handedInAt",
      extract(epoch FROM c.due_at) * 1000 AS "dueAt", c.withdrawn_at IS NOT NULL AS withdrawn,
      extract(epoch FROM c.hands_back_at) * 1000 AS "handsBackAt",
      coalesce((SELECT json_agg(json_build_object('id', p.id, 'name', p.name) ORDER BY p.name)
         FROM copy_member m JOIN person p ON p.id = m.student_id
         WHERE m.copy_id = c.id AND m.left_at IS NULL), '[]') AS students,
      (SELECT s->>'name' FROM jsonb_array_elements(v.sets) AS s WHERE s->>'id' = c.set_id::text) AS "set"
    FROM copy c JOIN handout h ON h.id = c.handout_id JOIN worksheet_version v ON v.id = h.version_id
    WHERE c.handout_id = ${handoutId} ${copy ? sql`AND c.id = ${copy}` : sql``}`)
  const pages = await pagesOfHandout(db, handoutId)
  const made = rows.map((row) => asCopyRow(row as unknown as Row, pages))
  return made.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }))
}

interface Row
  extends Omit<
    CopyRow,
    'name' | 'shared' | 'pageNumbers' | 'handedInAt' | 'dueAt' | 'handsBackAt' | 'marksKept'
  > {
  readonly withoutMarks: readonly number[]
  readonly hidden: boolean
  readonly number: number
  readonly groupName: string | null
  readonly dealt: string[] | null
  readonly handedInAt: string | null
  readonly dueAt: string | null
  readonly handsBackAt: string | null
}

interface Stub {
  readonly id: string
  readonly sets: string[] | null
}

function asCopyRow(
  {
    groupName,
    setId,
    dealt,
    handedInAt,
    dueAt,
    handsBackAt,
    hidden,
    number,
    students,
    withoutMarks,
    ...row
  }: Row,
  pages: readonly Stub[],
): CopyRow {
  const stubs = pages.map(({ id, sets }) => ({ id, sets: sets ?? undefined }))
  const own = pagesFor(stubs, setId, dealt)
  return {
    ...row,
    setId,
    students: hidden ? withoutNames(students) : students,
    name: hidden ? numberedName(number) : (groupName ?? students[0]?.name ?? 'nobody'),
    shared: groupName !== null,
    pageNumbers:
      own.length === pages.length ? null : own.map((id) => pages.findIndex((page) => page.id === id) + 1),
    handedInAt: asMillis(handedInAt),
    dueAt: asMillis(dueAt),
    handsBackAt: asMillis(handsBackAt),
    marksKept: withoutMarks.some((round) => round <= handedBackRound(row)),
  }
}

async function pagesOfHandout(db: Queries, handoutId: string): Promise<Stub[]> {
  const { rows } = await db.execute(sql`
    SELECT p.id, p.sets FROM worksheet_page p JOIN handout h ON h.version_id = p.version_id
    WHERE h.id = ${handoutId} ORDER BY p.position`)
  return rows as unknown as Stub[]
}

/** What lies in a student's tray, but what came back on it: every copy they have a place in that is open and was not withdrawn, newest first. */
export async function trayOf(db: Queries, studentId: string): Promise<Omit<TrayEntry, 'back'>[]> {
  const { rows } = await db.execute(sql`
    SELECT c.id AS copy, h.title, h.unit, k.name AS "className", h.directions, h.way, c.name AS "sharedName",
      extract(epoch FROM c.due_at) * 1000 AS "dueAt", extract(epoch FROM h.due_at) * 1000 AS "dueOfHandout",
      extract(epoch FROM h.handed_out_at) * 1000 AS "handedOutAt",
      extract(epoch FROM c.handed_in_at) * 1000 AS "handedInAt", c.state, c.round,
      c.without_marks AS "withoutMarks",
      (SELECT extract(epoch FROM max(x.at)) * 1000 FROM handout_change x JOIN worksheet_page p ON p.id = x.page_id
         WHERE x.handout_id = h.id AND ${PAGE_IS_ITS}) AS "changedAt",
      (SELECT count(*)::int FROM worksheet_page p WHERE ${PAGE_IS_ITS}) AS "pageCount",
      (SELECT ${PAGE_AS_JSON} FROM worksheet_page p WHERE ${PAGE_IS_ITS} ORDER BY p.position LIMIT 1) AS "firstPage",
      c.set_id AS "setId",
      m.opened_at IS NULL AS "isNew"
    FROM copy_member m JOIN copy c ON c.id = m.copy_id JOIN handout h ON h.id = c.handout_id
      JOIN class k ON k.id = h.class_id
    WHERE m.student_id = ${studentId} AND m.left_at IS NULL AND ${IS_OUT}
    ORDER BY h.handed_out_at DESC`)
  return rows.map((row) => trayEntryOf(row as unknown as TrayRow))
}

type TrayRow = Omit<TrayEntry, 'back'> & { setId: string | null; dueOfHandout: number | null }

function trayEntryOf({ setId, dueOfHandout, ...row }: TrayRow): Omit<TrayEntry, 'back'> {
  const { sets: _sets, ...page } = row.firstPage
  return {
    ...row,
    handedOutAt: Number(row.handedOutAt),
    dueAt: dueOf({ round: row.round, dueAt: asMillis(row.dueAt) }, asMillis(dueOfHandout)),
    handedInAt: asMillis(row.handedInAt),
    changedAt: asMillis(row.changedAt),
    firstPage: asSent({ ...page, printed: printedFor(page.printed, setId) }),
  }
}
