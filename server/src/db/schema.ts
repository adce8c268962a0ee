import type {
  Box,
  CopyState,
  Deal,
  Group,
  Habits,
  Layer,
  Paper,
  PrintedItem,
  Sheet,
  Way,
} from '@hand-back/core'
import { sql } from 'drizzle-orm'
import {
  boolean,
  customType,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const moment = (name: string) => timestamp(name, { withTimezone: true })

/** A teacher or a student. Teachers have a sign-in name (their name, folded) and a password; students a PIN. */
export const people = pgTable('person', {
  id: uuid().primaryKey().defaultRandom(),
  role: text().$type<'teacher' | 'student'>().notNull(),
  name: text().notNull(),
  signInName: text('sign_in_name').unique(),
  /** What the school's own list calls them, where they came from one. */
  rosterId: text('roster_id'),
  secretHash: text('secret_hash').notNull(),
})

export const classes = pgTable('class', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  code: text().notNull().unique(),
  teacherId: uuid('teacher_id')
    .notNull()
    .references(() => people.id),
})

/** A student's place in a class. Leaving is a date, not a deletion: their work stays. */
export const enrolments = pgTable(
  'enrolment',
  {
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id),
    leftAt: moment('left_at'),
  },
  (table) => [primaryKey({ columns: [table.classId, table.studentId] }), index().on(table.studentId)],
)

/** A file by the SHA-256 of its bytes; the bytes stand in `file_chunk` under `body`. */
export const files = pgTable('file', {
  sha256: text().primaryKey(),
  body: uuid().notNull().unique(),
  size: integer().notNull(),
  type: text().notNull(),
})

/** 256 KiB of a body. Chunks of a body that no file names are an upload under way, or broken off. */
export const fileChunks = pgTable(
  'file_chunk',
  {
    body: uuid().notNull(),
    number: integer().notNull(),
    bytes: bytea().notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.body, table.number] })],
)

export const worksheets = pgTable('worksheet', {
  id: uuid().primaryKey().defaultRandom(),
  teacherId: uuid('teacher_id')
    .notNull()
    .references(() => people.id),
  title: text().notNull(),
  /** Empty: in no unit. */
  unit: text().notNull().default(''),
  /** Counts the changes of its pages. */
  revision: integer().notNull().default(0),
  changedAt: moment('changed_at').notNull().defaultNow(),
  archivedAt: moment('archived_at'),
})

/**
 * A worksheet as it stood. The newest is the one shown; a frozen one has been handed out and never changes
 * again. One without a number belongs to the copies of a hand-out into which a change was sent.
 */
export const worksheetVersions = pgTable(
  'worksheet_version',
  {
    id: uuid().primaryKey().defaultRandom(),
    worksheetId: uuid('worksheet_id')
      .notNull()
      .references(() => worksheets.id),
    number: integer(),
    frozenAt: moment('frozen_at'),
    questions: jsonb().$type<Sheet['questions']>().notNull().default([]),
    /** Right answers, by answer place. Never sent to students. */
    keys: jsonb().$type<Sheet['keys']>().notNull().default({}),
    sets: jsonb().$type<Sheet['sets']>().notNull().default([]),
  },
  (table) => [unique().on(table.worksheetId, table.number)],
)

/** One page of a version: its paper, and what is printed on it from below. */
export const worksheetPages = pgTable(
  'worksheet_page',
  {
    id: uuid().notNull(),
    versionId: uuid('version_id')
      .notNull()
      .references(() => worksheetVersions.id),
    position: integer().notNull(),
    width: doublePrecision().notNull(),
    height: doublePrecision().notNull(),
    paper: jsonb().$type<Paper>().notNull(),
    paperBox: jsonb('paper_box').$type<Box>(),
    printed: jsonb().$type<PrintedItem[]>().notNull().default([]),
    /** For some sets of students; null: for everyone. */
    sets: jsonb().$type<string[]>(),
  },
  (table) => [primaryKey({ columns: [table.versionId, table.id] })],
)

/** The files that a page shows: who may see the page may have them. */
export const pageFiles = pgTable(
  'page_file',
  {
    versionId: uuid('version_id').notNull(),
    pageId: uuid('page_id').notNull(),
    file: text()
      .notNull()
      .references(() => files.sha256),
  },
  (table) => [
    primaryKey({ columns: [table.versionId, table.pageId, table.file] }),
    foreignKey({
      columns: [table.versionId, table.pageId],
      foreignColumns: [worksheetPages.versionId, worksheetPages.id],
    }).onDelete('cascade'),
    index().on(table.file),
  ],
)

/** The files that were brought in for a worksheet, shown on a page or not: its teacher may use them. */
export const worksheetFiles = pgTable(
  'worksheet_file',
  {
    worksheetId: uuid('worksheet_id')
      .notNull()
      .references(() => worksheets.id),
    file: text()
      .notNull()
      .references(() => files.sha256),
  },
  (table) => [primaryKey({ columns: [table.worksheetId, table.file] }), index().on(table.file)],
)

/** A spoken direction, sent before the hand-out that it belongs to. */
export const spokenDirections = pgTable('spoken_direction', {
  id: uuid().primaryKey(),
  teacherId: uuid('teacher_id')
    .notNull()
    .references(() => people.id),
  file: text()
    .notNull()
    .references(() => files.sha256),
})

