import type { Item, Rubric } from '@hand-back/core'
import { index, integer, jsonb, pgTable, text, uuid } from 'drizzle-orm/pg-core'
import { moment } from './columns.ts'
import { people } from './people.ts'

/** A piece of feedback that a teacher keeps for using again. What was given of it lies in the logs of copies. */
export const remarks = pgTable(
  'remark',
  {
    id: uuid().primaryKey(),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id),
    name: text().notNull(),
    unit: text().notNull(),
    items: jsonb().$type<Item[]>().notNull(),
    /** The marks that it gives with it, in hundredths. */
    carries: integer().notNull().default(0),
    uses: integer().notNull().default(0),
    /** How often it was used at each question, by the question's id. */
    usesAt: jsonb('uses_at').$type<Record<string, number>>().notNull().default({}),
    goneAt: moment('gone_at'),
  },
  (table) => [index().on(table.teacherId)],
)

/** A rubric that a teacher keeps for using again; hand-outs have their own copy of it. */
export const rubrics = pgTable(
  'rubric',
  {
    id: uuid().primaryKey(),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id),
    rubric: jsonb().$type<Rubric>().notNull(),
  },
  (table) => [index().on(table.teacherId)],
)
