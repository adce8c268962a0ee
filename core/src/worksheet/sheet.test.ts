import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Printed } from '../kinds/printed.ts'
import { measured } from '../test/measured.ts'
import { around, mm, within } from './box.ts'
import { cutOut, duplicatePages, duplicateSheet, movePages, turnPage } from './change.ts'
import { timesA4, type WorksheetPage } from './page.ts'
import { resizePage } from './resizePage.ts'
import { bareSheet, nextLabel, type Sheet, sheet as sheetSchema, tidySheet } from './sheet.ts'
import { STARTERS } from './starters.ts'

const newId = () => crypto.randomUUID()
const typed = (x: number, y: number): Printed<'typed'> => ({
  id: newId(),
  kind: 'typed',
  x,
  y,
  width: 80,
  height: 20,
  label: '',
  takes: 'line',
  size: 12,
})
const page = (...printed: WorksheetPage['printed']): WorksheetPage => ({
  id: newId(),
  width: 600,
  height: 800,
  paper: { kind: 'pdf', file: 'a'.repeat(64), number: 1, box: [0, 0, 600, 800], turn: 0, unit: 1 },
  printed,
})

describe('another page size', () => {
  test('keeps things and paper as they are, or scales all together', () => {
    const before = page(typed(100, 100))
    const kept = resizePage(before, { width: 300, height: 400 }, 'keep')
    expect(kept.printed).toBe(before.printed)
    expect(kept.paperBox).toEqual({ x: 0, y: 0, width: 600, height: 800 })
    const scaled = resizePage(before, { width: 300, height: 400 }, 'scale')
    expect(scaled.paperBox).toBeUndefined()
    expect(scaled.printed[0]).toMatchObject({ x: 50, y: 50, width: 40, height: 10, size: 6 })
  })
  test('there and back by scaling is where it began', () => {
    fc.assert(
      fc.property(fc.integer({ min: 100, max: 3000 }), (width) => {
        const before = page(typed(100, 100), typed(300, 700))
        const other = resizePage(before, { width, height: (width * 4) / 3 }, 'scale')
        const back = resizePage(other, before, 'scale')
        for (const [index, item] of back.printed.entries()) {
          expect(item.x).toBeCloseTo(before.printed[index]!.x, 6)
          expect(item.width).toBeCloseTo(before.printed[index]!.width, 6)
        }
      }),
    )
  })
  test('squared paper keeps its millimetres either way', () => {
    const squared = {
      ...page(),
      paper: { kind: 'ruled', ruling: { form: 'squared', colour: '#9fb4c7', side: 5 } },
    } as const
    for (const way of ['keep', 'scale'] as const) {
      const after = resizePage({ ...squared, printed: [] }, { width: 300, height: 400 }, way)
      expect(after.paper).toEqual(squared.paper)
      expect(after.paperBox).toBeUndefined()
    }
  })
})

test('four quarter turns of a page are none, and things stay on it', () => {
  const before = page(typed(100, 100), typed(500, 770))
  let after = before
  for (let turn = 1; turn <= 4; turn++) {
    after = turnPage(after)
    const middle = after.printed.map(({ x, y, width, height }) => [x + width / 2, y + height / 2])
    for (const [x, y] of middle) {
      expect(x).toBeGreaterThanOrEqual(0)
      expect(x).toBeLessThanOrEqual(after.width)
      expect(y).toBeLessThanOrEqual(after.height)
    }
  }
  expect(after).toEqual(before)
})

test('moving pages loses none, doubles none, and keeps the order of those that stay and of those that go', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 12 }), fc.array(fc.nat(11)), fc.nat(12), (count, going, to) => {
      const pages = Array.from({ length: count }, () => page())
      const moved = new Set(going.flatMap((index) => pages[index]?.id ?? []))
      const after = movePages(pages, moved, pages[to]?.id)
      expect(new Set(after)).toEqual(new Set(pages))
      expect(after).toHaveLength(count)
      for (const group of [true, false])
        expect(after.filter(({ id }) => moved.has(id) === group)).toEqual(
          pages.filter(({ id }) => moved.has(id) === group),
        )
      const places = after.flatMap(({ id }, index) => (moved.has(id) ? [index] : []))
      if (places.length > 0) expect(places.at(-1)! - places[0]!).toBe(places.length - 1)
    }),
  )
})

function keyed(): Sheet {
  const card: Printed<'card'> = {
    ...typed(0, 0),
    kind: 'card',
    face: { kind: 'text', text: 'ebb', size: 12 },
    tint: '#ffffff',
    stack: false,
  } as never
  const drop: Printed<'drop'> = { id: newId(), kind: 'drop', x: 0, y: 100, width: 90, height: 40, label: '' }
  const set = { id: newId(), name: 'A' }
  const first = { ...page(card, { ...drop, sets: [set.id] }), sets: [set.id] }
  const link: Printed<'link'> = {
    ...typed(0, 50),
    kind: 'link',
    text: 'back',
    to: { kind: 'page', page: first.id },
  } as never
  return {
    pages: [first, page(link)],
    keys: { [drop.id]: { kind: 'cards', cards: [card.id] } },
    questions: [
      { id: newId(), label: '1', fullMarks: 2, areas: [{ page: first.id, x: 0, y: 0, width: 9, height: 9 }] },
    ],
    sets: [set],
  }
}

