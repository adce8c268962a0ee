import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { strToU8, zipSync } from 'fflate'
import { readCsv, readLetters, writeCsv } from './csv.ts'
import { NotARoster, readRoster, rosterChanges } from './roster.ts'

const file = (text: string, name = 'class.csv') => ({ name, bytes: strToU8(text) })
const listed = (text: string) => readRoster([file(text)]).classes[0]!.students

describe('a list of students', () => {
  test.each([
    ['name', 'Name\nNoor Farrant\nIlja Egorov'],
    ['first and last name, by semicolons', 'First name;Last name\nNoor;Farrant\nIlja;Egorov'],
    ['given and family name, by tabs', 'Family name\tGiven name\nFarrant\tNoor\nEgorov\tIlja'],
    ['with quotes and empty lines', '"Student name"\n\n"Noor Farrant"\n"Ilja Egorov"\n\n'],
  ])('%s', (_way, text) => {
    expect(listed(text).map(({ name }) => name)).toEqual(['Noor Farrant', 'Ilja Egorov'])
  })

  test('letters in UTF-8 with and without its mark, UTF-16 and Windows-1252', () => {
    const text = 'name\nZélie Rahman'
    const cp1252 = Uint8Array.from([...text].map((letter) => letter.charCodeAt(0)))
    const utf16 = new Uint8Array([
      0xff,
      0xfe,
      ...[...text].flatMap((letter) => [letter.charCodeAt(0) & 255, letter.charCodeAt(0) >> 8]),
    ])
    for (const bytes of [strToU8(text), strToU8(`\ufeff${text}`), cp1252, utf16])
      expect(readRoster([{ name: 'a.csv', bytes }]).classes[0]!.students[0]!.name).toBe('Zélie Rahman')
  })

  test('rows that are wrong are told with their line; the rest is used', () => {
    const { classes, wrong } = readRoster([
      file(`name,id\nNoor Farrant,7\n,8\n${'x'.repeat(200)},9\nNoor again,7\nIlja Egorov,`),
    ])
    expect(classes[0]!.students).toEqual([
      { name: 'Noor Farrant', rosterId: '7', mail: null },
      { name: 'Ilja Egorov', rosterId: null, mail: null },
    ])
    expect(wrong.map(({ line }) => line)).toEqual([3, 4, 5])
    expect(wrong[0]!.why).toBe('The name is missing.')
    expect(wrong[2]!.why).toBe('The same student as in line 2.')
  })

  test('wrong columns, nothing at all, and ten thousand rows are refused in a sentence', () => {
    expect(() => listed('colour,size\nblue,3')).toThrow(/Its columns are: colour, size/)
    expect(() => listed('')).toThrow(NotARoster)
    const many = `name\n${Array.from({ length: 10_000 }, (_, index) => `Student ${index}`).join('\n')}`
    expect(() => listed(many)).toThrow(/10,000 rows/)
    expect(() => readRoster([file('PK\u0003\u0004 broken', 'a.zip')])).toThrow(/cannot be opened/)
  })
})

const ONE_ROSTER = {
  'users.csv':
    'sourcedId,status,enabledUser,givenName,familyName,preferredGivenName\nu1,active,true,Noor,Farrant,\nu2,active,true,Ilja,Egorov,Il\nu3,tobedeleted,true,Gone,Away,',
  'classes.csv': 'sourcedId,status,title\nc1,active,Curlew class\nc2,active,Dunlin class',
  'enrollments.csv':
    'sourcedId,status,classSourcedId,schoolSourcedId,userSourcedId,role\ne1,active,c1,s,u1,student\ne2,active,c1,s,u2,student\ne3,active,c1,s,t9,teacher\ne4,active,c2,s,u3,student',
}

