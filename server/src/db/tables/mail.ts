import type { MailAbout } from '@hand-back/core'
import { index, integer, pgTable, text, unique, uuid } from 'drizzle-orm/pg-core'
import { moment } from './columns.ts'
import { copies } from './handouts.ts'
import { classes, people } from './people.ts'

/** A mail to a student about a copy: sent, or waiting for a mail server. */
export const mails = pgTable(
  'mail',
  {
    id: uuid().primaryKey().defaultRandom(),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id),
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    copyId: uuid('copy_id')
      .notNull()
      .references(() => copies.id),
    about: text().$type<MailAbout>().notNull(),
    /** The round, or the date, that it tells of: of each it is told once. */
    of: text().notNull(),
    address: text().notNull(),
    subject: text().notNull(),
    words: text().notNull(),
    madeAt: moment('made_at').notNull(),
    sentAt: moment('sent_at'),
    tries: integer().notNull().default(0),
    triedAt: moment('tried_at'),
    trouble: text(),
  },
  (table) => [
    unique().on(table.studentId, table.copyId, table.about, table.of),
    index().on(table.classId, table.madeAt),
    index().on(table.madeAt),
  ],
)
