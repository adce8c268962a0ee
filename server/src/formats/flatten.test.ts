import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PDFDocument, rgb } from '@cantoo/pdf-lib'
import {
  areaOf,
  inkItem,
  type PdfPaper,
  pictureSize,
  type QuarterTurn,
  type Stroke,
  seenSize,
  thing,
  type WorksheetPage,
} from '@hand-back/core'
import { afterAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { lineStroke } from '../test/ink.ts'
import { makePdf } from '../test/makePdf.ts'
import { flatten } from './flatten.ts'

const FILE = 'a'.repeat(64)
const folder = mkdtempSync(join(tmpdir(), 'hand-back-flatten-'))
afterAll(() => rmSync(folder, { recursive: true }))

/** Renders a page at one pixel a point with a program that shares no code with ours. */
async function render(pdf: Uint8Array, page = 1) {
  writeFileSync(join(folder, 'x.pdf'), pdf)
  const done = spawnSync('pdftoppm', [
    '-cropbox',
    '-r',
    '72',
    '-f',
    String(page),
    '-l',
    String(page),
    '-singlefile',
    '-png',
    join(folder, 'x.pdf'),
    join(folder, 'x'),
  ])
  expect(done.status).toBe(0)
  const { data, info } = await sharp(readFileSync(join(folder, 'x.png')))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return {
    width: info.width,
    height: info.height,
    at(x: number, y: number): [number, number, number] {
      const start = (Math.round(y) * info.width + Math.round(x)) * 3
      return [data[start]!, data[start + 1]!, data[start + 2]!]
    },
  }
}

const paperOf = (turn: QuarterTurn, box: PdfPaper['box']): PdfPaper => ({
  kind: 'pdf',
  file: FILE,
  number: 1,
  box,
  turn,
  unit: 1,
})
const pageOf = (paper: PdfPaper): WorksheetPage => ({
  id: crypto.randomUUID(),
  ...seenSize(paper),
  paper,
  printed: [],
})
const red = (line: Partial<Stroke> = {}) =>
  lineStroke([40, 30], [120, 30], { colour: '#ff0000', width: 6, ...line })

describe('a flattened copy', () => {
  test.each([0, 90, 180, 270] as const)(
    'has its ink where it was drawn on a page turned by %i° and cropped',
    async (turn) => {
      const box: PdfPaper['box'] = [50, 80, 450, 380]
      const original = await makePdf([{ width: 600, height: 500, turn, crop: [50, 80, 400, 300] }])
      const page = pageOf(paperOf(turn, box))
      const flat = await flatten({
        title: 'x',
        pages: [{ page, items: [red(), lineStroke([200, 60], [200, 160], { colour: '#0000ff', width: 6 })] }],
        files: new Map([[FILE, original]]),
      })
      const seen = await render(flat)
      expect([seen.width, seen.height]).toEqual(turn % 180 === 0 ? [400, 300] : [300, 400])
      expect(seen.at(80, 30)).toEqual([255, 0, 0])
      expect(seen.at(200, 110)).toEqual([0, 0, 255])
      expect(seen.at(30, 110)).toEqual([255, 255, 255])
    },
  )

  test('keeps the printed page as vectors and text, not as a picture', async () => {
    const original = await makePdf([{}, {}])
    const papers = [1, 2].map((number) => pageOf({ ...paperOf(0, [0, 0, 595, 842]), number }))
    const flat = await flatten({
      title: 'Tides',
      pages: papers.map((page) => ({ page, items: [red()] })),
      files: new Map([[FILE, original]]),
    })
    writeFileSync(join(folder, 'text.pdf'), flat)
    expect(spawnSync('pdftotext', [join(folder, 'text.pdf'), '-'], { encoding: 'utf8' }).stdout).toMatch(
      /page 1\s+page 2/,
    )
    expect(
      spawnSync('pdfimages', ['-list', join(folder, 'text.pdf')], { encoding: 'utf8' })
        .stdout.trim()
        .split('\n'),
    ).toHaveLength(2)
    expect((await PDFDocument.load(flat)).getTitle()).toBe('Tides')
  })

  test('lays the highlighter under the pen and lets what is printed shine through', async () => {
    const page = pageOf(paperOf(0, [0, 0, 300, 200]))
    const original = await makePdf([{ width: 300, height: 200 }])
    const flat = await flatten({
      title: 'x',
      pages: [
        {
          page,
          items: [
            red({ colour: '#000000', width: 4 }),
            lineStroke([20, 30], [280, 30], { nib: 'highlighter', colour: '#ffff00', width: 20 }),
          ],
        },
      ],
      files: new Map([[FILE, original]]),
    })
    const seen = await render(flat)
    expect(seen.at(80, 30)).toEqual([0, 0, 0])
    const [r, g, b] = seen.at(200, 30)
    expect(r).toBe(255)
    expect(g).toBe(255)
    expect(b).toBeGreaterThan(100)
    expect(b).toBeLessThan(180)
  })

  test('what is printed in an area that was filled is read through it', async () => {
    const pdf = await PDFDocument.create()
    pdf.addPage([300, 200]).drawRectangle({ x: 90, y: 90, width: 20, height: 20, color: rgb(0, 0, 0) })
    const area = thing.parse({
      ...{
        id: crypto.randomUUID(),
        kind: 'shape',
        form: 'area',
        colour: '#ff0000',
        fill: '#ff0000',
        line: 0,
      },
      ...{ dashed: false, rising: false, heads: 'none', turn: 0 },
      ...areaOf([
        [
          { x: 50, y: 50 },
          { x: 200, y: 50 },
          { x: 200, y: 150 },
          { x: 50, y: 150 },
        ],
      ]),
    })
    const page = pageOf(paperOf(0, [0, 0, 300, 200]))
    const files = new Map([[FILE, await pdf.save()]])
    const seen = await render(await flatten({ title: 'x', pages: [{ page, items: [area] }], files }))
    expect(seen.at(100, 100)).toEqual([0, 0, 0])
    const [r, g] = seen.at(150, 100)
    expect(r).toBe(255)
    expect(g).toBeGreaterThan(120)
    expect(g).toBeLessThan(160)
    expect(seen.at(220, 100)).toEqual([255, 255, 255])
  })

  test('lets what is under the teacher’s own highlighter shine through, too', async () => {
    const pdf = await PDFDocument.create()
    pdf.addPage([300, 200]).drawRectangle({ x: 40, y: 90, width: 60, height: 20, color: rgb(0, 0, 0) })
    const stroke = lineStroke([20, 100], [280, 100], { nib: 'highlighter', colour: '#ffff00', width: 30 })
    const page = {
      ...pageOf(paperOf(0, [0, 0, 300, 200])),
      printed: [inkItem(crypto.randomUUID(), stroke)],
    }
    const files = new Map([[FILE, await pdf.save()]])
    const seen = await render(await flatten({ title: 'x', pages: [{ page, items: [] }], files }))
    expect(seen.at(70, 100)).toEqual([0, 0, 0])
    expect(seen.at(200, 100)[2]).toBeLessThan(180)
  })

  test('a pencil leaves the grain of the paper, a pen none', async () => {
    const grainy = lineStroke([20, 60], [280, 60], { nib: 'pencil', colour: '#0000ff', width: 24 })
    const even = lineStroke([20, 140], [280, 140], { nib: 'pen', colour: '#0000ff', width: 24 })
    const page = pageOf(paperOf(0, [0, 0, 300, 200]))
    const files = new Map([[FILE, await makePdf([{ width: 300, height: 200 }])]])
    const seen = await render(await flatten({ title: 'x', pages: [{ page, items: [grainy, even] }], files }))
    const reds = (y: number) => Array.from({ length: 200 }, (_, at) => seen.at(50 + at, y)[0]!)
    const mean = (of: readonly number[]) => of.reduce((sum, one) => sum + one, 0) / of.length
    expect(mean(reds(140))).toBe(0)
    // About a fifth of the paper shows, here more and there less.
    expect(mean(reds(60))).toBeGreaterThan(255 * 0.1)
    expect(mean(reds(60))).toBeLessThan(255 * 0.35)
    expect(Math.max(...reds(60)) - Math.min(...reds(60))).toBeGreaterThan(60)
  })

  test('takes picture pages and marks voice notes', async () => {
    const picture = await sharp({ create: { width: 200, height: 100, channels: 3, background: '#00ff00' } })
      .png()
      .toBuffer()
    const size = pictureSize(200, 100)
    const page: WorksheetPage = {
      id: crypto.randomUUID(),
      ...size,
      paper: { kind: 'picture', file: FILE },
      printed: [],
    }
    const note = {
      id: crypto.randomUUID(),
      kind: 'voice' as const,
      x: 300,
      y: 200,
      recording: crypto.randomUUID(),
      seconds: 3,
    }
    const seen = await render(
      await flatten({
        title: 'x',
        pages: [{ page, items: [red(), note] }],
        files: new Map([
          [FILE, picture],
          [`${FILE} 0`, picture],
        ]),
      }),
    )
    expect(seen.at(500, 300)).toEqual([0, 255, 0])
    expect(seen.at(80, 30)).toEqual([255, 0, 0])
    expect(seen.at(303, 203)[0]).toBeGreaterThan(200)
  })

  test('of pages with an unbalanced drawing still has its ink in place', async () => {
    const pdf = await PDFDocument.create()
    const drawn = pdf.addPage([300, 200])
    // A page that scales and never undoes it, as careless programs write.
    drawn.node.addContentStream(pdf.context.register(pdf.context.stream('0.5 0 0 0.5 60 60 cm 1 0 0 rg')))
    const page = pageOf(paperOf(0, [0, 0, 300, 200]))
    const flat = await flatten({
      title: 'x',
      pages: [{ page, items: [red()] }],
      files: new Map([[FILE, await pdf.save()]]),
    })
    expect((await render(flat)).at(80, 30)).toEqual([255, 0, 0])
  })
})
