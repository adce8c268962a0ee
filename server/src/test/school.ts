import { randomUUID } from 'node:crypto'
import type {
  ClassCard,
  ClassWhole,
  CopyWhole,
  HandoutWhole,
  HandoutWish,
  NewHandout,
  Person,
  PrintedItem,
  StudentWithPin,
  WorksheetWhole,
} from '@hand-back/core'
import pg from 'pg'
import pino, { type Logger } from 'pino'
import { type Connection, connect } from '../db/connect.ts'
import { hashSecret, makeTeacher } from '../people/index.ts'
import { type RunningServer, startServer } from '../start.ts'
import { makePdf } from './makePdf.ts'
import { until } from './until.ts'
import { Visitor } from './visitor.ts'

/** A school of its own database and server for one test file. */
export interface School {
  readonly server: RunningServer
  readonly databaseUrl: string
  /** A visitor who is nobody yet. */
  visitor(): Visitor
  teacher(name?: string): Promise<Visitor>
  /** Another server process's worth of server on the same database. */
  secondServer(): Promise<RunningServer>
  close(): Promise<void>
}

const PASSWORD = 'salt-marsh-and-mud'

/** Makes an empty school on the cluster that TEST_CLUSTER names. */
export async function openSchool(
  settings: { demo?: boolean; setupCode?: string; log?: Logger; picturesRest?: number } = {},
): Promise<School> {
  const cluster = process.env.TEST_CLUSTER
  if (!cluster) throw new Error('TEST_CLUSTER must name a throw-away cluster; `npm test` starts one')
  const name = `test_${randomUUID().replaceAll('-', '')}`
  const admin = new pg.Client(`${cluster}/postgres`)
  await admin.connect()
  await admin.query(`CREATE DATABASE "${name}"`)
  const databaseUrl = `${cluster}/${name}`
  const start = () =>
    startServer({
      databaseUrl,
      port: 0,
      host: '127.0.0.1',
      secret: 'only for tests',
      demo: settings.demo ?? false,
      // What is made beside would be counted by tests that count rows.
      picturesRest: settings.picturesRest,
      setupCode: settings.setupCode,
      webRoot: '/nowhere',
      log: settings.log ?? pino({ level: process.env.LOG_LEVEL ?? 'silent' }),
    })
  const servers = [await start()]
  const visitors: Visitor[] = []
  const visitor = () => {
    const made = new Visitor(servers[0]!.url)
    visitors.push(made)
    return made
  }
  return {
    server: servers[0]!,
    databaseUrl,
    visitor,
    async teacher(name = `Teacher ${randomUUID().slice(0, 8)}`) {
      await makeTeacher(servers[0]!.context.db, name, await hashSecret(PASSWORD))
      const made = visitor()
      await made.post('/sign-in/teacher', { name, password: PASSWORD })
      return made
    },
    async secondServer() {
      const server = await start()
      servers.push(server)
      return server
    },
    async close() {
      for (const made of visitors) made.leave()
      for (const server of servers) await server.stop()
      await drop(admin, name)
      await admin.end()
    },
  }
}

/** PostgreSQL itself may look after a database just when it is dropped (autovacuum), and lets nobody end that: soon it is over. */
async function drop(admin: pg.Client, name: string): Promise<void> {
  await until(() =>
    admin.query(`DROP DATABASE "${name}" WITH (FORCE)`).then(
      () => true,
      (error: { code?: string }) => {
        if (error.code === INSUFFICIENT_PRIVILEGE) return false
        throw error
      },
    ),
  )
}
const INSUFFICIENT_PRIVILEGE = '42501'

/** A class with students who are signed in, and a worksheet handed out to all of them. */
export interface Lesson {
  readonly teacher: Visitor
  readonly class: ClassWhole
  readonly students: { visitor: Visitor; person: Person; pin: string; copy: string }[]
  readonly worksheet: WorksheetWhole
  readonly handout: HandoutWhole
}

/** A hand-out of a worksheet to a class, as a device asks for it. */
export function giving(
  worksheet: string,
  classId: string,
  wish: Partial<HandoutWish> = {},
  rest: Partial<NewHandout> = {},
): NewHandout {
  return {
    request: randomUUID(),
    worksheet,
    classes: [{ class: classId, way: 'own', ...wish }],
    opensAt: null,
    dueAt: null,
    directions: '',
    spoken: null,
    counts: true,
    ...rest,
  }
}

