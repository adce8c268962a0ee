import { randomUUID } from 'node:crypto'
import { PDFDocument } from '@cantoo/pdf-lib'
import { findCode, type Thing } from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { drawPart } from '../pdf/index.ts'
import { adding } from '../test/ink.ts'
import { makePdf } from '../test/makePdf.ts'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const wrote = (text: string): Thing => ({
  id: randomUUID(),
  kind: 'text',
  text,
  face: 'plain',
  size: 14,
  bold: false,
  colour: '#1e2b3a',
  align: 'left',
  list: 'none',
  x: 60,
  y: 60,
  width: 200,
  height: 20,
  turn: 0,
})

async function pdfAt(visitor: Visitor, path: string) {
  const answer = await visitor.send('GET', path)
  expect(answer.status).toBe(200)
  const bytes = Buffer.from(await answer.arrayBuffer())
  const pages = (await PDFDocument.load(bytes)).getPages().map((page) => page.getSize())
  return { text: textOfPdf(bytes), pages, name: answer.headers.get('content-disposition')! }
}

/** What the code on a page of a PDF says, as a camera would read it from paper. */
async function codeOnPage(pdf: Uint8Array, index: number) {
  const one = await PDFDocument.create()
  const [page] = await one.copyPages(await PDFDocument.load(pdf), [index])
  const { width, height } = one.addPage(page).getSize()
  const png = drawPart(await one.save(), { x: 0, y: 0, width: width * 2.5, height: height * 2.5 }, 180)
  const { data, info } = await sharp(png).ensureAlpha().raw().toBuffer({ resolveWithObject: true })
  return findCode({ data: new Uint8ClampedArray(data), width: info.width, height: info.height })?.code
}

/** Two students, each of whom wrote something, on a worksheet of two pages of A5. */
async function written() {
  const size = { width: 420, height: 595 }
  const lesson = await startLesson(school, 2, await makePdf([size, size]))
  for (const [index, words] of ['ebb at noon', 'flood at six'].entries()) {
    const { visitor, copy } = lesson.students[index]!
    const page = await firstPageOf(visitor, copy)
    const answer = await visitor.keep(copy, [{ ...adding(page), items: [wrote(words)] }])
    expect(answer.ok && answer.fates[0]!.fate).toBe('kept')
  }
  return lesson
}

describe('for paper', () => {
  test('a copy: with all that is on it, or empty; with name, class and page at its head when wanted, at true size', async () => {
    const { class: of, students } = await written()
    const { visitor, copy, person } = students[0]!
    const full = await pdfAt(visitor, `/copies/${copy}/pdf`)
    expect(full.text).toContain('ebb at noon')
    expect(full.text).not.toContain(of.name)
    expect(full.pages).toEqual([
      { width: 420, height: 595 },
      { width: 420, height: 595 },
    ])
    const empty = await pdfAt(visitor, `/copies/${copy}/pdf?empty=yes&named=yes`)
    expect(empty.text).not.toContain('ebb at noon')
    expect(empty.pages).toEqual(full.pages)
    for (const words of [person.name, of.name, 'page 1 of 2', 'page 2 of 2', 'page 1\n'])
      expect(empty.text).toContain(words)
  })

  test('a hand-out: everybody’s copy in the order of names, as it is or empty; withdrawn ones stay out', async () => {
    const { teacher, handout, students } = await written()
    const full = await pdfAt(teacher, `/handouts/${handout.id}/pdf?named=yes`)
    expect(full.pages).toHaveLength(4)
    const names = students.map(({ person }) => person.name).sort()
    expect(full.text.indexOf(names[0]!)).toBeLessThan(full.text.indexOf(names[1]!))
    expect(full.text).toContain('ebb at noon')
    expect(full.text).toContain('flood at six')
    const empty = await pdfAt(teacher, `/handouts/${handout.id}/pdf?empty=yes&named=yes`)
    expect(empty.text).not.toMatch(/ebb|flood/)
    for (const name of names) expect(empty.text).toContain(name)
    await teacher.send('PATCH', `/copies/${students[1]!.copy}`, { withdrawn: true })
    const left = await pdfAt(teacher, `/handouts/${handout.id}/pdf`)
    expect(left.pages).toHaveLength(2)
    expect(left.text).not.toContain('flood at six')
  })

  test('with codes, each sheet says which page of whose copy it is', async () => {
    const { teacher, handout, students } = await written()
    const answer = await teacher.send('GET', `/handouts/${handout.id}/pdf?empty=yes&coded=yes`)
    const bytes = Buffer.from(await answer.arrayBuffer())
    const found = await Promise.all([0, 1, 2, 3].map((index) => codeOnPage(bytes, index)))
    const copies = found.map((code) => code?.copy)
    expect(new Set(copies)).toEqual(new Set(students.map(({ copy }) => copy)))
    expect(copies[0]).toBe(copies[1])
    const first = await firstPageOf(students[0]!.visitor, students[0]!.copy)
    expect(found.map((code) => code?.page)).toEqual([first, found[1]!.page, first, found[1]!.page])
    const bare = await teacher.send('GET', `/handouts/${handout.id}/pdf?empty=yes`)
    expect(await codeOnPage(Buffer.from(await bare.arrayBuffer()), 0)).toBeUndefined()
  })

  test('a worksheet: empty, with lines for name and class when wanted', async () => {
    const { teacher, worksheet } = await written()
    const bare = await pdfAt(teacher, `/worksheets/${worksheet.id}/pdf`)
    expect(bare.pages).toHaveLength(2)
    expect(bare.text).not.toMatch(/ebb|Name/)
    expect(bare.name).toContain(worksheet.title)
    const named = await pdfAt(teacher, `/worksheets/${worksheet.id}/pdf?named=yes`)
    expect(named.text).toMatch(/Name _+ +Class _+/)
  })

  test('what nobody can want is refused', async () => {
    const { teacher, handout } = await written()
    expect((await teacher.send('GET', `/handouts/${handout.id}/pdf?empty=perhaps`)).status).toBe(422)
  })
})
