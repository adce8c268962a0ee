import {
  paperFile,
  type SheetChange,
  type WorksheetCard,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { makePdf } from '../test/makePdf.ts'
import { behind, openSchool, type School, startLesson } from '../test/school.ts'
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

  test('one bad file among good ones: nothing is made', async () => {
    const { worksheet } = await rowsThere()
    const form = new FormData()
    form.append('file', new Blob([(await good) as Uint8Array<ArrayBuffer>]), 'good.pdf')
    form.append('file', new Blob(['not a picture']), 'bad.png')
    const response = await teacher.send('POST', '/worksheets', form)
    expect(response.status).toBe(422)
    expect((await rowsThere()).worksheet).toBe(worksheet)
  })

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
