import type { Box, PageEvent, Paper, PrintedItem, Recipe, Sheet } from '@hand-back/core'
import {
  boolean,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import { bytea, moment } from './columns.ts'
import { people } from './people.ts'

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

/** A worksheet's first page, drawn small for the shelf. */
export const worksheetPictures = pgTable('worksheet_picture', {
  worksheetId: uuid('worksheet_id')
    .primaryKey()
    .references(() => worksheets.id),
  /** Of which state of the page (`firstPageOf`). */
  of: text().notNull(),
  /** WebP. */
  bytes: bytea().notNull(),
})

/**
 * What is made of a worksheet's files for those who receive a page (core, `sentPage`), by the name under
 * which they ask for it: who may see the page, and the thing on it, may have it.
 */
export const sentParts = pgTable(
  'sent_part',
  {
    versionId: uuid('version_id').notNull(),
    pageId: uuid('page_id').notNull(),
    name: text().notNull(),
    recipe: jsonb().$type<Recipe>().notNull(),
    /** Only for some sets of students; null: for whoever has the page. */
    sets: jsonb().$type<string[]>(),
  },
  (table) => [
    foreignKey({
      columns: [table.versionId, table.pageId],
      foreignColumns: [worksheetPages.versionId, worksheetPages.id],
    }).onDelete('cascade'),
    index().on(table.versionId, table.pageId),
    index().on(table.name),
  ],
)

/** What was made by a recipe, once it was asked for. */
export const sentFiles = pgTable('sent_file', {
  name: text().primaryKey(),
  file: text()
    .notNull()
    .references(() => files.sha256),
  /** A page of which something was cut off: it was drawn as a picture. */
  drawn: boolean().notNull(),
})

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

/** What a teacher did to their worked copy of a worksheet, in order: a log like that of a copy, of one hand. */
export const workedEvents = pgTable(
  'worked_event',
  {
    worksheetId: uuid('worksheet_id')
      .notNull()
      .references(() => worksheets.id),
    seq: integer().notNull(),
    id: uuid().notNull(),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id),
    event: jsonb().$type<PageEvent>().notNull(),
    keptAt: moment('kept_at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.worksheetId, table.seq] }),
    unique().on(table.worksheetId, table.id),
  ],
)
