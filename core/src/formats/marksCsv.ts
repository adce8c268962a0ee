import { readMarks } from '../marks/sayMarks.ts'
import { readCsv, writeCsv } from './csv.ts'

/** How CSV is written: with commas and decimal points, or with semicolons and decimal commas. */
export type CsvManner = 'comma' | 'semicolon'

/** Marks in a table. All in hundredths of a mark. */
export interface MarksTable {
  readonly columns: readonly { readonly title: string; readonly full: number }[]
  readonly rows: readonly {
    readonly name: string
    /** What the school's list calls the student. */
    readonly id: string | null
    /** One for each column; null: none. */
    readonly given: readonly (number | null)[]
    /** What all of them come to, from 0 to 1, by weights. */
    readonly share?: number | undefined
  }[]
}

const ofFull = /^(.*?)\s*\(of (\d+(?:[.,]\d{1,2})?)\)$/
const TOTAL = 'Total'

/** Marks as CSV: a student a line, and in each column's head its full marks. Marks are decimal numbers. */
export function marksAsCsv({ columns, rows }: MarksTable, manner: CsvManner): string {
  const say = (hundredths: number) => decimal(hundredths / 100, manner)
  const total = rows.some(({ share }) => share !== undefined)
  const head = [
    'Student',
    'Id',
    ...columns.map(({ title, full }) => `${title} (of ${say(full)})`),
    ...(total ? [`${TOTAL} %`] : []),
  ]
  const lines = rows.map(({ name, id, given, share }) => [
    name,
    id ?? '',
    ...given.map((each) => (each === null ? '' : say(each))),
    ...(total ? [share === undefined ? '' : decimal(Math.round(share * 1000) / 10, manner)] : []),
  ])
  return writeCsv(head, lines, manner === 'comma' ? ',' : ';')
}

const decimal = (number: number, manner: CsvManner) =>
  manner === 'comma' ? String(number) : String(number).replace('.', ',')

/** A column of marks that a file has. `full`: where its head says so. */
export interface MarksColumn {
  readonly title: string
  readonly full: number | null
  /** It looks like a sum of the others. */
  readonly isTotal: boolean
}

/** What a file says of somebody; `given`: one for each column, null: nothing. */
export interface MarksRow {
  readonly line: number
  readonly name: string
  readonly id: string | null
  readonly given: readonly (number | null)[]
}

export interface MarksRead {
  readonly columns: readonly MarksColumn[]
  readonly rows: readonly MarksRow[]
  readonly wrong: readonly { readonly line: number; readonly why: string }[]
}

/** A file cannot be used for marks at all; `message` is a sentence. */
export class NoMarks extends Error {}

/** The most rows and columns of a file that are read. */
const MOST_ROWS = 2000
const MOST_COLUMNS = 200

const fold = (head: string) => head.toLowerCase().replace(/[^\p{L}]/gu, '')
const NAMES = new Set(['name', 'student', 'studentname', 'fullname'])
const FIRST = new Set(['firstname', 'givenname', 'forename', 'first'])
const LAST = new Set(['lastname', 'familyname', 'surname', 'last'])
const IDS = new Set(['id', 'studentid', 'sourcedid', 'rosterid', 'identifier'])

/**
 * Reads marks from CSV with a column of names or of ids; every other column that has a number in it is a column of marks.
 * Commas, semicolons and tabs are found out, and both decimal points and commas are understood. What is in such a column
 * and is no number is told by its line. Throws `NoMarks` for a file without names or without numbers.
 */
export function readMarksCsv(bytes: Uint8Array): MarksRead {
  const { columns, rows } = readCsv(bytes)
  const which = (names: ReadonlySet<string>) => columns.find((column) => names.has(fold(column)))
  const [name, first, last, id] = [NAMES, FIRST, LAST, IDS].map(which)
  if (!name && !(first && last) && !id) throw new NoMarks('This file has no column with the students’ names.')
  if (rows.length > MOST_ROWS) throw new NoMarks(`This file has more than ${MOST_ROWS} lines.`)
  const who = new Set([name, first, last, id])
  const numbers = columns.filter(
    (column, at) =>
      column !== '' &&
      !who.has(column) &&
      columns.indexOf(column) === at &&
      rows.some(({ cells }) => cells[column] !== '' && readMarks(cells[column]!) !== undefined),
  )
  if (numbers.length === 0) throw new NoMarks('This file has no column with marks in it.')
  if (numbers.length > MOST_COLUMNS)
    throw new NoMarks(`This file has more than ${MOST_COLUMNS} columns of marks.`)
  const wrong: { line: number; why: string }[] = []
  return {
    columns: numbers.map(columnOf),
    rows: rows.map(({ line, cells }) => ({
      line,
      name: unescaped(name ? cells[name]! : first && last ? `${cells[first]} ${cells[last]}`.trim() : ''),
      id: id ? unescaped(cells[id]!) || null : null,
      given: numbers.map((column) => {
        const cell = cells[column]!
        if (cell === '') return null
        const read = readMarks(cell)
        if (read === undefined) wrong.push({ line, why: `“${cell.slice(0, 40)}” in ${column} is no number.` })
        return read ?? null
      }),
    })),
    wrong,
  }
}

function columnOf(head: string): MarksColumn {
  const found = ofFull.exec(head)
  const title = unescaped(found?.[1] ?? head)
  return {
    title: title || head,
    full: found ? (readMarks(found[2]!) ?? null) : null,
    isTotal: fold(title).startsWith(fold(TOTAL)) || fold(title) === 'sum',
  }
}

/** What stood there before `writeCsv` kept it from becoming a formula. */
const unescaped = (cell: string) => cell.replace(/^'(?=[=+\-@\t\r])/, '')

/** A student as far as lists know one. */
export interface KnownStudent {
  readonly id: string
  readonly name: string
  readonly rosterId: string | null
}

/**
 * Who of the students a row means: whoever the school's list calls so; failing that, the only one of that name, however its
 * capitals are written; failing that, however its accents are.
 */
export function studentOfRow<S extends KnownStudent>(
  { id, name }: Pick<MarksRow, 'id' | 'name'>,
  students: readonly S[],
): S | undefined {
  const byId = id === null ? undefined : students.find(({ rosterId }) => rosterId === id)
  return byId ?? onlyOne(name, students, small) ?? onlyOne(name, students, bare)
}

function onlyOne<S extends KnownStudent>(
  name: string,
  students: readonly S[],
  as: (name: string) => string,
): S | undefined {
  const same = students.filter((student) => as(student.name) === as(name))
  return same.length === 1 ? same[0] : undefined
}

const small = (name: string) => name.trim().replace(/\s+/g, ' ').toLowerCase()
const bare = (name: string) => small(name).normalize('NFD').replace(/\p{M}/gu, '')
