import { randomUUID } from 'node:crypto'
import { degrees, PDFArray, PDFDict, PDFDocument, PDFName, PDFString, StandardFonts } from '@cantoo/pdf-lib'
import {
  type Box,
  bareSheet,
  type ClassCard,
  type CopyWhole,
  type HandoutWhole,
  type PrintedItem,
  type StudentWithPin,
  type TrayEntry,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { giveOut, giving, openSchool, type School } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

// What leaves for a student is looked at as bytes: nothing may be in them that the student may not see.

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

const name = (text: string) => PDFName.of(text)

/** Three pages with words to look for, scripts, an attachment, a note that is hidden, a layer that is off, words beyond the crop box. */
async function tellingPdf(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create()
  const font = await pdf.embedFont(StandardFonts.Helvetica)
  const words = ['QUESTIONS', 'ANSWERS', 'LEVELTWO']
  const pages = words.map((word) => {
    const page = pdf.addPage([400, 300])
    page.drawText(word, { x: 30, y: 250, size: 20, font })
    page.drawText('LOWERHALF', { x: 30, y: 40, size: 20, font })
    return page
  })
  const [first] = pages
  pdf.addJavaScript('start', 'app.alert("SCRIPTED")')
  await pdf.attach(Buffer.from('ATTACHED'), 'notes.txt', { mimeType: 'text/plain' })
  const layer = pdf.context.register(pdf.context.obj({ Type: 'OCG', Name: PDFString.of('Key') }))
  pdf.catalog.set(
    name('OCProperties'),
    pdf.context.obj({ OCGs: [layer], D: { OFF: [layer], Order: [layer] } }),
  )
  first!.node.normalize()
  first!.node.Resources()!.set(name('Properties'), pdf.context.obj({ Key: layer }))
  const fontName = first!.node.newFontDictionary('F9', font.ref)
  const content = `/OC /Key BDC BT ${fontName} 14 Tf 30 150 Td (HIDDENLAYER) Tj ET EMC`
  first!.node.addContentStream(pdf.context.register(pdf.context.flateStream(content)))
  first!.node.set(
    name('Annots'),
    pdf.context.obj([
      { Type: 'Annot', Subtype: 'Text', F: 2, Rect: [0, 0, 20, 20], Contents: PDFString.of('HIDDENNOTE') },
      // Seen itself, but with a hidden layer inside.
      {
        Type: 'Annot',
        Subtype: 'Stamp',
        Rect: [200, 100, 300, 140],
        AP: {
          N: pdf.context.register(
            pdf.context.stream('/OC /Key BDC BT /F9 9 Tf (HIDDENINNOTE) Tj ET EMC 0 0 1 rg 0 0 100 40 re f', {
              Type: 'XObject',
              Subtype: 'Form',
              BBox: [0, 0, 100, 40],
              Resources: { Properties: { Key: layer } },
            }),
          ),
        },
      },
      {
        Type: 'Annot',
        Subtype: 'Link',
        Rect: [0, 0, 50, 50],
        A: { S: 'Launch', F: PDFString.of('LAUNCHED') },
      },
      {
        Type: 'Annot',
        Subtype: 'Link',
        Rect: [0, 60, 50, 90],
        A: { S: 'URI', URI: PDFString.of('https://tides.example/') },
      },
    ]),
  )
  return pdf.save({ useObjectStreams: false })
}

/** Everything readable in a PDF: its bytes with all streams unpacked. */
async function allIn(bytes: Uint8Array): Promise<string> {
  const pdf = await PDFDocument.load(bytes)
  return Buffer.from(await unpacked(pdf)).toString('latin1') + textOfPdf(bytes)
}

async function unpacked(pdf: PDFDocument): Promise<Uint8Array> {
  const { decodePDFRawStream, PDFRawStream } = await import('@cantoo/pdf-lib')
  const parts: string[] = []
  for (const [, object] of pdf.context.enumerateIndirectObjects()) {
    parts.push(String(object))
    if (!(object instanceof PDFRawStream)) continue
    try {
      const text = Buffer.from(decodePDFRawStream(object).decode()).toString('latin1')
      // Letters are written as codes of their font: told both ways.
      parts.push(
        text,
        text.replace(/<([0-9A-Fa-f]+)>/g, (_all, hex) => Buffer.from(hex, 'hex').toString('latin1')),
      )
    } catch {
      // A picture.
    }
  }
  return Buffer.from(parts.join('\n'), 'latin1')
}

interface Class {
  readonly teacher: Visitor
  readonly id: string
  readonly students: readonly { readonly id: string; readonly visitor: Visitor }[]
}

async function classOf(count: number): Promise<Class> {
  const teacher = await school.teacher()
  const { id, code } = await teacher.post<ClassCard>('/classes', { name: 'Dunlin' })
  const names = Array.from({ length: count }, (_, index) => `Student ${index + 1}`)
  const made = await teacher.post<StudentWithPin[]>(`/classes/${id}/students`, { names })
  const students = await Promise.all(
    made.map(async (student) => {
      const visitor = school.visitor()
      await visitor.post('/sign-in/student', { code, student: student.id, pin: student.pin })
      return { id: student.id, visitor }
    }),
  )
  return { teacher, id, students }
}

/** Every file that a copy names, as its student gets it, and the flattened PDF. */
async function receivedBy(visitor: Visitor, copy: string) {
  const whole = await visitor.get<CopyWhole>(`/copies/${copy}`)
  const names = [...new Set(JSON.stringify(whole).match(/[0-9a-f]{64}/g) ?? [])]
  const files = await Promise.all(
    names.map(async (file) => {
      const answer = await visitor.send('GET', `/files/${file}`)
      expect(answer.status).toBe(200)
      return {
        type: answer.headers.get('content-type')!,
        bytes: Buffer.from(await answer.arrayBuffer()),
        answer,
      }
    }),
  )
  const flat = Buffer.from(await (await visitor.send('GET', `/copies/${copy}/pdf`)).arrayBuffer())
  return { whole, files, flat }
}

async function textOf({ files, flat }: Awaited<ReturnType<typeof receivedBy>>): Promise<string> {
  const pdfs = files.filter(({ type }) => type === 'application/pdf').map(({ bytes }) => bytes)
  return (await Promise.all([...pdfs, flat].map(allIn))).join('\n')
}

async function handedOut(of: Class, worksheet: string, wish = {}) {
  const [id] = await giveOut(of.teacher, giving(worksheet, of.id, wish))
  const { copies } = await of.teacher.get<HandoutWhole>(`/handouts/${id}`)
  return (index: number) => copies.find((row) => row.students[0]!.id === of.students[index]!.id)!.id
}

const change = (teacher: Visitor, { id, revision }: WorksheetWhole, pages: WorksheetPage[], rest = {}) =>
  teacher.put(`/worksheets/${id}/sheet`, { revision, order: pages.map((page) => page.id), pages, ...rest })

describe('a student gets of a PDF only the pages of their copy', () => {
  test('not those taken out, nor scripts, files, hidden notes, hidden layers', async () => {
    const room = await classOf(1)
    const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'telling.pdf', await tellingPdf())
    const source = (made.sheet.pages[0]!.paper as { file: string }).file
    await change(room.teacher, made, [made.sheet.pages[0]!])
    const copyOf = await handedOut(room, made.id)
    const { visitor } = room.students[0]!
    const got = await receivedBy(visitor, copyOf(0))
    const text = await textOf(got)
    expect(text).toMatch(/QUESTIONS/)
    expect(text).toMatch(/LOWERHALF/)
    expect(text).not.toMatch(
      /ANSWERS|LEVELTWO|SCRIPTED|ATTACHED|HIDDENNOTE|HIDDENINNOTE|HIDDENLAYER|LAUNCHED|JavaScript|EmbeddedFile/,
    )
    expect(await visitor.status('GET', `/files/${source}`)).toBe(404)
    expect(got.files[0]!.answer.headers.get('cache-control')).toBe('no-store')
    // A link to a web page is carried over.
    expect(text).toMatch(/tides\.example/)
  })

  test('not those of other sets, nor pictures for other sets, nor pages dealt to others; also in bursts', async () => {
    const room = await classOf(2)
    const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'telling.pdf', await tellingPdf())
    const picture = await room.teacher.upload<{ file: string }>(
      `/worksheets/${made.id}/pictures`,
      'x.png',
      new Uint8Array(
        await sharp({ create: { width: 30, height: 20, channels: 3, background: '#123456' } })
          .png()
          .toBuffer(),
      ),
    )
    const sets = [randomUUID(), randomUUID()].map((id, index) => ({ id, name: `Level ${index + 1}` }))
    const [first, second, third] = made.sheet.pages
    const only: PrintedItem = {
      id: randomUUID(),
      kind: 'picture',
      file: picture.file,
      alt: '',
      crop: { x: 0, y: 0, width: 1, height: 1 },
      x: 10,
      y: 10,
      width: 30,
      height: 20,
      sets: [sets[1]!.id],
    }
    const pages = [
      { ...first!, printed: [only] },
      { ...second!, sets: [sets[0]!.id] },
      { ...third!, sets: [sets[1]!.id] },
    ]
    await change(room.teacher, { ...made, revision: 0 }, pages, { sets })
    const copyOf = await handedOut(room, made.id, {
      setOf: Object.fromEntries(room.students.map(({ id }, index) => [id, sets[index]!.id])),
    })
    const [one, two] = await Promise.all(
      room.students.map(({ visitor }, index) => receivedBy(visitor, copyOf(index))),
    )
    expect(await textOf(one!)).toMatch(/ANSWERS/)
    expect(await textOf(one!)).not.toMatch(/LEVELTWO/)
    expect(await textOf(two!)).not.toMatch(/ANSWERS/)
    // Whatever the other one got, this one asks for too, many times at once.
    const names = [...new Set(JSON.stringify(two!.whole).match(/[0-9a-f]{64}/g)!)]
    const mine = new Set(JSON.stringify(one!.whole).match(/[0-9a-f]{64}/g)!)
    const theirs = names.filter((file) => !mine.has(file))
    expect(theirs.length).toBeGreaterThanOrEqual(2)
    const { visitor } = room.students[0]!
    const burst = await Promise.all(
      Array.from({ length: 20 }, () => theirs)
        .flat()
        .map((file) => visitor.status('GET', `/files/${file}`)),
    )
    expect(new Set(burst)).toEqual(new Set([404]))
  })
})