/** One giving of a worksheet version to a class. `request` is the device's id for the press of the button. */
export const handouts = pgTable(
  'handout',
  {
    id: uuid().primaryKey().defaultRandom(),
    request: uuid().notNull(),
    versionId: uuid('version_id')
      .notNull()
      .references(() => worksheetVersions.id),
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id),
    title: text().notNull(),
    unit: text().notNull().default(''),
    way: text().$type<Way>().notNull().default('own'),
    /** It went to the whole class: who joins gets it too. */
    wholeClass: boolean('whole_class').notNull().default(true),
    deal: jsonb().$type<Deal>(),
    instructions: text().notNull(),
    spoken: uuid().references(() => spokenDirections.id),
    spokenSeconds: doublePrecision('spoken_seconds'),
    counts: boolean().notNull().default(true),
    /** In shared copies everybody may rub out and move what others made. */
    touchAll: boolean('touch_all').notNull().default(false),
    opensAt: moment('opens_at'),
    dueAt: moment('due_at'),
    handedOutAt: moment('handed_out_at').notNull().defaultNow(),
    withdrawnAt: moment('withdrawn_at'),
  },
  (table) => [
    unique().on(table.teacherId, table.request, table.classId),
    index().on(table.versionId),
    index().on(table.classId),
  ],
)

/** A page that was added or changed in the copies of a hand-out. */
export const handoutChanges = pgTable(
  'handout_change',
  {
    handoutId: uuid('handout_id')
      .notNull()
      .references(() => handouts.id),
    pageId: uuid('page_id').notNull(),
    what: text().$type<'new' | 'changed'>().notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.handoutId, table.pageId] })],
)

/** One receiving of a hand-out. The `…_seq` are the last sequence numbers given on each layer of its log. */
export const copies = pgTable(
  'copy',
  {
    id: uuid().primaryKey().defaultRandom(),
    handoutId: uuid('handout_id')
      .notNull()
      .references(() => handouts.id),
    /** The group's name; null: it is one student's own. */
    name: text(),
    /** The set of students that it is for; null: what is for everyone. */
    setId: uuid('set_id'),
    /** Only these pages, where pages were dealt. */
    dealt: jsonb().$type<string[]>(),
    state: text().$type<CopyState>().notNull().default('waiting'),
    round: integer().notNull().default(1),
    markingBegan: boolean('marking_began').notNull().default(false),
    workSeq: integer('work_seq').notNull().default(0),
    helpSeq: integer('help_seq').notNull().default(0),
    feedbackSeq: integer('feedback_seq').notNull().default(0),
    handedInAt: moment('handed_in_at'),
  },
  (table) => [index().on(table.handoutId)],
)

/** Who has a place in a copy. Leaving is a date, not a deletion: what they made stays theirs. */
export const copyMembers = pgTable(
  'copy_member',
  {
    copyId: uuid('copy_id')
      .notNull()
      .references(() => copies.id),
    handoutId: uuid('handout_id').notNull(),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id),
    /** The pages of a shared copy that were given to them. */
    pages: jsonb().$type<string[]>(),
    leftAt: moment('left_at'),
  },
  (table) => [
    primaryKey({ columns: [table.copyId, table.studentId] }),
    // Nobody has two copies of one hand-out at once.
    uniqueIndex().on(table.handoutId, table.studentId).where(sql`left_at IS NULL`),
    index().on(table.studentId),
  ],
)

/** Groups of a class, kept under a name. */
export const groupings = pgTable(
  'grouping',
  {
    id: uuid().primaryKey().defaultRandom(),
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    name: text().notNull(),
    groups: jsonb().$type<Group[]>().notNull(),
  },
  (table) => [unique().on(table.classId, table.name)],
)

/** A printed slip that signs a student in; only its hash is kept. A new one ends the one before. */
export const slips = pgTable('slip', {
  studentId: uuid('student_id')
    .primaryKey()
    .references(() => people.id),
  tokenHash: text('token_hash').notNull().unique(),
})

/** Somebody who asks to be let into a class. Once answered, `studentId` says who they became, or nobody. */
export const joinRequests = pgTable(
  'join_request',
  {
    id: uuid().primaryKey().defaultRandom(),
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    name: text().notNull(),
    secretHash: text('secret_hash').notNull(),
    askedAt: moment('asked_at').notNull().defaultNow(),
    answeredAt: moment('answered_at'),
    studentId: uuid('student_id').references(() => people.id),
  },
  (table) => [index().on(table.classId)],
)

/** How somebody likes to work (contract/habits.ts). */
export const personHabits = pgTable('person_habits', {
  personId: uuid('person_id')
    .primaryKey()
    .references(() => people.id),
  habits: jsonb().$type<Habits>().notNull(),
})

/**
 * The log of a copy: append-only, enforced by a trigger (see the migrations). Packed ink stands in
 * `ink`, everything else of the event in `body` (copies/storedEvent.ts). Copy and author are held by
 * the transaction that writes (copies/keeper.ts), so no foreign key looks them up again for each row.
 */
export const events = pgTable(
  'event',
  {
    copyId: uuid('copy_id').notNull(),
    layer: text().$type<Layer>().notNull(),
    seq: integer().notNull(),
    id: uuid().notNull().unique(),
    authorId: uuid('author_id').notNull(),
    round: integer().notNull(),
    keptAt: moment('kept_at').notNull(),
    body: jsonb().notNull(),
    ink: bytea().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.copyId, table.layer, table.seq] }),
    // Pages laid in are looked for when somebody writes on a page that the worksheet does not have.
    index('event_sheet').on(table.copyId).where(sql`layer = 'work' AND body->>'act' = 'sheet'`),
  ],
)

/** A sound on a copy. Its bytes are a file; who may hear it is who may see the copy. */
export const recordings = pgTable('recording', {
  id: uuid().primaryKey(),
  copyId: uuid('copy_id')
    .notNull()
    .references(() => copies.id),
  authorId: uuid('author_id')
    .notNull()
    .references(() => people.id),
  file: text()
    .notNull()
    .references(() => files.sha256),
})
