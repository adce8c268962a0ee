import type { Layer } from '@hand-back/core'
import { sql } from 'drizzle-orm'
import { index, integer, jsonb, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core'
import { bytea, moment } from './columns.ts'
import { copies } from './handouts.ts'
import { people } from './people.ts'
import { files } from './worksheets.ts'

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
    /** In which way `body` and `ink` were written (copies/storedEvent.ts). */
    logVersion: smallint('log_version').notNull().default(1),
  },
  (table) => [
    primaryKey({ columns: [table.copyId, table.layer, table.seq] }),
    // Pages laid in are looked for when somebody writes on a page that the worksheet does not have.
    index('event_sheet').on(table.copyId).where(sql`layer = 'work' AND body->>'act' = 'sheet'`),
  ],
)

/** A page of a copy, drawn small for its teacher. */
export const pagePictures = pgTable(
  'page_picture',
  {
    copyId: uuid('copy_id')
      .notNull()
      .references(() => copies.id),
    pageId: uuid('page_id').notNull(),
    /** Of which state of the page (`looksOf`). */
    of: text().notNull(),
    /** WebP. */
    bytes: bytea().notNull(),
  },
  (table) => [primaryKey({ columns: [table.copyId, table.pageId] })],
)

/**
 * An attachment: a sound or picture on a copy. Its bytes are a file; who may have it is who may see the copy, but for
 * the teacher's: students have those when what they lie on is handed back.
 */
export const attachments = pgTable('attachment', {
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

/** An attachment of which pieces have arrived; they stand as chunks under `body` until all of them have. */
export const arrivingAttachments = pgTable('arriving_attachment', {
  id: uuid().primaryKey(),
  copyId: uuid('copy_id')
    .notNull()
    .references(() => copies.id),
  authorId: uuid('author_id')
    .notNull()
    .references(() => people.id),
  body: uuid().notNull(),
  /** Bytes of all of it, and of what has arrived. */
  size: integer().notNull(),
  arrived: integer().notNull(),
  /** When the last piece came. */
  at: moment('at').notNull().defaultNow(),
})
