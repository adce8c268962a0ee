import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import {
  floorOf,
  type HandoutWish,
  type Heard,
  type Layer,
  laidRemark,
  markFor,
  type PageEvent,
  type Person,
  type Question,
  type Remark,
  type Rubric,
  type Talk,
  type WorksheetPage,
} from '@hand-back/core'
import type { Hand } from '@hand-back/core/test/handwriting.ts'
import { seeded } from '@hand-back/core/test/seeded.ts'
import {
  addStudentsTo,
  bringIn,
  bringUpToDate,
  type Connection,
  type Context,
  connect,
  handOut,
  hashSecret,
  Keeper,
  makeAhead,
  makeClass,
  makeFromFiles,
  makeTeacher,
  type Step,
  storeFile,
  tables,
  takeStep,
} from '@hand-back/server'
import { eq } from 'drizzle-orm'
import { PROJECT } from '../setup/project.ts'
import { quietContext } from '../setup/quietContext.ts'
import {
  bearingAnswers,
  bearingFeedback,
  crabLabels,
  knotAnswers,
  knotFeedback,
  type PageInk,
  placeOn,
  tideAnswers,
  tideFeedback,
} from './answers.ts'
import { curvesSheet, type Played } from './curves.ts'
import { seededId, studentsHand, teachersHand } from './hands.ts'
import { furnishMail } from './mail.ts'
import { bearingMarks, furnishElsewhere, pick } from './marks.ts'
import { CLASS_NAME, STUDENTS, TEACHER } from './people.ts'
import { prepared } from './prepared.ts'
import { demoRemarks } from './remarks.ts'
import { aboutAll, demoRubric } from './rubric.ts'

const MADE = join(PROJECT, 'tools/src/demo/worksheets/made')
const RECORDINGS = join(PROJECT, 'tools/src/demo/recordings')
const UNIT = 'Tides and harbours'
const HOUR = 60 * 60 * 1000
const SOUND_SECONDS = [11.5, 9.8, 11]
/** What a device hears in them (`listenTo`). */
const HEARD: readonly Heard[] = JSON.parse(readFileSync(join(RECORDINGS, 'heard.json'), 'utf8'))

/** Fills an empty database with Saltmarsh School; leaves one that is not empty alone. */
export async function furnish(databaseUrl: string): Promise<void> {
  const connection = connect(databaseUrl, () => {})
  try {
    await bringUpToDate(connection)
    const there = await connection.db.select({ id: tables.people.id }).from(tables.people).limit(1)
    if (there.length > 0) return
    console.log('Furnishing the demo: a class of 24, six worksheets, copies in every state …')
    await new School(connection).fill()
  } finally {
    await connection.close()
  }
}

/** The worksheet on which students say how they do it: it is looked at as a whole. */
const TOLD = 'Tie it, tell it'

class School {
  readonly #context: Context
  readonly #keeper: Keeper
  readonly #random = seeded(20_261)
  readonly #now = Date.now()
  #clock = this.#now
  #rubric!: Rubric
  #remarks: readonly Remark[] = []
  #teacher!: Person
  #classId = ''
  #students: Person[] = []
  /** What stands on each page of each copy, by their ids. */
  readonly #written = new Map<string, string[]>()

  constructor(connection: Connection) {
    this.#context = quietContext(connection, () => this.#clock)
    this.#keeper = new Keeper(this.#context)
  }

