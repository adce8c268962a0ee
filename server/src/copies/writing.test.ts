import { randomUUID } from 'node:crypto'
import { PDFDocument } from '@cantoo/pdf-lib'
import {
  type CopyWhole,
  type Habits,
  type KeptEvent,
  MOST_OWN_PAGES,
  type PageEvent,
  type Ruling,
  type Thing,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { adding, lineStroke } from '../test/ink.ts'
import { firstPageOf, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
beforeAll(async () => {
  school = await openSchool()
})
afterAll(() => school.close())

async function freshCopy() {
  const lesson = await startLesson(school, 2)
  const { visitor: student, copy } = lesson.students[0]!
  return { ...lesson, student, other: lesson.students[1]!, copy, page: await firstPageOf(student, copy) }
}
const RULING: Ruling = { form: 'squared', colour: '#9fb4c7', side: 5 }
const sheet = (page: string, set: object, was: object = { gone: true }): PageEvent =>
  ({ id: randomUUID(), page, layer: 'work', madeAt: 1, act: 'sheet', set, was }) as PageEvent
const laying = (page: string, after: string | null = null) =>
  sheet(page, { ruling: RULING, width: 400, height: 500, after, order: 0, gone: false })
const fates = async (student: Visitor, copy: string, events: PageEvent[]) => {
  const answer = await student.keep(copy, events)
  return answer.ok ? answer.fates.map(({ fate }) => fate) : [answer.why]
}
const text = (words: string): Thing => ({
  id: randomUUID(),
  kind: 'text',
  text: words,
  face: 'reading',
  size: 12,
  bold: false,
  colour: '#1e2b3a',
  align: 'left',
  list: 'none',
  x: 60,
  y: 60,
  width: 200,
  height: 16,
  turn: 30,
})
const pictureOf = (file: string): Thing => ({
  id: randomUUID(),
  kind: 'picture',
  file,
  alt: 'a crab',
  crop: { x: 0, y: 0, width: 1, height: 1 },
  x: 60,
  y: 60,
  width: 80,
  height: 40,
  turn: 0,
})
const somePicture = async () =>
  new Uint8Array(
    await sharp({ create: { width: 20, height: 10, channels: 3, background: '#1b6e68' } })
      .png()
      .toBuffer(),
  )
const pdfOf = async (visitor: Visitor, copy: string) =>
  Buffer.from(await (await visitor.send('GET', `/copies/${copy}/pdf`)).arrayBuffer())

describe('pages of a copy', () => {
  test('a page laid in takes ink, also from the next visit; one that nobody laid in takes none', async () => {
    const { student, copy, page } = await freshCopy()
    const own = randomUUID()
    expect(await fates(student, copy, [adding(own)])).toEqual(['wrong'])
    expect(await fates(student, copy, [laying(own, page), adding(own)])).toEqual(['kept', 'kept'])
    expect(await fates(student, copy, [adding(own)])).toEqual(['kept'])
    const flat = await PDFDocument.load(await pdfOf(student, copy))
    expect(flat.getPages().map((each) => each.getWidth())).toContain(400)
  })

  test('a printed page only grows; it is neither taken out nor ruled anew', async () => {
    const { student, copy, page } = await freshCopy()
    const whole = await student.get<CopyWhole>(`/copies/${copy}`)
    const grown = whole.pages[0]!.height + 300
    expect(
      await fates(student, copy, [
        sheet(page, { height: grown }),
        sheet(page, { gone: true }),
        sheet(page, { ruling: RULING, width: 100, height: 100 }),
        sheet(page, { after: null, order: 3 }),
      ]),
    ).toEqual(['kept', 'wrong', 'wrong', 'wrong'])
    const flat = await PDFDocument.load(await pdfOf(student, copy))
    expect(flat.getPage(0).getHeight()).toBeCloseTo(grown)
  })

  test('there is an end to pages', async () => {
    const { student, copy } = await freshCopy()
    const many = Array.from({ length: MOST_OWN_PAGES + 2 }, () => laying(randomUUID()))
    expect((await fates(student, copy, many)).filter((fate) => fate === 'wrong')).toHaveLength(2)
  })

  test('the teacher lays none in, on no layer', async () => {
    const { student, teacher, copy } = await freshCopy()
    await student.post(`/copies/${copy}/open`, {})
    const help = { ...laying(randomUUID()), layer: 'help' } as PageEvent
    expect(await fates(teacher, copy, [help, laying(randomUUID())])).toEqual(['wrong', 'wrong'])
  })
})

describe('things and what is done to many', () => {
  test('rubbing out a part comes back as it was sent, with its pieces', async () => {
    const { student, copy, page } = await freshCopy()
    const first = adding(page)
    const pieces = [lineStroke([100, 100], [140, 108]), lineStroke([160, 112], [200, 120])]
    const swap: PageEvent = {
      id: randomUUID(),
      page,
      layer: 'work',
      madeAt: 2,
      act: 'swap',
      take: [first.items[0]!.id],
      bring: [],
      items: pieces,
    }
    expect(await fates(student, copy, [first, swap])).toEqual(['kept', 'kept'])
    const log = await student.get<KeptEvent[]>(`/copies/${copy}/log`)
    expect(log[1]).toMatchObject({ act: 'swap', take: swap.take, items: pieces })
  })

  test('ink that cannot be read is refused in pieces too, and a picture needs its bytes', async () => {
    const { student, copy, page } = await freshCopy()
    const broken = { ...adding(page), act: 'swap', take: [], bring: [] } as unknown as PageEvent
    ;(broken as { items: unknown[] }).items = [lineStroke([0, 0], [1, 1], { points: 'AAAA' })]
    const recording = randomUUID()
    const picture = pictureOf(recording)
    const put = { ...adding(page), items: [picture] } as PageEvent
    expect(await fates(student, copy, [broken, put])).toEqual(['wrong', 'wrong'])
    await student.put(`/copies/${copy}/attachments/${recording}`, await somePicture())
    const again = { ...put, id: randomUUID() }
    expect(await fates(student, copy, [again])).toEqual(['kept'])
    const flat = (await pdfOf(student, copy)).toString('latin1')
    expect(flat.length).toBeGreaterThan(1000)
  })

  test('what is typed, and made larger elsewhere, is in the PDF as text', async () => {
    const { student, copy, page } = await freshCopy()
    const thing = { ...text('the ebb runs out'), turn: 0 } as Thing
    const put = { ...adding(page), items: [thing] } as PageEvent
    const move: PageEvent = {
      id: randomUUID(),
      page,
      layer: 'work',
      madeAt: 2,
      act: 'move',
      items: [thing.id],
      by: { a: 1.5, b: 0, e: 20, f: -10 },
    }
    expect(await fates(student, copy, [put, move])).toEqual(['kept', 'kept'])
    expect(textOfPdf(await pdfOf(student, copy))).toContain('the ebb runs out')
  })
})

describe('what a teacher lays on a copy', () => {
  test('is changed by the teacher alone, and a picture reaches the student only when it is handed back', async () => {
    const { student, teacher, other, copy, page } = await freshCopy()
    await student.post(`/copies/${copy}/open`)
    await student.post(`/copies/${copy}/hand-in`, {})
    const file = randomUUID()
    const where = `/copies/${copy}/attachments/${file}`
    const [note, picture] = [{ ...text('look at the ebb again'), turn: 0 }, pictureOf(file)]
    const put = { ...adding(page, 'feedback'), items: [note, picture] } as PageEvent
    expect(await fates(teacher, copy, [put])).toEqual(['wrong'])
    await teacher.put(where, await somePicture())
    const act = (what: object) =>
      ({ id: randomUUID(), page, layer: 'feedback', madeAt: 3, ...what }) as PageEvent
    const move = { act: 'move', items: [note.id, picture.id], by: { a: 1, b: 0, e: 30, f: 0 } }
    expect(await fates(teacher, copy, [{ ...put, id: randomUUID() }, act(move)])).toEqual(['kept', 'kept'])
    expect(await fates(student, copy, [act(move)])).toEqual(['wrong'])
    expect(await student.status('GET', where)).toBe(404)
    expect(await other.visitor.status('GET', where)).toBe(404)
    expect(await teacher.status('GET', where)).toBe(200)
    expect(textOfPdf(await pdfOf(student, copy))).not.toContain('look at the ebb')

    await teacher.post(`/copies/${copy}/hand-back`)
    expect(await student.status('GET', where)).toBe(200)
    expect(await other.visitor.status('GET', where)).toBe(404)
    expect(textOfPdf(await pdfOf(student, copy))).toContain('look at the ebb again')
  })
})

describe('the log of a copy', () => {
  test('is read by its student and teacher, without feedback before it is handed back', async () => {
    const { student, teacher, other, copy, page } = await freshCopy()
    await student.keep(copy, [adding(page)])
    await student.post(`/copies/${copy}/hand-in`, {})
    await teacher.keep(copy, [adding(page, 'feedback')])
    const layers = async (visitor: Visitor) =>
      (await visitor.get<KeptEvent[]>(`/copies/${copy}/log`)).map(({ layer }) => layer)
    expect(await layers(student)).toEqual(['work'])
    expect((await layers(teacher)).sort()).toEqual(['feedback', 'work'])
    expect(await other.visitor.status('GET', `/copies/${copy}/log`)).toBe(404)
  })
})

describe('habits', () => {
  test('are kept for each person alone, each change on top of the others', async () => {
    const { student, other, teacher } = await freshCopy()
    const mine = () => student.get<Habits>('/habits')
    expect(await mine()).toEqual({})
    await student.patch('/habits', { strip: 'left' })
    await student.patch('/habits', { tint: { colour: '#a9c9ee', strength: 0.4 }, active: 3 })
    expect(await mine()).toEqual({ strip: 'left', tint: { colour: '#a9c9ee', strength: 0.4 }, active: 3 })
    await student.patch('/habits', { tint: null })
    expect((await mine()).tint).toBeNull()
    for (const somebody of [other.visitor, teacher]) expect(await somebody.get('/habits')).toEqual({})
    await expect(student.patch('/habits', { strip: 'ceiling' })).rejects.toMatchObject({ status: 422 })
    await expect(student.patch('/habits', { swatches: [] })).rejects.toMatchObject({ status: 422 })
    expect((await mine()).strip).toBe('left')
  })
})
