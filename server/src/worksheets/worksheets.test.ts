import { randomUUID } from 'node:crypto'
import { PDFDocument } from '@cantoo/pdf-lib'
import {
  paperFile,
  type RefusedFiles,
  type SheetChange,
  type WorksheetCard,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { makePdf } from '../test/makePdf.ts'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
let teacher: Visitor
beforeAll(async () => {
  school = await openSchool()
  teacher = await school.teacher()
})
afterAll(() => school.close())

const bringIn = (name: string, bytes: Uint8Array) =>
  teacher.upload<WorksheetWhole>('/worksheets', name, bytes)

/** Rows of everything that bringing in writes. */
async function rowsThere(): Promise<Record<string, number>> {
  const { pool, close } = behind(school)
  const counts: Record<string, number> = {}
  for (const table of ['worksheet', 'worksheet_version', 'worksheet_page', 'file', 'file_chunk']) {
    counts[table] = (await pool.query(`SELECT count(*)::int AS n FROM ${table}`)).rows[0].n
  }
  await close()
  return counts
}

describe('bringing in a PDF', () => {
  test('makes a page of each of its pages, in order, at the size it is seen', async () => {
    const pdf = await makePdf([
      {},
      { width: 842, height: 595 },
      { turn: 90 },
      { turn: 270, crop: [50, 60, 300, 400] },
      { turn: 180, crop: [0, 0, 200, 100] },
    ])
    const {
      title,
      sheet: { pages },
    } = await bringIn('Reading_a tide  table.PDF', pdf)
    expect(title).toBe('Reading a tide table')
    expect(pages.map(({ width, height }) => [width, height])).toEqual([
      [595, 842],
      [842, 595],
      [842, 595],
      [400, 300],
      [200, 100],
    ])
    expect(pages.map(({ paper }) => (paper.kind === 'pdf' ? paper.number : 0))).toEqual([1, 2, 3, 4, 5])
  })

  test('keeps the bytes as they came, once, and serves parts of them', async () => {
    const pdf = await makePdf([{}, {}, {}])
    const {
      sheet: { pages },
    } = await bringIn('a.pdf', pdf)
    const before = await rowsThere()
    await bringIn('the same again.pdf', pdf)
    const after = await rowsThere()
    expect([after.file, after.file_chunk]).toEqual([before.file, before.file_chunk])
    const path = `/files/${paperFile(pages[0]!.paper)}`
    const whole = await teacher.send('GET', path)
    expect(whole.headers.get('content-type')).toBe('application/pdf')
    expect(whole.headers.get('content-security-policy')).toMatch(/sandbox/)
    expect(new Uint8Array(await whole.arrayBuffer())).toEqual(new Uint8Array(pdf))
    const part = await teacher.send('GET', path, undefined, { range: 'bytes=10-29' })
    expect(part.status).toBe(206)
    expect(part.headers.get('content-range')).toBe(`bytes 10-29/${pdf.length}`)
    expect(new Uint8Array(await part.arrayBuffer())).toEqual(new Uint8Array(pdf.slice(10, 30)))
    expect((await teacher.send('GET', path, undefined, { range: `bytes=${pdf.length}-` })).status).toBe(416)
    expect(
      (await teacher.send('GET', path, undefined, { 'if-none-match': whole.headers.get('etag')! })).status,
    ).toBe(304)
  })

  test('of several megabytes comes back whole over chunk borders', async () => {
    const noise = await sharp({
      create: {
        width: 1400,
        height: 1400,
        channels: 3,
        background: '#fff',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .png()
      .toBuffer()
    const {
      sheet: { pages },
    } = await bringIn('noise.png', noise)
    expect(noise.length).toBeGreaterThan(2_000_000)
    const path = `/files/${paperFile(pages[0]!.paper)}`
    const from = 256 * 1024 - 5
    const part = await teacher.send('GET', path, undefined, { range: `bytes=${from}-${from + 9}` })
    expect(Buffer.from(await part.arrayBuffer())).toEqual(noise.subarray(from, from + 10))
    expect(Buffer.from(await (await teacher.send('GET', path)).arrayBuffer()).equals(noise)).toBe(true)
  })
})

describe('what cannot be used', () => {
  const good = makePdf([{}, {}])
  test.each([
    ['an empty file', async () => new Uint8Array(), /empty/],
    ['a PDF cut short', async () => (await good).slice(0, 700), /not complete/],
    [
      'a PDF with its inside torn out',
      async () =>
        Buffer.concat([Buffer.from('%PDF-1.7\n'), Buffer.alloc(400, 120), Buffer.from('\n%%EOF\n')]),
      /damaged/,
    ],
    ['a PDF with a password', () => makePdf([{}], 'secret'), /locked with a password/],
    ['a text that says it is a PDF', async () => Buffer.from('Dear harbour master'), /something else/],
    ['a web page', async () => Buffer.from('<html><script>alert(1)</script></html>'), /something else/],
    [
      'a picture cut short',
      async () =>
        (
          await sharp({ create: { width: 90, height: 90, channels: 3, background: '#a83a2e' } })
            .png()
            .toBuffer()
        ).subarray(0, 80),
      /damaged/,
    ],
  ] as const)('%s gets one sentence and leaves nothing behind', async (_what, make, sentence) => {
    const before = await rowsThere()
    await expect(bringIn('x.pdf', await make())).rejects.toThrow(sentence)
    expect(await rowsThere()).toEqual(before)
  })

  test('one bad file among good ones says which it was and why; the good ones come in', async () => {
    const made = await teacher.uploadAll<WorksheetWhole & { refused: RefusedFiles }>('/worksheets', [
      ['good.pdf', await good],
      ['bad "one".png', Buffer.from('not a picture')],
      ['better.pdf', await makePdf([{ width: 300 }])],
    ])
    expect(made.sheet.pages).toHaveLength(3)
    expect(made.refused).toEqual([
      { name: 'bad "one".png', sentence: expect.stringMatching(/something else/) },
    ])
  })

  test('several bad ones are all told of; a locked one among good ones leaves nothing behind', async () => {
    const before = await rowsThere()
    await expect(
      teacher.uploadAll('/worksheets', [
        ['a.txt', Buffer.from('Dear harbour master')],
        ['b.pdf', (await good).slice(0, 700)],
      ]),
    ).rejects.toThrow(/“a.txt”.*something else.*“b.pdf”.*not complete/)
    await expect(
      teacher.uploadAll('/worksheets', [
        ['new.pdf', await makePdf([{ width: 321 }])],
        ['locked.pdf', await makePdf([{}], 'secret')],
      ]),
    ).rejects.toThrow(/“locked” is locked with a password/)
    expect(await rowsThere()).toEqual(before)
  })

  test('a sound, and one that is a spoken direction already, get one sentence', async () => {
    const bytes = new Uint8Array(
      Buffer.concat([Buffer.from('RIFF\x24\x08\0\0WAVEfmt \x10\0\0\0', 'latin1'), Buffer.alloc(2000)]),
    )
    await teacher.send('PUT', `/spoken/${randomUUID()}`, bytes)
    await expect(bringIn('sound.webm', bytes)).rejects.toThrow(/something else/)
  })

  test.each([
    [
      'a photo of a phone',
      Buffer.from('\0\0\0\x18ftypheic\0\0\0\0heicmif1'.padEnd(64, '\0'), 'latin1'),
      /HEIC.*JPEG/,
    ],
    ['too many pixels', null, /18000 × 18000 pixels.*at most 10000/],
  ] as const)('%s: the limit and the way out are said', async (_what, given, sentence) => {
    const bytes =
      given ??
      (await sharp({
        create: { width: 18_000, height: 18_000, channels: 3, background: '#fff' },
        limitInputPixels: false,
      })
        .png({ compressionLevel: 1 })
        .toBuffer())
    await expect(bringIn('x.heic', bytes)).rejects.toThrow(sentence)
  })
})

describe('PDFs as they are in the world', () => {
  const openCopy = async (pdf: Uint8Array) => {
    const { teacher: marit, students } = await startLesson(school, 1, pdf)
    const { visitor, copy } = students[0]!
    const flat = await visitor.send('GET', `/copies/${copy}/pdf`)
    return { marit, visitor, copy, status: flat.status, bytes: Buffer.from(await flat.arrayBuffer()) }
  }

  test('restricted by their owner, but open without a password: they come in and go out', async () => {
    const pdf = await PDFDocument.create()
    pdf.addPage([300, 200]).drawText('tide of the owner', { x: 20, y: 20 })
    pdf.encrypt({ userPassword: '', ownerPassword: 'harbour', permissions: { copying: false } })
    const { status, bytes } = await openCopy(await pdf.save({ useObjectStreams: false }))
    expect(status).toBe(200)
    expect(textOfPdf(bytes)).toMatch(/tide of the owner/)
  })

  test('with bytes of a mail program before and after', async () => {
    const pdf = Buffer.concat([
      Buffer.from('Content-Type: application/pdf\r\n\r\n'),
      await makePdf([{}]),
      Buffer.from(`\n--boundary--\n${'.'.repeat(4000)}`),
    ])
    const { status, bytes } = await openCopy(pdf)
    expect(status).toBe(200)
    expect(textOfPdf(bytes)).toMatch(/page 1/)
  })

  test('cut short though an end mark stands near the beginning', async () => {
    const whole = Buffer.from(await makePdf([{}, {}, {}]))
    const cut = Buffer.concat([Buffer.from('%PDF-1.7\n%%EOF\n'), whole.subarray(0, whole.length - 300)])
    await expect(bringIn('cut.pdf', cut)).rejects.toThrow(/not complete/)
  })

  test('a page box of nonsense is refused before anything is made', async () => {
    const pdf = await PDFDocument.create()
    pdf.addPage([300, 200]).setMediaBox(4e7, 4e7, 300, 200)
    await expect(bringIn('far.pdf', await pdf.save())).rejects.toThrow(/Page 1 .* size that cannot be used/)
  })
})

describe('more than can be read', () => {
  test('a file over 100 MB is refused while it arrives', async () => {
    const before = await rowsThere()
    const big = new Uint8Array(101 * 1024 * 1024)
    await expect(bringIn('big.pdf', big)).rejects.toThrow(/larger than 100 MB/)
    expect(await rowsThere()).toEqual(before)
  })
})

describe('pictures', () => {
  test.each(['png', 'jpeg', 'webp'] as const)(
    'a %s becomes a page that fills an A4 sheet',
    async (format) => {
      const bytes = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#1b6e68' } })
        [format]()
        .toBuffer()
      const {
        sheet: { pages },
      } = await bringIn(`bay.${format}`, bytes)
      expect(pages).toHaveLength(1)
      expect(pages[0]!.width).toBeCloseTo(841.89, 1)
      expect(pages[0]!.height).toBeCloseTo(420.9, 0)
    },
  )
  test('a photo that the camera turned is upright', async () => {
    const bytes = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#1b6e68' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    const [page] = (await bringIn('photo.jpg', bytes)).sheet.pages
    expect(page!.height).toBeGreaterThan(page!.width)
  })
})

/** A change that leaves these pages, in this order. */
const leaving = (
  { sheet, revision }: WorksheetWhole,
  keep: (page: WorksheetPage) => boolean,
): SheetChange => ({
  revision,
  order: sheet.pages.filter(keep).map(({ id }) => id),
  pages: [],
})

describe('a worksheet', () => {
  test('that was handed out is changed in a new version; the copies stay as they are', async () => {
    const { teacher: marit, worksheet, students } = await startLesson(school, 1, await makePdf([{}, {}]))
    const [first, second] = worksheet.sheet.pages
    const path = `/worksheets/${worksheet.id}`
    await marit.put(
      `${path}/sheet`,
      leaving(worksheet, ({ id }) => id !== first!.id),
    )
    const now = await marit.get<WorksheetWhole>(path)
    expect(now.sheet.pages.map(({ id }) => id)).toEqual([second!.id])
    expect(now.frozen).toBe(false)
    const copy = await students[0]!.visitor.get<{ pages: { id: string }[] }>(`/copies/${students[0]!.copy}`)
    expect(copy.pages.map(({ id }) => id)).toEqual([first!.id, second!.id])
    await expect(
      marit.put(
        `${path}/sheet`,
        leaving(now, () => false),
      ),
    ).rejects.toThrow(/at least one page/)
  })

  test('takes a new name and unit, is duplicated, put away and brought back', async () => {
    const { id } = await bringIn('first.pdf', await makePdf())
    await teacher.patch(`/worksheets/${id}`, { title: '  Bearings across the bay ', unit: 'Tides' })
    const again = await teacher.post<WorksheetWhole>(`/worksheets/${id}/duplicate`)
    expect(again).toMatchObject({ title: 'Bearings across the bay, again', unit: 'Tides' })
    const titles = async (which = '') =>
      (await teacher.get<WorksheetCard[]>(`/worksheets${which}`)).map(({ title }) => title)
    expect(await titles()).toContain('Bearings across the bay')
    await teacher.post(`/worksheets/${id}/archive`)
    expect(await titles()).not.toContain('Bearings across the bay')
    expect(await titles('?archived=yes')).toEqual(['Bearings across the bay'])
    await teacher.post(`/worksheets/${id}/bring-back`)
    expect(await titles()).toContain('Bearings across the bay')
  })
})
