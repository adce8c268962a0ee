import { randomUUID } from 'node:crypto'
import {
  answerId,
  bareSheet,
  type CopyWhole,
  type FormulaDrawing,
  type HandoutWhole,
  type Item,
  type PageEvent,
  type Printed,
  type PrintedItem,
  paperFile,
  type SheetChange,
  STARTERS,
  type WorksheetPage,
  type WorksheetWhole,
} from '@hand-back/core'
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals'
import sharp from 'sharp'
import { makePdf } from '../test/makePdf.ts'
import { behind, giveOut, giving, openSchool, type School, startLesson } from '../test/school.ts'
import { textOfPdf } from '../test/textOfPdf.ts'
import type { Visitor } from '../test/visitor.ts'

let school: School
let teacher: Visitor
beforeAll(async () => {
  school = await openSchool()
  teacher = await school.teacher()
})
afterAll(() => school.close())

const typed = (): Printed<'typed'> => ({
  id: randomUUID(),
  kind: 'typed',
  x: 100,
  y: 100,
  width: 140,
  height: 22,
  label: 'in cm',
  takes: 'number',
  size: 12,
})
const plain = (...printed: PrintedItem[]): WorksheetPage => ({
  id: randomUUID(),
  width: 595,
  height: 842,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed,
})
const make = (pages: WorksheetPage[], by = teacher) =>
  by.post<WorksheetWhole>('/worksheets', { title: 'Ebb', sheet: bareSheet(pages) })
const keep = (id: string, change: SheetChange, by = teacher) =>
  by.put<{ revision: number }>(`/worksheets/${id}/sheet`, change)
const look = (id: string) => teacher.get<WorksheetWhole>(`/worksheets/${id}`)
const redPicture = (width = 40, height = 20) =>
  sharp({ create: { width, height, channels: 3, background: '#a83a2e' } })
    .png()
    .toBuffer()

describe('keeping what is prepared', () => {
  test('changed pages, their order and what only the teacher sees come back as they were sent', async () => {
    const [first, second] = [plain(), plain()]
    const { id } = await make([first, second])
    const box = typed()
    const keys = {
      [box.id]: {
        kind: 'typed',
        answers: ['450'],
        ignoreCase: true,
        ignoreAccents: false,
        ignoreSpaces: true,
      },
    } as const
    const sets = [{ id: randomUUID(), name: 'Level A' }]
    const changed = { ...second, printed: [box], sets: [sets[0]!.id], width: 842 }
    const kept = await keep(id, {
      revision: 0,
      order: [second.id, first.id],
      pages: [changed],
      keys: keys as never,
      sets,
    })
    expect(kept.revision).toBe(1)
    const { sheet } = await look(id)
    expect(sheet).toEqual({ pages: [changed, first], questions: [], keys, sets })
  })

  test('a change made to an older state is refused and leaves everything as it was', async () => {
    const page = plain()
    const { id } = await make([page])
    await keep(id, { revision: 0, order: [page.id], pages: [{ ...page, width: 400 }] })
    const before = await look(id)
    await expect(keep(id, { revision: 0, order: [page.id], pages: [] })).rejects.toThrow(/another window/)
    await expect(keep(id, { revision: 1, order: [page.id, randomUUID()], pages: [] })).rejects.toThrow(
      /another window/,
    )
    expect(await look(id)).toEqual(before)
  })

  test('of two that keep at once, one is taken', async () => {
    const page = plain()
    const { id } = await make([page])
    const fates = await Promise.allSettled(
      [1, 2, 3, 4].map((width) =>
        keep(id, { revision: 0, order: [page.id], pages: [{ ...page, width: width * 100 }] }),
      ),
    )
    expect(fates.filter(({ status }) => status === 'fulfilled')).toHaveLength(1)
    expect((await look(id)).revision).toBe(1)
  })

  test.each([
    [
      'five thousand things on a page',
      () => plain(...Array.from({ length: 5000 }, typed)),
      /at most 2000 things/,
    ],
    [
      'a text of a megabyte',
      () => plain({ ...typed(), kind: 'direction', text: 'a'.repeat(1_000_000), tone: 'ink' } as never),
      /at most 20000 letters/,
    ],
    [
      'a link that would run',
      () =>
        plain({
          ...typed(),
          kind: 'link',
          text: 'x',
          to: { kind: 'web', url: 'javascript:alert(1)' },
        } as never),
      /begins with http/,
    ],
    [
      'a path that is not one',
      () =>
        plain({
          ...typed(),
          kind: 'formula',
          latex: 'x',
          colour: '#1e2b3a',
          drawing: { path: '"><script>', width: 1, ascent: 1, descent: 0 },
        } as never),
      /missing|should be/,
    ],
    ['a page as long as a street', () => ({ ...plain(), height: 1e9 }), /missing|should be/],
  ])('%s gets a sentence and changes nothing', async (_what, bad, sentence) => {
    const page = plain()
    const { id } = await make([page])
    const wrong = { ...bad(), id: page.id }
    await expect(keep(id, { revision: 0, order: [page.id], pages: [wrong] })).rejects.toThrow(sentence)
    expect((await look(id)).sheet.pages).toEqual([page])
  })

  test('every starter is taken as it ships', async () => {
    for (const { title, sheet } of STARTERS) {
      const made = sheet(randomUUID)
      const { id } = await teacher.post<WorksheetWhole>('/worksheets', { title, sheet: made })
      expect((await look(id)).sheet).toEqual(JSON.parse(JSON.stringify(made)))
    }
  })
})

