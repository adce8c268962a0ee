import { unzipSync } from 'fflate'
import { personName } from '../contract/door.ts'
import { mailAddress } from '../contract/mail.ts'
import { type CsvTable, readCsv } from './csv.ts'

/** Somebody on a list that a school has. `rosterId`: what the list calls them, where it does. */
export interface Listed {
  readonly rosterId: string | null
  readonly name: string
  /** Where mail to them goes, where the list says so. */
  readonly mail: string | null
}

/** A row that cannot be used, and why. */
export interface WrongRow {
  readonly line: number
  readonly why: string
}

export interface Roster {
  /** The classes that the list names, with who is in them; one without a name where it names none. */
  readonly classes: readonly { readonly name: string | null; readonly students: readonly Listed[] }[]
  readonly wrong: readonly WrongRow[]
}

/** A file cannot be used at all; `message` is a sentence. */
export class NotARoster extends Error {}

/** The most students of one list, and the most bytes of a file in an archive. */
const MOST_STUDENTS = 600
const MOST_BYTES = 20 * 1024 * 1024

/**
 * Reads a list of students: a CSV with a column of names (or first and last names, with an id if there is
 * one), or the CSV files of OneRoster 1.2 (1EdTech), one by one or in an archive. Throws `NotARoster`.
 */
export function readRoster(files: readonly { readonly name: string; readonly bytes: Uint8Array }[]): Roster {
  const tables = new Map<string, Uint8Array>()
  for (const { name, bytes } of files) {
    if (bytes[0] === 0x50 && bytes[1] === 0x4b)
      for (const [inside, of] of unpacked(bytes)) tables.set(inside, of)
    else tables.set(fileName(name), bytes)
  }
  if (tables.has('users.csv')) return readOneRoster(tables)
  const [first] = tables.values()
  if (tables.size !== 1 || !first)
    throw new NotARoster('Choose one list, or the files of one OneRoster export.')
  return readList(readCsv(first))
}

const fileName = (path: string) => path.split('/').at(-1)!.toLowerCase()

function unpacked(bytes: Uint8Array): [string, Uint8Array][] {
  try {
    const files = unzipSync(bytes, {
      filter: ({ name, originalSize }) => name.endsWith('.csv') && originalSize <= MOST_BYTES,
    })
    return Object.entries(files).map(([name, of]) => [fileName(name), of])
  } catch {
    throw new NotARoster('This archive cannot be opened.')
  }
}

const fold = (column: string) => column.toLowerCase().replace(/[^\p{L}]/gu, '')
const NAMES = ['name', 'student', 'studentname', 'fullname']
const FIRST = ['firstname', 'givenname', 'forename', 'first']
const LAST = ['lastname', 'familyname', 'surname', 'last']
const MAIL = ['mail', 'email', 'emailaddress', 'mailaddress']
const IDS = ['id', 'studentid', 'sourcedid', 'rosterid', 'identifier', 'number']

function readList({ columns, rows }: CsvTable): Roster {
  const find = (names: readonly string[]) => columns.find((column) => names.includes(fold(column)))
  const [name, first, last, id, mail] = [NAMES, FIRST, LAST, IDS, MAIL].map(find)
  if (!name && !(first && last)) {
    const named = columns.filter(Boolean).slice(0, 6).join(', ')
    throw new NotARoster(
      `This list has no column “name”, nor “first name” and “last name”. Its columns are: ${named || 'none'}.`,
    )
  }
  const nameOf = (cells: Readonly<Record<string, string>>) =>
    name ? cells[name]! : `${cells[first!]} ${cells[last!]}`.trim()
  const { students, wrong } = checked(
    rows.map(({ line, cells }) => ({
      line,
      name: nameOf(cells),
      rosterId: id ? cells[id]! || null : null,
      mail: mail ? cells[mail]! || null : null,
    })),
  )
  return { classes: [{ name: null, students }], wrong }
}

interface Row extends Listed {
  readonly line: number
}

/** The rows that can be used; the others with the reason. */
function checked(rows: readonly Row[]): { students: Listed[]; wrong: WrongRow[] } {
  if (rows.length > MOST_STUDENTS)
    throw new NotARoster(
      `This list has ${rows.length.toLocaleString('en')} rows. A class takes at most ${MOST_STUDENTS} students.`,
    )
  const students: Listed[] = []
  const wrong: WrongRow[] = []
  const seen = new Map<string, number>()
  for (const { line, name, rosterId, mail } of rows) {
    const address = mail === null ? null : mailAddress.safeParse(mail)
    const good = personName.safeParse(name)
    const key = rosterId ?? `name ${name.toLowerCase()}`
    const before = seen.get(key)
    if (!good.success)
      wrong.push({ line, why: name === '' ? 'The name is missing.' : good.error.issues[0]!.message })
    else if (before !== undefined) wrong.push({ line, why: `The same student as in line ${before}.` })
    else {
      seen.set(key, line)
      if (address?.success === false)
        wrong.push({ line, why: `${name}: “${mail}” is no mail address, and is left out.` })
      students.push({ rosterId, name: good.data, mail: address?.data ?? null })
    }
  }
  return { students, wrong }
}