describe('what is cut off is not sent', () => {
  const part = async (room: Class, cut: Box, on: Partial<WorksheetPage> = {}) => {
    const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'telling.pdf', await tellingPdf())
    const { paper } = made.sheet.pages[0]!
    const item: PrintedItem = {
      id: randomUUID(),
      kind: 'piece',
      paper,
      whole: { width: 400, height: 300 },
      part: cut,
      alt: '',
      x: 20,
      y: 20,
      width: cut.width,
      height: cut.height,
    }
    const plain = { form: 'plain', colour: '#ffffff' } as const
    const page = {
      ...made.sheet.pages[0]!,
      paper: { kind: 'ruled' as const, ruling: plain },
      printed: [item],
      ...on,
    }
    await change(room.teacher, made, [page])
    const copyOf = await handedOut(room, made.id)
    return receivedBy(room.students[0]!.visitor, copyOf(0))
  }

  test('of a part of a page nothing beside it is there, as text or otherwise', async () => {
    const got = await part(await classOf(1), { x: 0, y: 20, width: 400, height: 60 })
    expect(got.files.map(({ type }) => type)).toEqual(['image/png'])
    expect(await textOf(got)).not.toMatch(/QUESTIONS|LOWERHALF/)
    const { width, height } = await sharp(got.files[0]!.bytes).metadata()
    // Sharp enough to print: 400 dots an inch.
    expect(width! / 400).toBeGreaterThan(5)
    expect(width! / height!).toBeCloseTo(400 / 60, 1)
    const { dominant } = await sharp(got.files[0]!.bytes).stats()
    expect(dominant.r).toBeGreaterThan(240)
  })

  test('words beyond the crop box of a page are not there; the page is still seen', async () => {
    const pdf = await PDFDocument.create()
    const page = pdf.addPage([400, 600])
    page.drawText('SEEN', { x: 30, y: 400, size: 20 })
    page.drawText('CUTOFF', { x: 30, y: 100, size: 20 })
    page.setCropBox(0, 300, 400, 300)
    page.setRotation(degrees(90))
    const room = await classOf(1)
    const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'crop.pdf', await pdf.save())
    const copyOf = await handedOut(room, made.id)
    const got = await receivedBy(room.students[0]!.visitor, copyOf(0))
    expect(await textOf(got)).not.toMatch(/CUTOFF/)
    expect(got.whole.pages[0]).toMatchObject({ width: 300, height: 400 })
    const flat = await PDFDocument.load(got.flat)
    expect(flat.getPage(0).getSize()).toEqual({ width: 400, height: 300 })
  })

  test('a page with a unit of its own that is drawn, since something beside it was cut off, keeps its size', async () => {
    const pdf = await PDFDocument.create()
    const page = pdf.addPage([200, 300])
    page.drawText('SEEN', { x: 20, y: 200, size: 12 })
    page.drawText('CUTOFF', { x: 20, y: 50, size: 12 })
    page.setCropBox(0, 150, 200, 150)
    page.node.set(name('UserUnit'), pdf.context.obj(2))
    const room = await classOf(1)
    const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'unit.pdf', await pdf.save())
    const copyOf = await handedOut(room, made.id)
    const got = await receivedBy(room.students[0]!.visitor, copyOf(0))
    expect(await textOf(got)).not.toMatch(/CUTOFF/)
    expect(got.whole.pages[0]).toMatchObject({ width: 400, height: 300 })
    for (const bytes of [got.files[0]!.bytes, got.flat]) {
      const [only] = (await PDFDocument.load(bytes)).getPages()
      expect([only!.getSize(), String(only!.node.get(name('UserUnit')))]).toEqual([
        { width: 200, height: 150 },
        '2',
      ])
    }
  })

  test('a picture is cropped, and tells neither where nor when it was taken', async () => {
    const room = await classOf(1)
    const photo = await sharp({ create: { width: 400, height: 200, channels: 3, background: '#ffffff' } })
      .composite([
        {
          input: { create: { width: 200, height: 200, channels: 3, background: '#ff0000' } },
          left: 200,
          top: 0,
        },
      ])
      .withExif({ IFD0: { Artist: 'SOMEBODY' }, IFD3: { GPSLatitude: '55/1 41/1 0/1' } })
      .withMetadata({ orientation: 3 })
      .jpeg()
      .toBuffer()
    const made = await room.teacher.post<WorksheetWhole>('/worksheets', {
      title: 'Photo',
      sheet: bareSheet([
        {
          id: randomUUID(),
          width: 400,
          height: 300,
          paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#ffffff' } },
          printed: [],
        },
      ]),
    })
    const { file } = await room.teacher.upload<{ file: string }>(
      `/worksheets/${made.id}/pictures`,
      'p.jpg',
      new Uint8Array(photo),
    )
    const item: PrintedItem = {
      id: randomUUID(),
      kind: 'picture',
      file,
      alt: '',
      crop: { x: 0.5, y: 0, width: 0.5, height: 1 },
      x: 0,
      y: 0,
      width: 100,
      height: 100,
    }
    await change(room.teacher, made, [{ ...made.sheet.pages[0]!, printed: [item] }])
    const copyOf = await handedOut(room, made.id)
    const got = await receivedBy(room.students[0]!.visitor, copyOf(0))
    const { bytes } = got.files[0]!
    const about = await sharp(bytes).metadata()
    expect([about.width, about.height, about.exif, about.orientation]).toEqual([
      200,
      200,
      undefined,
      undefined,
    ])
    expect(bytes.includes('SOMEBODY')).toBe(false)
    // Turned upright first: what was at the left is at the right, and that half is shown.
    expect((await sharp(bytes).stats()).dominant.g).toBeGreaterThan(200)
    expect(got.whole.pages[0]!.printed[0]).toMatchObject({ crop: { x: 0, y: 0, width: 1, height: 1 } })
  })

  test('what lies wholly beside a page does not come along', async () => {
    const beside: PrintedItem = {
      id: randomUUID(),
      kind: 'direction',
      text: 'FORTHETEACHER',
      size: 12,
      tone: 'slate',
      x: 500,
      y: 10,
      width: 100,
      height: 30,
    }
    const got = await part(await classOf(1), { x: 0, y: 0, width: 100, height: 50 }, { printed: [beside] })
    expect(JSON.stringify(got.whole)).not.toMatch(/FORTHETEACHER/)
    const tray = await school.visitor().status('GET', '/tray')
    expect(tray).toBe(401)
  })
})

