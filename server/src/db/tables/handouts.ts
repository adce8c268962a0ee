import {
  type CopyState,
  type Deal,
  type GoWish,
  type Heaps,
  type Lesson,
  type PagePart,
  type Rubric,
  type SeatingPlan,
  USUAL_FILM_SECONDS,
  USUAL_VOICE_SECONDS,
  type Way,
} from '@hand-back/core'
import { sql } from 'drizzle-orm'
import {
  bigint,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import { moment } from './columns.ts'
import { classes, people } from './people.ts'
import { files, worksheetVersions } from './worksheets.ts'

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
    /** Only these pages of the worksheet went out. */
    only: jsonb().$type<string[]>(),
    directions: text().notNull(),
    spoken: uuid().references(() => spokenDirections.id),
    spokenSeconds: doublePrecision('spoken_seconds'),
    counts: boolean().notNull().default(true),
    /** How much it weighs among the marks of its class, in hundredths. */
    weight: integer().notNull().default(100),
    /** What is looked for in the whole of each copy. */
    rubric: jsonb().$type<Rubric>(),
    /** In shared copies everybody may rub out and move what others made. */
    touchAll: boolean('touch_all').notNull().default(false),
    /** Things are said at places of its copies (core, layer `pins`). */
    pins: boolean().notNull().default(true),
    /** How long one may speak at once on its copies, in seconds. */
    longestVoice: integer('longest_voice').notNull().default(USUAL_VOICE_SECONDS),
    /** How long one may film at once on its copies, in seconds; 0: not at all. */
    longestFilm: integer('longest_film').notNull().default(USUAL_FILM_SECONDS),
    opensAt: moment('opens_at'),
    dueAt: moment('due_at'),
    handedOutAt: moment('handed_out_at').notNull().defaultNow(),
    withdrawnAt: moment('withdrawn_at'),
    /** Its teacher sees no names with its copies for now, to mark fairly. */
    namesHidden: boolean('names_hidden').notNull().default(false),
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
    /** The teacher said that this round is reviewed, or is not; null: neither. */
    reviewed: boolean(),
    /** The questions that this go is for; null: everything. */
    goFor: jsonb('go_for').$type<readonly string[]>(),
    /** It goes back by itself at this moment, in this way. */
    handsBackAt: moment('hands_back_at'),
    handsBackFor: jsonb('hands_back_for').$type<GoWish>(),
    handsBackMarks: boolean('hands_back_marks').notNull().default(true),
    /** The rounds that went back without their marks. */
    withoutMarks: jsonb('without_marks').$type<readonly number[]>().notNull().default([]),
    /** Where it stood before it was handed back, until it is read. */
    stateBefore: text('state_before').$type<CopyState>(),
    workSeq: integer('work_seq').notNull().default(0),
    helpSeq: integer('help_seq').notNull().default(0),
    feedbackSeq: integer('feedback_seq').notNull().default(0),
    pinsSeq: integer('pins_seq').notNull().default(0),
    handedInAt: moment('handed_in_at'),
    handedBackAt: moment('handed_back_at'),
    /** A date of its own; null: that of the hand-out. */
    dueAt: moment('due_at'),
    withdrawnAt: moment('withdrawn_at'),
    /** Parts of its pages that were given to some who share it. */
    parts: jsonb().$type<readonly PagePart[]>().notNull().default([]),
    /** What its log and its attachments take. */
    bytes: bigint({ mode: 'number' }).notNull().default(0),
  },
  (table) => [
    index().on(table.handoutId),
    index().on(table.handedBackAt),
    index().on(table.handsBackAt).where(sql`hands_back_at IS NOT NULL`),
  ],
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
    /** When it was given to them; null: before anybody asked. */
    givenAt: moment('given_at').defaultNow(),
    /** When they first opened it; null: it is new to them. */
    openedAt: moment('opened_at'),
    leftAt: moment('left_at'),
    /** How far the work on it had come when they closed a shared copy last; null: they never did. */
    readSeq: integer('read_seq'),
  },
  (table) => [
    primaryKey({ columns: [table.copyId, table.studentId] }),
    // Nobody has two copies of one hand-out at once.
    uniqueIndex().on(table.handoutId, table.studentId).where(sql`left_at IS NULL`),
    index().on(table.studentId),
    index().on(table.givenAt),
  ],
)

/** Somebody asks for the teacher, in a copy. */
export const handsUp = pgTable(
  'hand_up',
  {
    copyId: uuid('copy_id')
      .notNull()
      .references(() => copies.id, { onDelete: 'cascade' }),
    studentId: uuid('student_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [primaryKey({ columns: [table.copyId, table.studentId] })],
)

/** Where a class sits, as one of its teachers sees it. */
export const seatingPlans = pgTable(
  'seating_plan',
  {
    classId: uuid('class_id')
      .notNull()
      .references(() => classes.id, { onDelete: 'cascade' }),
    teacherId: uuid('teacher_id')
      .notNull()
      .references(() => people.id, { onDelete: 'cascade' }),
    plan: jsonb().$type<SeatingPlan>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.classId, table.teacherId] })],
)

/** What was said to a class that works on a hand-out. */
export const lessons = pgTable('lesson', {
  handoutId: uuid('handout_id')
    .primaryKey()
    .references(() => handouts.id, { onDelete: 'cascade' }),
  said: jsonb().$type<Lesson>().notNull(),
})

/** The heaps that the answers to a question of a hand-out lie in. */
export const questionHeaps = pgTable(
  'question_heaps',
  {
    handoutId: uuid('handout_id')
      .notNull()
      .references(() => handouts.id, { onDelete: 'cascade' }),
    questionId: uuid('question_id').notNull(),
    heaps: jsonb().$type<Heaps>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.handoutId, table.questionId] })],
)
