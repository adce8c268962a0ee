import type { PARCEL_STATES, ParcelWish } from '@hand-back/core'
import { bigint, index, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { bytea, moment } from './columns.ts'
import { people } from './people.ts'

/** What somebody takes away: packed by whichever server comes to it, kept for an hour. */
export const parcels = pgTable(
  'parcel',
  {
    id: uuid().primaryKey().defaultRandom(),
    personId: uuid('person_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    wish: jsonb().$type<ParcelWish>().notNull(),
    title: text().notNull(),
    /** How its file is called. */
    file: text().notNull(),
    state: text().$type<(typeof PARCEL_STATES)[number]>().notNull().default('packing'),
    done: integer().notNull().default(0),
    all: integer().notNull().default(0),
    bytes: bigint({ mode: 'number' }).notNull().default(0),
    problem: text(),
    wishedAt: moment('wished_at').notNull().defaultNow(),
    /** When whoever packs it was last at it; null: nobody has begun. */
    beat: moment('beat'),
    until: moment('until'),
  },
  (table) => [index().on(table.personId), index().on(table.state)],
)

/** What is packed so far, in pieces. */
export const parcelPieces = pgTable(
  'parcel_piece',
  {
    parcelId: uuid('parcel_id')
      .notNull()
      .references(() => parcels.id, { onDelete: 'cascade' }),
    number: integer().notNull(),
    bytes: bytea().notNull(),
  },
  (table) => [primaryKey({ columns: [table.parcelId, table.number] })],
)