test('the tray names only what its student may have', async () => {
  const room = await classOf(1)
  const made = await room.teacher.upload<WorksheetWhole>('/worksheets', 'telling.pdf', await tellingPdf())
  await handedOut(room, made.id)
  const { visitor } = room.students[0]!
  const [entry] = await visitor.get<TrayEntry[]>('/tray')
  const source = (made.sheet.pages[0]!.paper as { file: string }).file
  expect(JSON.stringify(entry)).not.toContain(source)
  const { file } = entry!.firstPage.paper as { file: string }
  expect(await visitor.status('GET', `/files/${file}`)).toBe(200)
})

test('layers, headings and links of the pages that come along are carried over into the PDF', async () => {
  const pdf = await PDFDocument.create()
  const pages = [0, 1, 2].map((index) => {
    const page = pdf.addPage([300, 200])
    page.drawText(`page ${index}`, { x: 20, y: 20 })
    return page
  })
  const ref = (index: number) => pages[index]!.ref
  const { context } = pdf
  const root = context.nextRef()
  const items = ['ONE', 'SECRETHEADING', 'THREE'].map(() => context.nextRef())
  for (const [index, title] of ['ONE', 'SECRETHEADING', 'THREE'].entries())
    context.assign(
      items[index]!,
      context.obj({
        Title: PDFString.of(title),
        Parent: root,
        Dest: [ref(index), 'Fit'],
        ...(index < 2 ? { Next: items[index + 1]! } : {}),
        ...(index > 0 ? { Prev: items[index - 1]! } : {}),
      }),
    )
  context.assign(root, context.obj({ Type: 'Outlines', First: items[0]!, Last: items[2]!, Count: 3 }))
  pdf.catalog.set(name('Outlines'), root)
  pages[0]!.node.set(
    name('Annots'),
    context.obj([
      { Type: 'Annot', Subtype: 'Link', Rect: [0, 0, 9, 9], Dest: [ref(2), 'Fit'] },
      { Type: 'Annot', Subtype: 'Link', Rect: [0, 0, 9, 9], Dest: [ref(1), 'Fit'] },
    ]),
  )
  const layer = context.register(context.obj({ Type: 'OCG', Name: PDFString.of('Grid') }))
  pdf.catalog.set(name('OCProperties'), context.obj({ OCGs: [layer], D: { Order: [layer] } }))
  pages[0]!.node.normalize()
  pages[0]!.node.Resources()!.set(name('Properties'), context.obj({ G: layer }))
  pages[0]!.node.addContentStream(context.register(context.stream('/OC /G BDC 0 0 5 5 re f EMC')))
  const room = await classOf(1)
  const made = await room.teacher.upload<WorksheetWhole>(
    '/worksheets',
    'h.pdf',
    await pdf.save({ useObjectStreams: false }),
  )
  await change(room.teacher, made, [made.sheet.pages[0]!, made.sheet.pages[2]!])
  const copyOf = await handedOut(room, made.id)
  const { flat } = await receivedBy(room.students[0]!.visitor, copyOf(0))
  const text = await allIn(flat)
  expect(text).not.toMatch(/SECRETHEADING/)
  const read = await PDFDocument.load(flat)
  const outlines = read.catalog.lookup(name('Outlines'), PDFDict)
  expect(String(outlines.get(name('Count')))).toBe('2')
  expect(read.getPage(0).node.lookup(name('Annots'), PDFArray).size()).toBe(1)
  expect(read.catalog.lookup(name('OCProperties'), PDFDict).lookup(name('OCGs'), PDFArray).size()).toBe(1)
})
