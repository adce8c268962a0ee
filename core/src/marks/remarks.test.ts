import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { type Remark, remarkKept } from '../contract/remarks.ts'
import { boundsAround, boundsOfItem } from '../holding/pick.ts'
import { overlap } from '../ink/points.ts'
import type { Item } from '../kinds/items.ts'
import { SIGN_FORMS, signAlong } from '../kinds/sign.ts'
import {
  asRemark,
  laidRemark,
  listedId,
  offered,
  placeForRemark,
  readRemarksCsv,
  remarksAsCsv,
  wordsOfRemark,
} from './remarks.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const page = { width: 595, height: 842 }
const place = fc.record({ x: fc.integer({ min: 30, max: 500 }), y: fc.integer({ min: 30, max: 700 }) })
const signs = fc
  .array(fc.tuple(fc.constantFrom(...SIGN_FORMS), place), { minLength: 1, maxLength: 6 })
  .map((all) =>
    all.map(([form, at], index): Item => ({ ...signAlong(form, [at], page, 1, 0), id: idOf(index) })),
  )

test('a remark lies as it was made, wherever it is put, whole on the page and under ids of its own', () => {
  fc.assert(
    fc.property(
      signs,
      fc.integer({ min: -100, max: 700 }),
      fc.integer({ min: -100, max: 900 }),
      (made, x, y) => {
        let next = 100
        const laid = laidRemark({ items: asRemark(made) }, { x, y }, page, () => idOf(next++))
        const [was, is] = [boundsAround(made)!, boundsAround(laid)!]
        expect(is.x1 - is.x0).toBeCloseTo(was.x1 - was.x0, 6)
        expect(is.y1 - is.y0).toBeCloseTo(was.y1 - was.y0, 6)
        expect(is.x0).toBeGreaterThanOrEqual(-1e-6)
        expect(is.y1).toBeLessThanOrEqual(page.height + 1e-6)
        for (const [index, item] of laid.entries()) {
          expect(made.some(({ id }) => id === item.id)).toBe(false)
          expect(boundsOfItem(item).x0 - is.x0).toBeCloseTo(boundsOfItem(made[index]!).x0 - was.x0, 6)
        }
      },
    ),
  )
})

test('one after the other, remarks at a question do not lie over each other', () => {
  const area = { x: 60, y: 100, width: 300, height: 200 }
  const remark = {
    items: asRemark([{ ...signAlong('see me', [{ x: 50, y: 50 }], page, 1, 0), id: idOf(1) }]),
  }
  const laid: Item[] = []
  for (let time = 0; time < 4; time++) {
    const at = placeForRemark(remark, area, [], laid)
    const [item] = laidRemark(remark, at, page, () => idOf(10 + time))
    for (const other of laid) expect(overlap(boundsOfItem(item!), boundsOfItem(other))).toBe(false)
    laid.push(item!)
  }
  const written: Item = { ...signAlong('tick', [{ x: 150, y: 150 }], page, 1, 0), id: idOf(40) }
  const under = placeForRemark(remark, area, [written], [])
  expect(under.x).toBe(boundsOfItem(written).x0)
  expect(under.y).toBeGreaterThan(boundsOfItem(written).y1)
  expect(boundsOfItem(laid[0]!).x1).toBeLessThanOrEqual(area.x + area.width)
  expect(boundsOfItem(laid[0]!).y0).toBeGreaterThanOrEqual(area.y)
})

const remarkOf = (name: string, uses: number, usesAt: Record<string, number> = {}): Remark => ({
  id: idOf(uses + 1000),
  name,
  unit: 'Tides, and harbours',
  items: [],
  carries: 50,
  uses,
  usesAt,
})

test('offered first is what was used at this question, then what was used most', () => {
  const here = idOf(5)
  const all = [remarkOf('a', 2), remarkOf('b', 9), remarkOf('c', 3, { [here]: 1 })]
  expect(offered(all, here).map(({ name }) => name)).toEqual(['c', 'b', 'a'])
  expect(offered(all, undefined).map(({ name }) => name)).toEqual(['b', 'c', 'a'])
})

test('a list goes out as CSV and comes in again; lines that cannot be used are told', () => {
  const bytes = (text: string) => new TextEncoder().encode(text)
  const csv = remarksAsCsv([remarkOf('axis; "labels"', 4)])
  expect(csv).toContain('"Tides, and harbours",½,4')
  expect(readRemarksCsv(bytes('Name;Words;Marks\naxes;Label both axes;1½\n;nothing;\nx;y;many\n'))).toEqual({
    remarks: [{ name: 'axes', words: 'Label both axes', unit: '', carries: 150 }],
    wrong: [
      { line: 3, why: 'It has no name or no words.' },
      { line: 4, why: '“many” are no marks.' },
    ],
  })
  expect(readRemarksCsv(bytes('title,text\na,b\n'))).toEqual({
    problem: 'A list of remarks needs a column called name and one called words.',
  })
})

test('the same words under the same name are the same remark; others are others', () => {
  const teacher = idOf(77)
  const listed = fc.record({
    name: fc.string(),
    words: fc.string(),
    unit: fc.string(),
    carries: fc.nat(1000),
  })
  fc.assert(
    fc.property(listed, listed, (a, b) => {
      expect(listedId(teacher, a)).toBe(listedId(teacher, { ...a, carries: 7 }))
      expect(listedId(teacher, a)).toMatch(/^[\da-f]{8}-[\da-f]{4}-8[\da-f]{3}-[89ab][\da-f]{3}-[\da-f]{12}$/)
      if (a.name !== b.name) expect(listedId(teacher, a)).not.toBe(listedId(teacher, b))
    }),
  )
})

test('what is spoken is a remark too, called by its words; a film is none', () => {
  const voice: Item = {
    id: idOf(1),
    kind: 'voice',
    x: 40,
    y: 60,
    recording: idOf(2),
    seconds: 3,
    words: ' Begin here. ',
  }
  const kept = { id: idOf(3), name: 'begin', unit: '', carries: 0, items: asRemark([voice]) }
  expect(remarkKept.safeParse(kept).success).toBe(true)
  expect(kept.items[0]).toMatchObject({ x: 0, y: 0, recording: idOf(2) })
  expect(wordsOfRemark(kept)).toBe('Begin here.')
  const film = {
    id: idOf(4),
    kind: 'film',
    x: 0,
    y: 0,
    width: 9,
    height: 9,
    turn: 0,
    file: idOf(5),
    seconds: 3,
    alt: '',
  }
  expect(remarkKept.safeParse({ ...kept, items: [film] }).success).toBe(false)
})
