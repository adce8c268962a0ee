import type { Box, CopyState, Layer, Paper, PrintedItem, Sheet } from '@hand-back/core'
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

/** A worksheet as it stood. The newest is the one shown; a frozen one has been handed out and never changes again. */
export const worksheetVersions = pgTable(
  'worksheet_version',
  {
    id: uuid().primaryKey().defaultRandom(),
    worksheetId: uuid('worksheet_id')
      .notNull()
      .references(() => worksheets.id),
    number: integer().notNull(),
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
    instructions: text().notNull(),
    dueAt: moment('due_at'),
    handedOutAt: moment('handed_out_at').notNull().defaultNow(),
  },
  (table) => [unique().on(table.teacherId, table.request), index().on(table.versionId)],
)

/** What one student received. The `…_seq` are the last sequence numbers given on each layer of its log. */
export const copies = pgTable(
  'copy',
  {
    id: uuid().primaryKey().defaultRandom(),
    handoutId: uuid('handout_id')
      .notNull()
      .references(() => handouts.id),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id),
    state: text().$type<CopyState>().notNull().default('waiting'),
    round: integer().notNull().default(1),
    markingBegan: boolean('marking_began').notNull().default(false),
    workSeq: integer('work_seq').notNull().default(0),
    helpSeq: integer('help_seq').notNull().default(0),
    feedbackSeq: integer('feedback_seq').notNull().default(0),
    handedInAt: moment('handed_in_at'),
  },
  (table) => [unique().on(table.handoutId, table.studentId), index().on(table.studentId)],
)

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
  (table) => [primaryKey({ columns: [table.copyId, table.layer, table.seq] })],
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
