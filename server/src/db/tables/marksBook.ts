import { index, integer, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core'
import { moment } from './columns.ts'
import { classes, people } from './people.ts'

/** Something that a class was given marks for and that was not handed out here. */
export const elsewhere = pgTable(
  'elsewhere',
  {
    id: uuid().primaryKey(),
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id, { onDelete: 'cascade' }),
    title: text().notNull(),
    unit: text().notNull(),
    at: moment('at').notNull(),
    /** In hundredths of a mark. */
    full: integer().notNull(),
    /** How much it weighs among the marks of its class, in hundredths. */
    weight: integer().notNull().default(100),
  },
  (table) => [index().on(table.classId)],
)

/** What a student was given for it, in hundredths of a mark. */
export const elsewhereMarks = pgTable(
  'elsewhere_mark',
  {
    elsewhereId: uuid('elsewhere_id')
      .notNull()
      .references(() => elsewhere.id, { onDelete: 'cascade' }),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    given: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.elsewhereId, table.studentId] })],
)