describe('OneRoster 1.2', () => {
  test('in an archive, or file by file: its classes with their students', () => {
    const files = Object.entries(ONE_ROSTER).map(([name, text]) => file(text, name))
    const zip = zipSync(
      Object.fromEntries(Object.entries(ONE_ROSTER).map(([name, text]) => [name, strToU8(text)])),
    )
    for (const given of [files, [{ name: 'export.zip', bytes: zip }]]) {
      const { classes, wrong } = readRoster(given)
      expect(classes).toEqual([
        {
          name: 'Curlew class',
          students: [
            { rosterId: 'u1', name: 'Noor Farrant', mail: null },
            { rosterId: 'u2', name: 'Il Egorov', mail: null },
          ],
        },
        { name: 'Dunlin class', students: [] },
      ])
      expect(wrong).toEqual([{ line: 5, why: expect.stringContaining('not in users.csv') }])
    }
  })

  test('a file or a column missing is said', () => {
    expect(() => readRoster([file(ONE_ROSTER['users.csv'], 'users.csv')])).toThrow(/enrollments.csv/)
    expect(() => readRoster([file('a,b\n1,2', 'users.csv')])).toThrow(/no column sourcedId/)
  })
})

describe('what would change', () => {
  const names = fc.uniqueArray(fc.constantFrom('Ann', 'ben', 'Cy', 'Dee', 'Eve', 'Fin'))
  test('everybody is accounted for, on both sides', () => {
    fc.assert(
      fc.property(names, names, (now, list) => {
        const class_ = now.map((name, index) => ({ id: `s${index}`, name }))
        const changes = rosterChanges(
          class_,
          list.map((name) => ({ name, rosterId: null, mail: null })),
        )
        expect(changes.rename.length + changes.missing.length + changes.same).toBe(class_.length)
        expect(changes.add.length + changes.rename.length + changes.same).toBe(list.length)
      }),
    )
  })
  test('the id says who it is, whatever the name', () => {
    const changes = rosterChanges(
      [
        { id: 's1', name: 'Noor F', rosterId: 'u1' },
        { id: 's2', name: 'Ilja Egorov', rosterId: null },
      ],
      [
        { rosterId: 'u1', name: 'Noor Farrant', mail: null },
        { rosterId: 'u2', name: 'ilja egorov', mail: null },
      ],
    )
    expect(changes.rename).toEqual([
      { id: 's1', from: 'Noor F', to: 'Noor Farrant' },
      { id: 's2', from: 'Ilja Egorov', to: 'ilja egorov' },
    ])
    expect(changes).toMatchObject({ add: [], missing: [], same: 0 })
  })
})

test('an address on the list goes to whoever is in both; one that is none is said, and costs nobody their place', () => {
  const list = 'name,e-mail\nAnn,ann@school.example\nBen,\nCy,not an address\nDee,dee@school.example'
  const { classes, wrong } = readRoster([file(list)])
  expect(classes[0]!.students.map(({ name, mail }) => [name, mail])).toEqual([
    ['Ann', 'ann@school.example'],
    ['Ben', null],
    ['Cy', null],
    ['Dee', 'dee@school.example'],
  ])
  expect(wrong).toEqual([{ line: 4, why: expect.stringContaining('not an address') }])
  const changes = rosterChanges(
    [
      { id: 's1', name: 'Ann', mail: null },
      { id: 's2', name: 'Ben', mail: 'ben@school.example' },
      { id: 's4', name: 'Dee', mail: 'dee@school.example' },
    ],
    classes[0]!.students,
  )
  expect(changes.mail).toEqual([{ id: 's1', to: 'ann@school.example' }])
})

test('what is written is read again, and no cell becomes a formula', () => {
  const csv = writeCsv(
    ['name', 'id'],
    [
      ['Zélie, Rahman', 'u"1'],
      ['=1+1', ''],
    ],
  )
  const { columns, rows } = readCsv(strToU8(csv))
  expect(columns).toEqual(['name', 'id'])
  expect(rows[0]!.cells).toEqual({ name: 'Zélie, Rahman', id: 'u"1' })
  expect(rows[1]!.cells.name).not.toBe('=1+1')
  expect(readLetters(strToU8('ebb'))).toBe('ebb')
})