describe('files', () => {
  test('a picture is sent, put on a page, and reaches just those who see the page', async () => {
    const { teacher: marit, worksheet, students } = await startLesson(school, 1)
    const picture = await marit.upload<{ file: string; width: number }>(
      `/worksheets/${worksheet.id}/pictures`,
      'bay.png',
      await redPicture(),
    )
    expect(picture).toMatchObject({ width: 40, height: 20 })
    expect(await marit.status('GET', `/files/${picture.file}`)).toBe(200)
    const student = students[0]!.visitor
    expect(await student.status('GET', `/files/${picture.file}`)).toBe(404)
    const [page] = worksheet.sheet.pages
    const item = {
      ...typed(),
      kind: 'picture',
      file: picture.file,
      alt: '',
      crop: { x: 0, y: 0, width: 1, height: 1 },
    }
    await keep(
      worksheet.id,
      { revision: 0, order: [page!.id], pages: [{ ...page!, printed: [item as never] }] },
      marit,
    )
    // What was handed out before does not have it.
    expect(await student.status('GET', `/files/${picture.file}`)).toBe(404)
    const [card] = await marit.get<{ id: string }[]>('/classes')
    const [handout] = await giveOut(marit, giving(worksheet.id, card!.id))
    const { copies } = await marit.get<HandoutWhole>(`/handouts/${handout}`)
    const received = await student.get<CopyWhole>(`/copies/${copies[0]!.id}`)
    const [shown] = received.pages[0]!.printed
    const sent = shown?.kind === 'picture' ? shown.file : ''
    expect(await student.status('GET', `/files/${sent}`)).toBe(200)
    expect(await teacher.status('GET', `/files/${sent}`)).toBe(404)
    // The file itself stays on the shelf.
    expect(await student.status('GET', `/files/${picture.file}`)).toBe(404)
  })

  test('nobody puts another’s file on a page by naming it', async () => {
    const other = await school.teacher()
    const theirs = await other.upload<WorksheetWhole>('/worksheets', 'a.png', await redPicture(31, 17))
    const file = paperFile(theirs.sheet.pages[0]!.paper)!
    const stolen = { ...plain(), paper: { kind: 'picture', file } } as WorksheetPage
    await expect(make([stolen])).rejects.toThrow(/not on your shelf/)
    const page = plain()
    const { id } = await make([page])
    await expect(
      keep(id, { revision: 0, order: [page.id], pages: [{ ...stolen, id: page.id }] }),
    ).rejects.toThrow(/not on your shelf/)
    expect(await teacher.status('GET', `/files/${file}`)).toBe(404)
  })

  test('a locked PDF opens with its password and is kept without its lock', async () => {
    const locked = await makePdf([{}, { width: 300 }], 'harbour')
    const { id } = await make([plain()])
    const path = `/worksheets/${id}/files`
    await expect(teacher.upload(path, 'locked.pdf', locked)).rejects.toMatchObject({ status: 423 })
    await expect(teacher.upload(path, 'locked.pdf', locked, 'wrong')).rejects.toThrow(
      'That is not the password of “locked”. Try it once more.',
    )
    const { pages } = await teacher.upload<{ pages: WorksheetPage[] }>(path, 'locked.pdf', locked, 'harbour')
    expect(pages.map(({ width }) => width)).toEqual([595, 300])
    const bytes = await (await teacher.send('GET', `/files/${paperFile(pages[0]!.paper)}`)).arrayBuffer()
    expect(Buffer.from(bytes).includes('/Encrypt')).toBe(false)
    const { pool, close } = behind(school)
    const { rows } = await pool.query('SELECT count(*)::int AS n FROM file WHERE size = $1', [locked.length])
    await close()
    expect(rows[0].n).toBe(0)
  })

  test('several files come at once, in their order, each locked one opened by its own password', async () => {
    const files = [
      ['ebb.pdf', await makePdf([{ width: 300 }, { width: 310 }])],
      ['one.pdf', await makePdf([{ width: 320 }], 'harbour')],
      ['two.pdf', await makePdf([{ width: 330 }], 'mole')],
    ] as const
    const { id } = await make([plain()])
    const send = (passwords: string[]) =>
      teacher.uploadAll<{ pages: WorksheetPage[] }>(`/worksheets/${id}/files`, files, passwords)
    await expect(send([])).rejects.toThrow('“one” is locked')
    await expect(send(['harbour'])).rejects.toThrow('the password of “two”')
    const { pages } = await send(['harbour', 'mole'])
    expect(pages.map(({ width }) => width)).toEqual([300, 310, 320, 330])
  })

  test('a PDF page of two hundred inches is taken, a longer one refused, and nothing is half made', async () => {
    const { id } = await make([plain()])
    const send = async (width: number) =>
      teacher.upload<{ pages: WorksheetPage[] }>(
        `/worksheets/${id}/files`,
        'quay.pdf',
        await makePdf([{}, { width, height: 400 }]),
      )
    expect((await send(14_400)).pages[1]).toMatchObject({ width: 14_400 })
    await expect(send(14_500)).rejects.toThrow('Page 2 of this PDF has a size that cannot be used')
    expect((await look(id)).sheet.pages).toHaveLength(1)
  })

  test('five thousand things on a page and a text of a megabyte are refused, and the page stays', async () => {
    const page = plain(typed())
    const { id } = await make([page])
    const holding = (printed: PrintedItem[]) =>
      keep(id, { revision: 0, order: [page.id], pages: [{ ...page, printed }] })
    await expect(holding(Array.from({ length: 5000 }, typed))).rejects.toThrow(
      'A page holds at most 2000 things.',
    )
    const text: PrintedItem = {
      ...typed(),
      kind: 'text',
      text: 'x'.repeat(1_000_000),
      face: 'reading',
      bold: false,
      colour: '#1e2b3a',
      align: 'left',
      list: 'none',
    } as never
    await expect(holding([text])).rejects.toThrow('A text may have at most 20000 letters.')
    expect((await look(id)).sheet.pages[0]!.printed).toHaveLength(1)
  })

  test('a picture of twelve thousand pixels is made small enough to be shown', async () => {
    const wide = await redPicture(12_000, 60)
    const { id } = await make([plain()])
    const picture = await teacher.upload<{ file: string; width: number; height: number }>(
      `/worksheets/${id}/pictures`,
      'wide.png',
      wide,
    )
    expect([picture.width, picture.height]).toEqual([4000, 20])
  })

  test('a hostile SVG, a text, an empty file are no pictures', async () => {
    const { id } = await make([plain()])
    const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>')
    for (const bytes of [svg, Buffer.from('Dear harbour master'), Buffer.alloc(0)])
      await expect(teacher.upload(`/worksheets/${id}/pictures`, 'x.svg', bytes)).rejects.toMatchObject({
        status: 422,
      })
  })
})