/** Hands out; the ids of the hand-outs, one for each class. */
export async function giveOut(teacher: Visitor, asked: NewHandout): Promise<string[]> {
  return (await teacher.post<{ handouts: string[] }>('/handouts', asked)).handouts
}

/** A class with its students, and a worksheet that is ready to be handed out to them. */
export interface ReadyClass {
  readonly teacher: Visitor
  readonly classId: string
  readonly students: readonly StudentWithPin[]
  readonly worksheet: WorksheetWhole
  /** A student of the class in a browser of their own. */
  signIn(student: string, pin?: string): Promise<Visitor>
}

/** Makes a class and a worksheet of one page; with `sets`, one more page for each, and an item for the first. */
export async function readyClass(
  school: School,
  count: number,
  { sets = [] }: { sets?: readonly string[] } = {},
): Promise<ReadyClass> {
  const teacher = await school.teacher()
  const { id: classId, code } = await teacher.post<ClassCard>('/classes', { name: 'Dunlin' })
  const names = Array.from({ length: count }, (_, index) => `Student ${String(index + 1).padStart(3, '0')}`)
  const students =
    count === 0 ? [] : await teacher.post<StudentWithPin[]>(`/classes/${classId}/students`, { names })
  const made = await teacher.upload<WorksheetWhole>('/worksheets', 'Ebb.pdf', await makePdf())
  const worksheet = sets.length === 0 ? made : await withSets(teacher, made, sets)
  return {
    teacher,
    classId,
    students,
    worksheet,
    async signIn(student, pin = students.find(({ id }) => id === student)?.pin) {
      const visitor = school.visitor()
      await visitor.post<Person>('/sign-in/student', { code, student, pin })
      return visitor
    },
  }
}

async function withSets(
  teacher: Visitor,
  made: WorksheetWhole,
  names: readonly string[],
): Promise<WorksheetWhole> {
  const sets = names.map((name) => ({ id: randomUUID(), name }))
  const [first] = made.sheet.pages
  const note: PrintedItem = {
    id: randomUUID(),
    kind: 'direction',
    text: `only for ${names[0]}`,
    size: 12,
    tone: 'slate',
    x: 10,
    y: 10,
    width: 200,
    height: 20,
    sets: [sets[0]!.id],
  }
  const pages = [
    { ...first!, printed: [note] },
    ...sets.map(({ id }) => ({ ...first!, id: randomUUID(), printed: [], sets: [id] })),
  ]
  await teacher.put(`/worksheets/${made.id}/sheet`, {
    revision: made.revision,
    order: pages.map(({ id }) => id),
    pages,
    sets,
  })
  return teacher.get<WorksheetWhole>(`/worksheets/${made.id}`)
}

/** Everything up to a hand-out, through the server's own routes. */
export async function startLesson(school: School, studentCount = 2, pdf?: Uint8Array): Promise<Lesson> {
  const teacher = await school.teacher()
  const card = await teacher.post<ClassCard>('/classes', { name: 'Curlew' })
  const names = Array.from(
    { length: studentCount },
    (_, index) => `Student ${String(index + 1).padStart(3, '0')}`,
  )
  const made = await teacher.post<StudentWithPin[]>(`/classes/${card.id}/students`, { names })
  const worksheet = await teacher.upload<WorksheetWhole>(
    '/worksheets',
    'Reading a tide table.pdf',
    pdf ?? (await makePdf()),
  )
  const [id] = await giveOut(
    teacher,
    giving(worksheet.id, card.id, {}, { directions: 'Look at the table first.' }),
  )
  const handout = await teacher.get<HandoutWhole>(`/handouts/${id}`)
  const students = await Promise.all(
    made.map(async ({ id: student, pin }) => {
      const visitor = school.visitor()
      const person = await visitor.post<Person>('/sign-in/student', { code: card.code, student, pin })
      const copy = handout.copies.find((row) => row.students[0]!.id === student)!.id
      return { visitor, person, pin, copy }
    }),
  )
  const whole = await teacher.get<ClassWhole>(`/classes/${card.id}`)
  return { teacher, class: whole, students, worksheet, handout }
}

/** The first page of a copy, as its student is told. */
export async function firstPageOf(visitor: Visitor, copy: string): Promise<string> {
  return (await visitor.get<CopyWhole>(`/copies/${copy}`)).pages[0]!.id
}

/** A connection to a school's database, for looking behind the server. */
export function behind(school: School): Connection {
  return connect(school.databaseUrl, () => {}, 2)
}
