import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument, PDFName, PDFString, StandardFonts } from '@cantoo/pdf-lib'
import type { Thing, WorksheetPage } from '@hand-back/core'
import { afterAll, describe, expect, test } from '@jest/globals'
import { flatten } from './flatten.ts'

const FILE = 'b'.repeat(64)
const folder = mkdtempSync(join(tmpdir(), 'hand-back-tags-'))
afterAll(() => rmSync(folder, { recursive: true }))

/** A tagged PDF of two pages: a heading (by a private name), a described figure, a hidden and a described one over both. */
async function taggedPdf(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const { context } = pdf
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  const hidden = context.register(context.obj({ Type: 'OCG', Name: PDFString.of('Answers') }))
  pdf.catalog.set(PDFName.of('OCProperties'), context.obj({ OCGs: [hidden], D: { OFF: [hidden] } }))
  const pages = [1, 2].map((number) => {
    const page = pdf.addPage([400, 300])
    page.node.normalize()
    page.node.setFontDictionary(PDFName.of('F'), font.ref)
    const { Resources } = page.node.normalizedEntries()
    Resources.set(
      PDFName.of('Properties'),
      context.obj({ Named: { MCID: 1, ActualText: PDFString.of(`spoken ${number}`) }, Off: hidden }),
    )
    const drawn = [
      `/Top <</MCID 0 /ActualText (spoken)>> BDC BT /F 20 Tf 40 200 Td (Tides ${number}) Tj ET EMC`,
      '/Figure /Named BDC 40 40 60 60 re f EMC',
      '/OC /Off BDC /P <</MCID 2>> BDC BT /F 20 Tf 40 100 Td (hidden) Tj ET EMC EMC',
      '/Figure <</MCID 3>> BDC 200 40 60 60 re f EMC',
    ].join('\n')
    page.node.addContentStream(context.register(context.stream(drawn)))
    return page
  })
  const described = (type: string, alt: string, kids: unknown, page?: (typeof pages)[number]) =>
    context.register(
      context.obj({
        Type: 'StructElem',
        S: type,
        Alt: PDFString.of(alt),
        K: kids as never,
        ...(page ? { Pg: page.ref } : {}),
      }),
    )
  const elements = pages.flatMap((page, index) => [
    described('Top', `alt of heading ${index + 1}`, 0, page),
    described('Figure', `alt of figure ${index + 1}`, [1], page),
    described('P', 'alt of hidden', 2, page),
  ])
  const over = described(
    'Figure',
    'alt over both',
    pages.map((page) => ({ Type: 'MCR', Pg: page.ref, MCID: 3 })),
  )
  const round = context.nextRef()
  context.assign(round, context.obj({ Type: 'StructElem', S: 'Sect', K: [...elements, over, round] }))
  const root = context.obj({ Type: 'StructTreeRoot', K: [round], RoleMap: { Top: 'H1', Loop: 'Loop' } })
  pdf.catalog.set(PDFName.of('StructTreeRoot'), context.register(root))
  pdf.catalog.set(PDFName.of('Lang'), PDFString.of('en-NZ'))
  return pdf.save({ useObjectStreams: false })
}

const page = (number: number): WorksheetPage => ({
  id: crypto.randomUUID(),
  width: 400,
  height: 300,
  paper: { kind: 'pdf', file: FILE, number, box: [0, 0, 400, 300], turn: 0, unit: 1 },
  printed: [],
})

const answered = (): Thing => ({
  id: crypto.randomUUID(),
  kind: 'text',
  ...{ x: 40, y: 150, width: 200, height: 30, turn: 0 },
  text: 'my own answer',
  face: 'plain',
  list: 'none',
  ...{ size: 14, bold: false, colour: '#000000', align: 'left' },
})

/** The tags as a program reads them that shares no code with ours. */
async function tagsOf(numbers: readonly number[]) {
  const flat = await flatten({
    title: 'x',
    pages: numbers.map((number) => ({
      page: page(number),
      items: [answered()],
    })),
    files: new Map([[FILE, await taggedPdf()]]),
  })
  const file = join(folder, 'x.pdf')
  writeFileSync(file, flat)
  const told = spawnSync('pdfinfo', ['-struct-text', file], { encoding: 'utf8' })
  expect(told.stderr).toBe('')
  const plain = Buffer.from(await (await PDFDocument.load(flat)).save({ useObjectStreams: false })).toString(
    'latin1',
  )
  return { tags: told.stdout, plain }
}

describe('the tags of a PDF', () => {
  test('come along with the pages that they describe', async () => {
    const { tags, plain } = await tagsOf([1])
    expect(tags).toMatch(/H1[\s\S]*"Tides 1"/)
    expect(tags).toMatch(/Figure/)
    expect(tags).toContain('"my own answer"')
    expect(plain).toContain('alt of figure 1')
    expect(plain).toContain('(en-NZ)')
  })

  test('tell nothing of what did not come along', async () => {
    const { tags, plain } = await tagsOf([1])
    expect(tags).not.toContain('Tides 2')
    for (const told of ['figure 2', 'heading 2', 'alt of hidden', 'alt over both', 'spoken'])
      expect(plain).not.toContain(told)
  })

  test('describe what stands on both pages when both came, in whatever order', async () => {
    const { tags, plain } = await tagsOf([2, 1])
    expect(tags.indexOf('Tides 1')).toBeLessThan(tags.indexOf('Tides 2'))
    expect(plain).toContain('alt over both')
  })
})