const ended = (status: string | undefined) => status?.toLowerCase() === 'tobedeleted'

function readOneRoster(files: ReadonlyMap<string, Uint8Array>): Roster {
  const table = (name: string, needed: readonly string[]) => {
    const bytes = files.get(name)
    if (!bytes) throw new NotARoster(`The file ${name} of the OneRoster export is missing.`)
    const read = readCsv(bytes)
    const missing = needed.filter((column) => !read.columns.includes(column))
    if (missing.length > 0) throw new NotARoster(`The file ${name} has no column ${missing.join(', ')}.`)
    return read.rows
  }
  const users = new Map<string, Row>()
  const wrong: WrongRow[] = []
  for (const { line, cells } of table('users.csv', ['sourcedId', 'givenName', 'familyName'])) {
    if (ended(cells.status) || cells.enabledUser === 'false') continue
    const given = cells.preferredGivenName || cells.givenName
    const family = cells.preferredFamilyName || cells.familyName
    const mail = cells.email || null
    users.set(cells.sourcedId!, { line, rosterId: cells.sourcedId!, name: `${given} ${family}`.trim(), mail })
  }
  const inClass = new Map<string, Row[]>()
  for (const { line, cells } of table('enrollments.csv', ['classSourcedId', 'userSourcedId', 'role'])) {
    if (cells.role !== 'student' || ended(cells.status)) continue
    const user = users.get(cells.userSourcedId!)
    if (!user)
      wrong.push({
        line,
        why: `enrollments.csv names somebody who is not in users.csv: ${cells.userSourcedId}`,
      })
    else
      inClass.set(cells.classSourcedId!, [...(inClass.get(cells.classSourcedId!) ?? []), { ...user, line }])
  }
  const classes = table('classes.csv', ['sourcedId', 'title']).flatMap(({ cells }) => {
    if (ended(cells.status)) return []
    const of = checked(inClass.get(cells.sourcedId!) ?? [])
    wrong.push(...of.wrong)
    return [{ name: cells.title || cells.sourcedId!, students: of.students }]
  })
  if (classes.length === 0) throw new NotARoster('The OneRoster export has no class in it.')
  return { classes, wrong }
}

/** What taking over a list would change in a class. */
export interface RosterChanges {
  readonly add: readonly Listed[]
  readonly rename: readonly { readonly id: string; readonly from: string; readonly to: string }[]
  /** In both, with an address on the list that the class does not have. */
  readonly mail: readonly { readonly id: string; readonly to: string }[]
  /** In the class, and not on the list. */
  readonly missing: readonly { readonly id: string; readonly name: string }[]
  /** How many are in both and stay as they are. */
  readonly same: number
}

/**
 * Compares a list with a class. The same student is who has the same id on the list; failing that, the
 * same name. Law: everybody of the class is renamed, missing or the same; everybody listed is added,
 * renamed or the same.
 */
export function rosterChanges(
  now: readonly {
    readonly id: string
    readonly name: string
    readonly rosterId?: string | null | undefined
    readonly mail?: string | null | undefined
  }[],
  list: readonly Listed[],
): RosterChanges {
  const left = new Set(now)
  const add: Listed[] = []
  const rename: { id: string; from: string; to: string }[] = []
  const mail: { id: string; to: string }[] = []
  let same = 0
  const byName: Listed[] = []
  const meet = (listed: Listed, found: (typeof now)[number]) => {
    left.delete(found)
    if (listed.mail !== null && listed.mail !== (found.mail ?? null))
      mail.push({ id: found.id, to: listed.mail })
    if (found.name === listed.name) same++
    else rename.push({ id: found.id, from: found.name, to: listed.name })
  }
  for (const listed of list) {
    const found = listed.rosterId && now.find((each) => each.rosterId === listed.rosterId)
    if (found && left.has(found)) meet(listed, found)
    else byName.push(listed)
  }
  for (const listed of byName) {
    const found = [...left].find((each) => each.name.toLowerCase() === listed.name.toLowerCase())
    if (found) meet(listed, found)
    else add.push(listed)
  }
  return { add, rename, mail, missing: [...left].map(({ id, name }) => ({ id, name })), same }
}