describe('formulas', () => {
  const draw = (latex: string) => teacher.post<FormulaDrawing>('/formulas', { latex })
  test('are drawn as one outline with their size', async () => {
    const half = await draw('\\frac{1}{2}')
    const sum = await draw('\\frac{1}{2}+\\sqrt{x^2}')
    expect(half.path).toMatch(/^M[-0-9MLQCZ ]+Z$/)
    expect(half.ascent).toBeGreaterThan(1)
    expect(half.descent).toBeGreaterThan(0.5)
    expect(sum.width).toBeGreaterThan(half.width * 2)
  })
  test.each([
    ['\\frac{1'],
    ['\\nothingsuch{x}'],
    ['\\def\\a{\\a\\a}\\a'],
    ['x^2^3'],
    ['\\text{łódź}'],
    ['x'.repeat(3000)],
  ])('that cannot be drawn get a sentence: %s', async (latex) => {
    await expect(draw(latex)).rejects.toMatchObject({
      status: 422,
      message: expect.stringMatching(/formula/),
    })
  })
})

/** Words of a key that no id can hold by chance. */
const SECRET = 'four metres and a half'

describe('answers on a copy', () => {
  async function handedOut() {
    const box = typed()
    const choice: Printed<'choice'> = {
      ...typed(),
      y: 200,
      kind: 'choice',
      label: '',
      options: [{ id: randomUUID(), text: 'ebb' }],
      many: false,
      across: false,
    } as never
    const card: Printed<'card'> = {
      ...typed(),
      y: 300,
      kind: 'card',
      face: { kind: 'text', text: 'crab', size: 12 },
      tint: '#ffffff',
      stack: false,
    } as never
    const lesson = await startLesson(school, 2)
    const { teacher: marit, students } = lesson
    const page = plain(box, choice, card)
    const key = {
      kind: 'typed',
      answers: ['450', SECRET],
      ignoreCase: true,
      ignoreAccents: false,
      ignoreSpaces: true,
    }
    const { id } = await marit.post<WorksheetWhole>('/worksheets', {
      title: 'Ebb',
      sheet: { ...bareSheet([page]), keys: { [box.id]: key } },
    })
    const [handout] = await giveOut(marit, giving(id, lesson.class.id))
    const { copies } = await marit.get<HandoutWhole>(`/handouts/${handout}`)
    const { visitor, person } = students[0]!
    const copy = copies.find(({ students: of }) => of[0]!.id === person.id)!.id
    return { marit, student: visitor, copy, page, box, choice, card }
  }
  const adding = (page: string, item: Item, layer: 'work' | 'feedback' = 'work'): PageEvent => ({
    id: randomUUID(),
    page,
    layer,
    madeAt: 1,
    act: 'add',
    items: [item],
  })

  test('are kept when their place is there, refused when it is not', async () => {
    const { student, copy, page, box, choice, card } = await handedOut()
    const answer = (place: string, value: object): Item =>
      ({ id: answerId(copy, place), kind: 'answer', place, value }) as Item
    const result = await student.keep(copy, [
      adding(page.id, answer(box.id, { text: '4.5 m' })),
      adding(page.id, answer(choice.id, { options: [choice.options[0]!.id] })),
      adding(page.id, { id: answerId(copy, card.id), kind: 'card', card: card.id, x: 5, y: 5 }),
      adding(page.id, answer(box.id, { options: [] })),
      adding(page.id, answer(randomUUID(), { text: 'x' })),
      adding(page.id, { id: randomUUID(), kind: 'card', card: box.id, x: 5, y: 5 }),
      adding(page.id, {
        id: randomUUID(),
        kind: 'photo',
        place: box.id,
        recording: randomUUID(),
        x: 1,
        y: 1,
        width: 9,
        height: 9,
      }),
    ])
    expect(result.ok && result.fates.map(({ fate }) => fate)).toEqual([
      'kept',
      'kept',
      'kept',
      'wrong',
      'wrong',
      'wrong',
      'wrong',
    ])
  })

  test('the key never leaves for a student, in any form', async () => {
    const { student, copy, box } = await handedOut()
    const whole = await student.get<CopyWhole>(`/copies/${copy}`)
    expect(JSON.stringify(whole)).not.toContain(SECRET)
    expect(JSON.stringify(await student.get('/tray'))).not.toContain(SECRET)
    expect(whole.pages[0]!.printed[0]!.id).toBe(box.id)
  })

  test('a photo is kept with the copy and shown only to those who may see it', async () => {
    const { student, marit, copy } = await handedOut()
    const recording = randomUUID()
    const path = `/copies/${copy}/attachments/${recording}`
    await student.put(path, new Uint8Array(await redPicture(60, 40)))
    const photo = await marit.send('GET', path)
    expect(photo.headers.get('content-type')).toBe('image/png')
    expect(await teacher.status('GET', path)).toBe(404)
    await expect(
      student.put(`/copies/${copy}/attachments/${randomUUID()}`, new Uint8Array(Buffer.from('<svg/>'))),
    ).rejects.toThrow(/photo/)
  })

  test('the printed page in PDF has what was typed, chosen and moved, as text', async () => {
    const { student, copy, page, box } = await handedOut()
    await student.keep(copy, [
      adding(page.id, {
        id: answerId(copy, box.id),
        kind: 'answer',
        place: box.id,
        value: { text: '450 exactly' },
      }),
    ])
    const pdf = Buffer.from(await (await student.send('GET', `/copies/${copy}/pdf`)).arrayBuffer())
    const text = textOfPdf(pdf)
    for (const words of ['450 exactly', 'in cm', 'ebb', 'crab']) expect(text).toContain(words)
  })
})
