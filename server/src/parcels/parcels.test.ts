import { randomUUID } from 'node:crypto'
import { PDFDict, PDFDocument, type PDFHexString, PDFName } from '@cantoo/pdf-lib'
import { type ParcelTold, type ParcelWish, stripsOnSheets, type WorksheetWhole } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import { unzipSync } from 'fflate'
import { adding } from '../test/ink.ts'
import { makePdf } from '../test/makePdf.ts'
import { markedLesson } from '../test/markedLesson.ts'
import { behind, firstPageOf, giveOut, giving, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import { until } from '../test/until.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

type OfHandout = Extract<ParcelWish, { of: 'handout' }>
const wish = (handout: string, more: Partial<OfHandout> = {}): ParcelWish => ({
  of: 'handout',
  handout,
  form: 'one',
  marks: true,
  cover: false,
  twoASheet: false,
  recordings: false,
  ...more,
})

/** What became of a parcel, when it is packed or cannot be. */
async function packed(visitor: Visitor, wanted: ParcelWish): Promise<ParcelTold> {
  const { id } = await visitor.post<ParcelTold>('/parcels', wanted)
  let told: ParcelTold | undefined
  await until(async () => {
    told = (await visitor.get<ParcelTold[]>('/parcels')).find((each) => each.id === id)
    return told?.state !== 'packing'
  })
  return told!
}

async function fileOf(visitor: Visitor, wanted: ParcelWish): Promise<Uint8Array> {
  const { id, state, problem, bytes } = await packed(visitor, wanted)
  expect([state, problem]).toEqual(['ready', null])
  const answer = await visitor.send('GET', `/parcels/${id}/file`)
  const file = new Uint8Array(await answer.arrayBuffer())
  expect(file).toHaveLength(bytes)
  return file
}

const text = (words: string, page: string) => ({
  ...adding(page, 'feedback'),
  items: [
    {
      id: randomUUID(),
      kind: 'text' as const,
      text: words,
      face: 'plain' as const,
      size: 14,
      bold: false,
      colour: '#a83a2e',
      align: 'left' as const,
      list: 'none' as const,
      x: 60,
      y: 140,
      width: 200,
      height: 20,
      turn: 0,
    },
  ],
})

/** The titles of a PDF's outline, and how many pages it has. */
async function outlineOf(bytes: Uint8Array) {
  const pdf = await PDFDocument.load(bytes)
  const root = pdf.catalog.lookup(PDFName.of('Outlines'))
  const titles: string[] = []
  if (root instanceof PDFDict)
    for (let at = root.lookup(PDFName.of('First')); at instanceof PDFDict; at = at.lookup(PDFName.of('Next')))
      titles.push((at.lookup(PDFName.of('Title')) as PDFHexString).decodeText())
  return { titles, pages: pdf.getPages().map((page) => page.getSize()) }
}

async function markedCopies() {
  const lesson = await markedLesson(school)
  const { teacher, copy, copies, giveMark, student } = lesson
  const other = copies.find((each) => each !== copy)!
  await teacher.post(`/copies/${other}/take-in`)
  await teacher.keep(copy, [giveMark(0, 1.5)])
  await teacher.keep(copy, [text('Mind the units', await firstPageOf(student, copy))])
  const names = (await teacher.get<{ copies: { id: string; name: string }[] }>(`/handouts/${lesson.handout}`))
    .copies
  return {
    ...lesson,
    other,
    names: names.map(({ name }) => name),
    nameOf: (id: string) => names.find((each) => each.id === id)!.name,
  }
}

describe('copies that a teacher takes away', () => {
  test('in one PDF: by name, with an outline by student, with covers, with and without marks', async () => {
    const { teacher, handout, names, copy, nameOf } = await markedCopies()
    const plain = await fileOf(teacher, wish(handout))
    expect((await outlineOf(plain)).titles).toEqual(names)
    const full = await fileOf(teacher, wish(handout, { cover: true }))
    expect((await outlineOf(full)).pages.length).toBe((await outlineOf(plain)).pages.length + 2)
    const said = textOfPdf(Buffer.from(full))
    for (const words of ['1½ of 6 marks', 'Mind the units', 'question 1, page 1', nameOf(copy)])
      expect(said).toContain(words)
    const bare = textOfPdf(Buffer.from(await fileOf(teacher, wish(handout, { cover: true, marks: false }))))
    expect(bare).toContain('Mind the units')
    expect(bare).not.toMatch(/1½/)
  })

  test('two pages a sheet, each copy on sheets of its own', async () => {
    const { teacher, handout, names } = await markedCopies()
    const { pages, titles } = await outlineOf(
      await fileOf(teacher, wish(handout, { twoASheet: true, cover: true })),
    )
    expect(titles).toEqual(names)
    for (const { width, height } of pages) expect([Math.round(width), Math.round(height)]).toEqual([842, 595])
    const one = await fileOf(teacher, wish(handout, { cover: true }))
    const sheets = Math.ceil((await outlineOf(one)).pages.length / names.length / 2) * names.length
    expect(pages).toHaveLength(sheets)
  })

  test('a file for each in an archive, called by name; only the chosen ones', async () => {
    const { teacher, handout, names, copy, nameOf } = await markedCopies()
    const files = unzipSync(await fileOf(teacher, wish(handout, { form: 'each', recordings: true })))
    expect(Object.keys(files).map((name) => name.split('/').at(-1))).toEqual(
      names.map((name) => `${name}.pdf`),
    )
    for (const [name, bytes] of Object.entries(files)) {
      expect(bytes.length).toBeGreaterThan(500)
      const says = textOfPdf(Buffer.from(bytes))
      expect(says.includes('Mind the units')).toBe(name.includes(nameOf(copy)))
    }
    const chosen = unzipSync(await fileOf(teacher, wish(handout, { form: 'each', copies: [copy] })))
    expect(Object.keys(chosen)).toHaveLength(1)
  })

  test('the answers to one question of all copies, cut out, with whose each is', async () => {
    const { teacher, handout, names, questions } = await markedCopies()
    const bytes = await fileOf(teacher, wish(handout, { question: questions[0]!.id }))
    const said = textOfPdf(Buffer.from(bytes))
    for (const name of names) expect(said).toContain(name)
    expect(said).toContain('question 1')
    const sizes = names.map((says, page) => ({
      page,
      says,
      part: { x: 60, y: 100, width: 300, height: 100 },
    }))
    expect((await outlineOf(bytes)).pages).toHaveLength(stripsOnSheets('', sizes, () => 1).length)
  })

  test('a question on two pages is cut out of both; of copies that have none of it nothing is made, and that is said', async () => {
    const {
      teacher,
      handout: whole,
      class: of,
      worksheet,
    } = await startLesson(school, 2, await makePdf([{}, {}]))
    const [first, second] = worksheet.sheet.pages.map(({ id }) => id)
    const question = (label: string, ...pages: string[]) => ({
      id: randomUUID(),
      label,
      fullMarks: 1,
      areas: pages.map((page) => ({ page, x: 60, y: 100, width: 300, height: 300 })),
    })
    const [both, late] = [question('both', first!, second!), question('late', second!)]
    await teacher.put(`/worksheets/${worksheet.id}/sheet`, {
      revision: (await teacher.get<WorksheetWhole>(`/worksheets/${worksheet.id}`)).revision,
      order: [first, second],
      pages: [],
      questions: [both, late],
    })
    const hand = async (only?: string[]) => {
      const [id] = await giveOut(teacher, giving(worksheet.id, of.id, only ? { only } : {}))
      return id!
    }
    // Two copies, two cuts of each: two lie on a sheet.
    const cuts = await fileOf(teacher, wish(await hand(), { question: both.id }))
    expect((await outlineOf(cuts)).pages).toHaveLength(2)
    const some = await hand([first!])
    expect((await outlineOf(await fileOf(teacher, wish(some, { question: both.id })))).pages).toHaveLength(1)
    const { state, problem } = await packed(teacher, wish(some, { question: late.id }))
    expect([state, problem]).toEqual(['failed', 'None of these copies has question late.'])
    expect(whole.copies).toHaveLength(2)
  })

  test('while names are hidden, files are numbered', async () => {
    const { teacher, handout, names } = await markedCopies()
    await teacher.patch(`/handouts/${handout}`, { namesHidden: true })
    const files = unzipSync(await fileOf(teacher, wish(handout, { form: 'each' })))
    for (const file of Object.keys(files)) for (const name of names) expect(file).not.toContain(name)
  })

  test('what cannot be is refused in words, and nobody else’s is anybody’s', async () => {
    const { teacher, student, handout, copy, questions } = await markedCopies()
    const stranger = await school.teacher()
    expect(await stranger.status('POST', '/parcels', wish(handout))).toBe(404)
    expect(await student.status('POST', '/parcels', wish(handout))).toBe(404)
    expect(await teacher.status('POST', '/parcels', { of: 'own' })).toBe(404)
    expect(await teacher.status('POST', '/parcels', wish(handout, { copies: [randomUUID()] }))).toBe(404)
    expect(await teacher.status('POST', '/parcels', wish(handout, { question: randomUUID() }))).toBe(404)
    expect(await teacher.status('POST', '/parcels', { ...wish(handout), form: 'all' })).toBe(422)
    expect(
      await teacher.status('POST', '/parcels', wish(handout, { form: 'each', question: questions[0]!.id })),
    ).toBe(422)
    const { id } = await packed(teacher, wish(handout, { copies: [copy] }))
    for (const visitor of [stranger, student]) {
      expect(await visitor.status('GET', `/parcels/${id}/file`)).toBe(404)
      expect(await visitor.status('DELETE', `/parcels/${id}`)).toBe(404)
      expect(await visitor.get<ParcelTold[]>('/parcels')).toEqual([])
    }
    await teacher.delete(`/parcels/${id}`)
    expect(await teacher.status('GET', `/parcels/${id}/file`)).toBe(404)
  })
})

test('a student takes all own copies home, with what they may read on them and what is to be heard', async () => {
  const { teacher, student, handout, copy } = await markedCopies()
  const read = async () => unzipSync(await fileOf(student, { of: 'own' }))
  // The one that was handed out last is the one that was marked.
  const [name, before] = Object.entries(await read()).at(-1)!
  expect(name).toMatch(/\/[^/]+\.pdf$/)
  expect(textOfPdf(Buffer.from(before))).not.toMatch(/Mind the units|1½/)
  await teacher.post(`/handouts/${handout}/hand-back`, { copies: [copy] })
  const after = Object.values(await read()).at(-1)!
  expect(textOfPdf(Buffer.from(after))).toContain('Mind the units')
})

test('a parcel that nobody is at any more is begun anew; one that is thrown away while it is packed is gone', async () => {
  const { teacher, handouts } = await manyCopies()
  const database = behind(school)
  const rows = async <T>(query: string) => (await database.pool.query(query)).rows as T[]
  const { id } = await teacher.post<ParcelTold>('/parcels', wish(handouts, { form: 'each' }))
  await teacher.delete(`/parcels/${id}`)
  expect(await rows(`SELECT 1 FROM parcel_piece WHERE parcel_id = '${id}'`)).toEqual([])
  expect(await teacher.get<ParcelTold[]>('/parcels')).toEqual([])

  // As another server left it, half packed.
  const left = randomUUID()
  const [person] = await rows<{ id: string }>(`SELECT teacher_id AS id FROM handout WHERE id = '${handouts}'`)
  await rows(`INSERT INTO parcel (id, person_id, wish, title, file, beat)
    VALUES ('${left}', '${person!.id}', '${JSON.stringify(wish(handouts))}', 'x', 'x.pdf', now() - interval '1 minute')`)
  await rows(`INSERT INTO parcel_piece VALUES ('${left}', 0, 'half')`)
  await teacher.post<ParcelTold>('/parcels', wish(handouts))
  await until(async () =>
    (await teacher.get<ParcelTold[]>('/parcels')).every(({ state }) => state === 'ready'),
  )
  const answer = await teacher.send('GET', `/parcels/${left}/file`)
  expect((await outlineOf(new Uint8Array(await answer.arrayBuffer()))).titles).toHaveLength(3)

  // After its hour it is thrown away.
  await rows(`UPDATE parcel SET until = now() - interval '1 second' WHERE id = '${left}'`)
  expect(await teacher.status('GET', `/parcels/${left}/file`)).toBe(404)
  await teacher.get('/parcels')
  expect(await rows(`SELECT 1 FROM parcel_piece WHERE parcel_id = '${left}'`)).toEqual([])
  await database.close()
})

async function manyCopies() {
  const { teacher, handout } = await startLesson(school, 3)
  return { teacher, handouts: handout.id }
}
