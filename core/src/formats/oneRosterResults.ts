import { strToU8, zipSync } from 'fflate'
import { writeBareCsv } from './csv.ts'

/** What somebody was given for something, in hundredths of a mark. */
export interface ResultsColumn {
  readonly id: string
  readonly title: string
  /** Milliseconds since 1970. */
  readonly at: number
  readonly full: number
}

export interface ResultsOfClass {
  /** What the school's system calls the class and the term. */
  readonly classId: string
  readonly termId: string
  readonly columns: readonly ResultsColumn[]
  readonly students: readonly { readonly id: string; readonly rosterId: string | null }[]
  readonly cells: readonly {
    readonly column: string
    readonly student: string
    readonly given: number
    /** So many questions have no marks yet. */
    readonly left: number
  }[]
  /** Milliseconds since 1970. */
  readonly now: number
}

const day = (at: number) => new Date(at).toISOString().slice(0, 10)

/** The files that a OneRoster package names; all others are said to be absent. */
const FILES = [
  'academicSessions',
  'categories',
  'classes',
  'classResources',
  'courses',
  'courseResources',
  'demographics',
  'enrollments',
  'lineItems',
  'orgs',
  'resources',
  'results',
  'users',
] as const
const SENT = new Set<string>(['categories', 'lineItems', 'results'])
const CATEGORY = 'hand-back-worksheets'

/**
 * Marks as the CSV files of OneRoster 1.1 (1EdTech): categories.csv, lineItems.csv and results.csv with their manifest, in
 * an archive. Students whom the school's list gave no id are left out: there is nobody to say whose the marks are.
 */
export function oneRosterResults({
  classId,
  termId,
  columns,
  students,
  cells,
  now,
}: ResultsOfClass): Uint8Array<ArrayBuffer> {
  const idOf = new Map(students.flatMap(({ id, rosterId }) => (rosterId ? [[id, rosterId] as const] : [])))
  const of = new Map(columns.map((column) => [column.id, column]))
  const files = {
    'manifest.csv': writeBareCsv(
      ['propertyName', 'value'],
      [
        ['manifest.version', '1.0'],
        ['oneroster.version', '1.1'],
        ...FILES.map((file) => [`file.${file}`, SENT.has(file) ? 'bulk' : 'absent']),
        ['source.systemName', 'Hand Back'],
        ['source.systemCode', 'hand-back'],
      ],
    ),
    'categories.csv': writeBareCsv(
      ['sourcedId', 'status', 'dateLastModified', 'title'],
      [[CATEGORY, '', '', 'Worksheets']],
    ),
    'lineItems.csv': writeBareCsv(
      [
        'sourcedId',
        'status',
        'dateLastModified',
        'title',
        'description',
        'assignDate',
        'dueDate',
        'classSourcedId',
        'categorySourcedId',
        'gradingPeriodSourcedId',
        'resultValueMin',
        'resultValueMax',
      ],
      columns.map(({ id, title, at, full }) => [
        id,
        '',
        '',
        title,
        '',
        day(at),
        day(at),
        classId,
        CATEGORY,
        termId,
        '0',
        String(full / 100),
      ]),
    ),
    'results.csv': writeBareCsv(
      [
        'sourcedId',
        'status',
        'dateLastModified',
        'lineItemSourcedId',
        'studentSourcedId',
        'scoreStatus',
        'score',
        'scoreDate',
        'comment',
      ],
      cells.flatMap(({ column, student, given, left }) => {
        const whose = idOf.get(student)
        if (!whose || !of.has(column)) return []
        const status = left > 0 ? 'partially graded' : 'fully graded'
        const score = String(given / 100)
        return [[`${column}_${student}`, '', '', column, whose, status, score, day(now), '']]
      }),
    ),
  }
  return zipSync(
    Object.fromEntries(Object.entries(files).map(([name, text]) => [name, strToU8(text)])),
  ) as Uint8Array<ArrayBuffer>
}