test('a sheet again shares no id with the first, and points only at its own', () => {
  const before = keyed()
  const after = duplicateSheet(before, newId)
  const text = JSON.stringify(after)
  for (const id of JSON.stringify(before).match(/[0-9a-f]{8}-[0-9a-f-]{27}/g)!) expect(text).not.toContain(id)
  const [card, drop] = after.pages[0]!.printed
  expect(after.keys[drop!.id]).toEqual({ kind: 'cards', cards: [card!.id] })
  expect(after.questions[0]!.areas[0]!.page).toBe(after.pages[0]!.id)
  expect((after.pages[1]!.printed[0] as Printed<'link'>).to).toEqual({
    kind: 'page',
    page: after.pages[0]!.id,
  })
})

test('pages duplicated stand after the last of them, with keys for their own cards', () => {
  const before = keyed()
  const { sheet, made } = duplicatePages(before, new Set([before.pages[0]!.id]), newId)
  expect(sheet.pages.map(({ id }) => id)).toEqual([before.pages[0]!.id, made[0], before.pages[1]!.id])
  const [card, drop] = sheet.pages[1]!.printed
  expect(sheet.keys[drop!.id]).toEqual({ kind: 'cards', cards: [card!.id] })
  expect(Object.keys(sheet.keys)).toHaveLength(2)
})

test('tidying drops what points to nothing and leaves everything else', () => {
  const whole = keyed()
  expect(tidySheet(whole)).toEqual(whole)
  const less = tidySheet({ ...whole, pages: whole.pages.slice(1), sets: [] })
  expect(less.questions).toEqual([])
  expect(less.keys).toEqual({})
})

test('labels go on from the highest number', () => {
  const of = (label: string) => ({ id: newId(), label, fullMarks: 1, areas: [] })
  expect(nextLabel([])).toBe('1')
  expect(nextLabel([of('2a'), of('7'), of('extra')])).toBe('8')
})

test('a part cut out of a page is a piece of its paper as large as the box, with what lies wholly in it', () => {
  const inside = typed(120, 120)
  const half = typed(60, 150)
  const [piece, ...items] = cutOut(page(inside, half), { x: 100, y: 100, width: 200, height: 150 }, newId)
  expect(piece).toMatchObject({
    kind: 'piece',
    x: 0,
    y: 0,
    width: 200,
    height: 150,
    part: { x: 100, y: 100, width: 200, height: 150 },
    whole: { width: 600, height: 800 },
  })
  expect(items.map(({ x, y }) => [x, y])).toEqual([[20, 20]])
  // A box that hangs over the page cuts only what is there.
  const [over] = cutOut(page(), { x: 500, y: 700, width: 300, height: 300 }, newId)
  expect(over).toMatchObject({ width: 100, height: 100 })
})

test('every starter is a whole worksheet, on its page, with ids of its own at each taking', () => {
  for (const starter of STARTERS) {
    const made = starter.sheet(newId)
    expect(sheetSchema.parse(made)).toEqual(made)
    expect(JSON.stringify(starter.sheet(newId))).not.toContain(made.pages[0]!.id)
    for (const { printed, width, height } of made.pages)
      if (printed.length > 0) expect(within({ x: 0, y: 0, width, height }, around(printed))).toBe(true)
  }
  expect(mm(25.4)).toBe(72)
  expect(measured('ab', { face: 'plain', size: 10, bold: false })).toBeGreaterThan(0)
})

test('too many things, too much text, a size out of range: a sentence', () => {
  const many = page(...Array.from({ length: 5000 }, () => typed(0, 0)))
  const problem = sheetSchema.safeParse(bareSheet([many])).error!.issues[0]!.message
  expect(problem).toBe('A page holds at most 2000 things.')
  const long: Printed<'direction'> = {
    id: newId(),
    kind: 'direction',
    x: 0,
    y: 0,
    width: 9,
    height: 9,
    text: 'a'.repeat(1_000_000),
    size: 12,
    tone: 'ink',
  }
  expect(sheetSchema.safeParse(bareSheet([page(long)])).error!.issues[0]!.message).toMatch(
    /at most 20000 letters/,
  )
  expect(sheetSchema.safeParse(bareSheet([])).success).toBe(false)
})

test('pens are the same on every usual sheet, finer on a label, wider on a banner', () => {
  for (const [width, height] of [
    [298, 420],
    [595, 842],
    [842, 595],
    [1191, 1684],
    [960, 540],
  ] as const)
    expect(timesA4({ width, height })).toBe(1)
  expect(timesA4({ width: 72, height: 50 })).toBeCloseTo(0.0855, 3)
  expect(timesA4({ width: 14_400, height: 1000 })).toBeCloseTo(17.1, 1)
})
