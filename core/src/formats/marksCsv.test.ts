import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { strFromU8, unzipSync } from 'fflate'
import Papa from 'papaparse'
import { marksAsCsv, NoMarks, readMarksCsv, studentOfRow } from './marksCsv.ts'
import { oneRosterResults } from './oneRosterResults.ts'

const bytes = (text: string) => new TextEncoder().encode(text)
const table = {
  columns: [
    { title: 'Tides, again', full: 2000 },
    { title: '=1+1', full: 250 },
  ],
  rows: [
    { name: 'Ana Silva', id: 's-1', given: [1250, null], share: 0.625 },
    { name: '=HYPERLINK("x")', id: null, given: [null, 250] },
  ],
}

describe('marks as CSV', () => {
  test('begin with the mark of UTF-8, and nothing in them is a formula', () => {
    const csv = marksAsCsv(table, 'comma')
    expect(csv.startsWith('\ufeff')).toBe(true)
    const cells = Papa.parse<string[]>(csv.slice(1)).data.flat()
    expect(cells).toContain('12.5')
    expect(cells.filter((cell) => /^[=+\-@\t\r]/.test(cell))).toEqual([])
  })
  test('with semicolons numbers have decimal commas', () => {
    expect(marksAsCsv(table, 'semicolon').split('\r\n')[1]).toBe('Ana Silva;s-1;12,5;;62,5')
  })
  test('are read again as they were written, in both manners', () => {
    const name = fc.stringMatching(/^[A-Za-z=+@' ,;"-]{1,12}$/).map((letters) => `${letters.trim()}x`)
    const rows = fc.array(
      fc.record({
        name,
        id: fc.constant(null),
        given: fc.tuple(fc.option(fc.integer({ min: 0, max: 9999 })), fc.integer({ min: 0, max: 250 })),
      }),
      { minLength: 1, maxLength: 20 },
    )
    fc.assert(
      fc.property(rows, fc.constantFrom('comma', 'semicolon'), (some, manner) => {
        const of = some.filter((row) => !row.name.startsWith("'"))
        fc.pre(of.some(({ given }) => given[0] !== null))
        const read = readMarksCsv(bytes(marksAsCsv({ ...table, rows: of }, manner)))
        expect(read.wrong).toEqual([])
        expect(read.columns.map(({ title, full }) => ({ title, full }))).toEqual(table.columns)
        expect(read.rows.map((row) => [row.name, row.given])).toEqual(of.map((row) => [row.name, row.given]))
      }),
    )
  })
})

describe('reading marks', () => {
  test('from a list of another program: halves, tabs, a column of words, a wrong cell', () => {
    const read = readMarksCsv(
      bytes(
        'Family name\tFirst name\tOral\tGroup\tSum\nSilva\tAna\t3,5\tred\t3,5\nYildiz\tBo\tten\tblue\t\n',
      ),
    )
    expect(read.columns).toEqual([
      { title: 'Oral', full: null, isTotal: false },
      { title: 'Sum', full: null, isTotal: true },
    ])
    expect(read.rows.map(({ name, given }) => [name, given])).toEqual([
      ['Ana Silva', [350, 350]],
      ['Bo Yildiz', [null, null]],
    ])
    expect(read.wrong).toEqual([{ line: 3, why: '“ten” in Oral is no number.' }])
  })
  test.each([
    ['', 'no column with the students'],
    ['Oral\n3', 'no column with the students'],
    ['Name,Group\nAna,red', 'no column with marks'],
    [`Name,M\n${'a,1\n'.repeat(2001)}`, 'more than 2000 lines'],
    [
      `Name,${Array.from({ length: 201 }, (_, at) => `c${at}`)}\na,${'1,'.repeat(201)}`,
      'more than 200 columns',
    ],
  ])('a file that cannot be used says why: %#', (text, why) => {
    expect(() => readMarksCsv(bytes(text))).toThrow(NoMarks)
    expect(() => readMarksCsv(bytes(text))).toThrow(why)
  })
  test('a student is who the list calls so, else the only one of that name', () => {
    const students = [
      { id: '1', name: 'Ana Silva', rosterId: 's-1' },
      { id: '2', name: 'Bo Yildiz', rosterId: null },
      { id: '3', name: 'Bo Yildiz', rosterId: null },
    ]
    expect(studentOfRow({ id: 's-1', name: 'Anna' }, students)?.id).toBe('1')
    expect(studentOfRow({ id: 'other', name: ' ana silva ' }, students)?.id).toBe('1')
    expect(studentOfRow({ id: null, name: 'Ana  Sílva' }, students)?.id).toBe('1')
    expect(studentOfRow({ id: null, name: 'Bo Yildiz' }, students)).toBeUndefined()
  })
})

test('results for a school’s system: who has no id is left out, what is not marked through is said', () => {
  const files = unzipSync(
    oneRosterResults({
      classId: 'class-7',
      termId: 'term-1',
      columns: [{ id: 'c1', title: 'Tides', at: Date.UTC(2026, 10, 3), full: 2000 }],
      students: [
        { id: 'a', rosterId: 's-1' },
        { id: 'b', rosterId: null },
        { id: 'c', rosterId: 's-3' },
      ],
      cells: [
        { column: 'c1', student: 'a', given: 1250, left: 0 },
        { column: 'c1', student: 'b', given: 100, left: 0 },
        { column: 'c1', student: 'c', given: 0, left: 2 },
        { column: 'gone', student: 'a', given: 0, left: 0 },
      ],
      now: Date.UTC(2026, 10, 29),
    }),
  )
  const read = (name: string) =>
    Papa.parse<Record<string, string>>(strFromU8(files[name]!).trim(), { header: true }).data
  expect(Object.keys(files).sort()).toEqual([
    'categories.csv',
    'lineItems.csv',
    'manifest.csv',
    'results.csv',
  ])
  expect(read('manifest.csv').filter(({ value }) => value === 'bulk')).toHaveLength(3)
  expect(read('lineItems.csv')).toEqual([
    expect.objectContaining({
      sourcedId: 'c1',
      classSourcedId: 'class-7',
      gradingPeriodSourcedId: 'term-1',
      resultValueMax: '20',
      dueDate: '2026-11-03',
    }),
  ])
  expect(read('results.csv').map((row) => [row.studentSourcedId, row.score, row.scoreStatus])).toEqual([
    ['s-1', '12.5', 'fully graded'],
    ['s-3', '0', 'partially graded'],
  ])
})