  async fill(): Promise<void> {
    const { db } = this.#context
    this.#teacher = await makeTeacher(db, TEACHER.name, await hashSecret(TEACHER.password))
    this.#classId = (await makeClass(db, this.#teacher.id, CLASS_NAME)).id
    const made = await addStudentsTo(db, this.#teacher.id, this.#classId, STUDENTS)
    this.#students = made.map(({ id, name }) => ({ id, name, role: 'student' }))
    const teacherId = this.#teacher.id
    this.#rubric = demoRubric(() => this.#makeId())
    await db.insert(tables.rubrics).values({ id: this.#makeId(), teacherId, rubric: this.#rubric })
    this.#remarks = demoRemarks(UNIT, () => this.#makeId())
    await db.insert(tables.remarks).values(this.#remarks.map((remark) => ({ ...remark, teacherId })))
    await this.#worksheet('A harbour letter')
    await makeFromFiles(db, this.#teacher.id, {
      title: 'Curves of the tide',
      unit: UNIT,
      sheet: curvesSheet(this.#teachersHand(), () => this.#makeId(), await this.#played()),
    })
    await this.#crabGroups()
    await this.#knot()
    await this.#bearings()
    await this.#tideTable()
    await furnishMail(this.#context, this.#students)
    const [classId, students, now] = [this.#classId, this.#students, this.#now]
    await furnishElsewhere(this.#context, { classId, students, now, unit: UNIT, makeId: this.#makeId })
  }

  /** Six boats of four share a copy each; the first three have begun, everybody in their own hand. */
  async #crabGroups(): Promise<void> {
    const groups = Array.from({ length: 6 }, (_, boat) => ({
      id: this.#makeId(),
      name: `Boat ${boat + 1}`,
      students: this.#students.slice(boat * 4, boat * 4 + 4).map(({ id }) => id),
    }))
    const { db } = this.#context
    await db.insert(tables.groupings).values({ classId: this.#classId, name: 'Boats', groups })
    // They do not sit in the order of their names.
    const seated = this.#students.map((_student, at) => this.#students[(at * 7) % this.#students.length]!.id)
    const plan = floorOf('pairs', seated, () => this.#makeId())
    await db.insert(tables.seatingPlans).values({ classId: this.#classId, teacherId: this.#teacher.id, plan })
    const { pages, copies } = await this.#give(
      'Parts of a shore crab',
      -3,
      30,
      'Each labels two parts. Look at a real crab first, if you can.',
      { way: 'group', groups },
    )
    for (const [index, copy] of copies.entries()) {
      if (index >= 12) continue
      this.#clock = this.#now - (2 - index * 0.1) * HOUR
      await this.#step(copy, 'open')
      await this.#ink(copy, pages, 'work', crabLabels(this.#handOf(index), index % 4))
    }
  }

  /** Nine handed in (two of them written on already), eleven at work, four not opened. */
  async #tideTable(): Promise<void> {
    const { pages, questions, copies } = await this.#give(
      'Reading a tide table',
      -20,
      4,
      'Use the table for everything. Pencil thinking is welcome: write beside it.',
    )
    for (const [index, copy] of copies.entries()) {
      if (index >= 20) continue
      const hand = this.#handOf(index)
      const done = index < 9 ? 1 : [0.1, 0.3, 0.4, 0.5, 0.6, 0.6, 0.8, 0.8, 0.9, 0.4, 0.2][index - 9]!
      this.#clock = this.#now - (19 - index * 0.7) * HOUR
      await this.#step(copy, 'open')
      await this.#ink(copy, pages, 'work', tideAnswers(hand, done, index % 4 === 2, Math.floor(index / 4)))
      if (index >= 9) continue
      this.#clock = this.#now - (6 - index * 0.5) * HOUR
      await this.#step(copy, 'handIn')
      if (index >= 2) continue
      await this.#ink(copy, pages, 'feedback', tideFeedback(this.#teachersHand(), index % 4 === 2))
      const given = index === 0 ? [2, 3.5, 4, 3, 2, 4, 2.5, 4] : [2, 3]
      await this.#marks(copy, pages, questions, given)
    }
  }

  /** Seventeen handed back, five on another go, two handed in again. */
  async #bearings(): Promise<void> {
    const { pages, questions, copies } = await this.#give(
      'Bearings across the bay',
      -100,
      50,
      'You need a ruler and a protractor.',
    )
    for (const [index, copy] of copies.entries()) {
      const hand = this.#handOf(index)
      const good = index < 17 && index % 3 !== 0
      this.#clock = this.#now - (90 - index) * HOUR
      await this.#step(copy, 'open')
      await this.#ink(copy, pages, 'work', bearingAnswers(hand, good))
      await this.#step(copy, 'handIn')
      this.#clock = this.#now - 48 * HOUR
      await this.#ink(copy, pages, 'feedback', bearingFeedback(this.#teachersHand(), good))
      await this.#marks(copy, pages, questions, bearingMarks(good, index))
      if (!good) await this.#remark(copy, pages[0]!, pick(['from north', 'say how you know'], index))
      await this.#step(copy, index < 17 ? 'handBack' : 'anotherGo')
      if (index < 22) continue
      this.#clock = this.#now - (10 - (index - 21)) * HOUR
      await this.#takeWork(copy, pages[0]!)
      await this.#ink(copy, pages, 'work', bearingAnswers(hand, true))
      await this.#step(copy, 'handIn')
    }
  }

  /** All handed back; all explained it aloud while they drew. */
  async #knot(): Promise<void> {
    const { pages, copies } = await this.#give(TOLD, -170, null, '')
    for (const [index, copy] of copies.entries()) {
      this.#clock = this.#now - (165 - index) * HOUR
      await this.#step(copy, 'open')
      const told = index % SOUND_SECONDS.length
      const took = SOUND_SECONDS[told]! * 1000
      await this.#ink(copy, pages, 'work', knotAnswers(this.#handOf(index)), took)
      await this.#speak(copy, pages[0]!, told)
      await this.#step(copy, 'handIn')
      this.#clock = this.#now - 120 * HOUR
      await this.#ink(copy, pages, 'feedback', knotFeedback(this.#teachersHand()))
      const about = { page: pages[0]!.id, layer: 'feedback', madeAt: this.#clock, act: 'add' } as const
      const items = aboutAll(this.#rubric, copy.id, index)
      await this.#keeper.keep(this.#teacher, copy.id, [{ id: this.#makeId(), ...about, items }])
      await this.#step(copy, 'handBack')
    }
  }

  async #worksheet(
    name: string,
  ): Promise<{ id: string; pages: readonly WorksheetPage[]; questions: readonly Question[] }> {
    const { db } = this.#context
    const { title, pages } = await bringIn(
      db,
      this.#teacher.id,
      `${name}.pdf`,
      Readable.from(readFileSync(join(MADE, `${name}.pdf`))),
    )
    const sheet = prepared(title, pages, () => this.#makeId())
    const made = { title, unit: UNIT, sheet }
    const { id } = await makeFromFiles(db, this.#teacher.id, made)
    return { id, pages: sheet.pages, questions: sheet.questions }
  }

  /** Hands a worksheet out to the whole class; hours count from now. */
  async #give(
    name: string,
    outHours: number,
    dueHours: number | null,
    directions: string,
    wish: HandoutWish = { way: 'own' },
  ) {
    const { db } = this.#context
    const { id: worksheet, pages, questions } = await this.#worksheet(name)
    // Due at three in the afternoon, as school days end.
    const dueAt = dueHours === null ? null : new Date(this.#now + dueHours * HOUR).setHours(15, 0, 0, 0)
    const { handouts } = await handOut(db, this.#teacher.id, {
      request: this.#makeId(),
      worksheet,
      classes: [{ class: this.#classId, ...wish }],
      opensAt: null,
      dueAt,
      directions,
      spoken: null,
      counts: true,
      rubric: name === TOLD ? this.#rubric : null,
    })
    const id = handouts[0]!
    await makeAhead(this.#context, this.#teacher.id, handouts)
    await db
      .update(tables.handouts)
      .set({ handedOutAt: new Date(this.#now + outHours * HOUR) })
      .where(eq(tables.handouts.id, id))
    const rows = await db.select().from(tables.copyMembers).where(eq(tables.copyMembers.handoutId, id))
    const copies = this.#students.map((student) => ({
      student,
      id: rows.find((row) => row.studentId === student.id)!.copyId,
    }))
    return { pages, questions, copies }
  }

  async #step(copy: { id: string; student: Person }, step: Step): Promise<void> {
    const who = step === 'handBack' || step === 'anotherGo' ? this.#teacher : copy.student
    await takeStep(this.#context, who, copy.id, step)
  }

  async #ink(
    copy: { id: string; student: Person },
    pages: readonly WorksheetPage[],
    layer: Layer,
    ink: PageInk,
    /** How long it took, in milliseconds; left out: as the student is used to. */
    took?: number,
  ): Promise<void> {
    const drawn = [...ink].flatMap(([number, strokes]) => strokes.map((stroke) => ({ number, stroke })))
    // Some write faster than others; the last stroke was made just now.
    const pace = took ? took / (drawn.length + 1) : (3 + (this.#students.indexOf(copy.student) % 5)) * 1000
    const events = drawn.map(
      ({ number, stroke }, index): PageEvent => ({
        id: this.#makeId(),
        page: pages[number]!.id,
        layer,
        madeAt: Math.round(this.#clock - (drawn.length - 1 - index) * pace),
        act: 'add',
        items: [stroke],
      }),
    )
    await this.#keeper.keep(layer === 'work' ? copy.student : this.#teacher, copy.id, events)
    for (const [number, strokes] of ink) {
      if (layer === 'work')
        this.#written.set(
          `${copy.id} ${pages[number]!.id}`,
          strokes.map(({ id }) => id),
        )
    }
  }

  /** Marks for the first questions of a copy. */
  async #marks(
    copy: { id: string },
    pages: readonly WorksheetPage[],
    questions: readonly Question[],
    given: readonly number[],
  ): Promise<void> {
    const events = given.flatMap((marks, index): PageEvent[] => {
      const made = markFor(copy.id, 1, questions[index]!, pages, marks * 100, questions)
      if (!made) return []
      const id = this.#makeId()
      return [{ id, page: made.page, layer: 'feedback', madeAt: this.#clock, act: 'add', items: [made.mark] }]
    })
    await this.#keeper.keep(this.#teacher, copy.id, events)
  }

  /** A remark that is kept, at the foot of a page. */
  async #remark(copy: { id: string }, page: WorksheetPage, name: string): Promise<void> {
    const remark = this.#remarks.find((each) => each.name === name)!
    const items = laidRemark(remark, { x: page.width - 240, y: page.height - 90 }, page, () => this.#makeId())
    const about = { page: page.id, layer: 'feedback', madeAt: this.#clock, act: 'add' } as const
    await this.#keeper.keep(this.#teacher, copy.id, [{ id: this.#makeId(), ...about, items }])
  }

  /** On another go the first answers on a page are rubbed out. */
  async #takeWork(copy: { id: string; student: Person }, page: WorksheetPage): Promise<void> {
    const items = this.#written.get(`${copy.id} ${page.id}`) ?? []
    const event = {
      id: this.#makeId(),
      page: page.id,
      layer: 'work' as const,
      madeAt: this.#clock,
      act: 'take' as const,
      items,
    }
    await this.#keeper.keep(copy.student, copy.id, [event])
  }

  /** Stores one of the recordings; returns its name. */
  async #recorded(name: string): Promise<string> {
    const bytes = Readable.from(readFileSync(join(RECORDINGS, name)))
    return (await storeFile(this.#context.db, bytes, 1_000_000)).sha256
  }

  /** What is played on a worksheet. */
  async #played(): Promise<Played> {
    const [voice, file, still] = [
      await this.#recorded('knot-2.webm'),
      await this.#recorded('tide.webm'),
      await this.#recorded('tide.jpg'),
    ]
    return {
      voice: { file: voice, seconds: SOUND_SECONDS[1]!, heard: HEARD[1] },
      film: { file, still, seconds: 4.87 },
    }
  }

  async #speak(copy: { id: string; student: Person }, page: WorksheetPage, index: number): Promise<void> {
    const { db } = this.#context
    const recording = this.#makeId()
    const file = await this.#recorded(`knot-${index + 1}.webm`)
    await db
      .insert(tables.attachments)
      .values({ id: recording, copyId: copy.id, authorId: copy.student.id, file })
    const { x, y } = placeOn('Tie it, tell it', 'telling')
    const note = {
      id: this.#makeId(),
      kind: 'voice' as const,
      x: x + 12,
      y: y + 20,
      recording,
      seconds: SOUND_SECONDS[index]!,
      heard: HEARD[index]!,
      talk: { clock: [[0, this.#clock - SOUND_SECONDS[index]! * 1000]], turns: [[0, page.id]] } as Talk,
    }
    await this.#keeper.keep(copy.student, copy.id, [
      { id: this.#makeId(), page: page.id, layer: 'work', madeAt: this.#clock, act: 'add', items: [note] },
    ])
  }

  #handOf(index: number): Hand {
    return studentsHand(index, this.#makeId)
  }

  #teachersHand(): Hand {
    return teachersHand(this.#random, this.#makeId)
  }

  readonly #makeId = () => seededId(this.#random)
}
