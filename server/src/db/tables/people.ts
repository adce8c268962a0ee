import type { Group, Habits } from '@hand-back/core'
import { index, integer, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core'
import { moment } from './columns.ts'

/** A teacher or a student. Teachers have a sign-in name (their name, folded) and a password; students a PIN. */
export const people = pgTable('person', {
  id: uuid().primaryKey().defaultRandom(),
  role: text().$type<'teacher' | 'student'>().notNull(),
  name: text().notNull(),
  signInName: text('sign_in_name').unique(),
  /** What the school's own list calls them, where they came from one. */
  rosterId: text('roster_id'),
  /** Where mail to them goes; null: nowhere. */
  mail: text(),
  secretHash: text('secret_hash').notNull(),
  /** Counts what ends all of their sessions: a new PIN or password, leaving the class, signing out everywhere. */
  epoch: integer().notNull().default(0),
})

export const classes = pgTable('class', {
  id: uuid().primaryKey().defaultRandom(),
  name: text().notNull(),
  code: text().notNull().unique(),
  teacherId: uuid('teacher_id')
    .notNull()
    .references(() => people.id),
})

/** Who else teaches a class, with all rights to it and to its hand-outs, beside the teacher who made it. */
export const classTeachers = pgTable(
  'class_teacher',
  {
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id),
  },
  (table) => [primaryKey({ columns: [table.classId, table.teacherId] }), index().on(table.teacherId)],
)

/** A link that lets one colleague in; only its hash is kept. It works once, and for a week. */
export const invitations = pgTable('invitation', {
  tokenHash: text('token_hash').primaryKey(),
  classId: uuid('class_id')
    .notNull()
    .references(() => classes.id),
  madeBy: uuid('made_by')
    .notNull()
    .references(() => people.id),
  madeAt: moment('made_at').notNull(),
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
  madeAt: moment('made_at').notNull().defaultNow(),
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
