import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Measure } from '../draw/drawn.ts'
import type { Item } from '../kinds/items.ts'
import type { Mark } from '../kinds/mark.ts'
import { type Box, sharedArea } from '../worksheet/box.ts'
import type { Question } from '../worksheet/sheet.ts'
import { type ArrangedSheet, stripsOnSheets, twoASheet } from './arranged.ts'
import { coverPages } from './coverPages.ts'
import { FileNames, fileName } from './fileNames.ts'
import { remarksOn } from './remarksOn.ts'

const measure: Measure = (text, { size }) => [...text].length * size * 0.5

describe('names of files', () => {
  const anything = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 120 }),
    fc.constantFrom(
      '',
      '...',
      'a/b\\c',
      'CON',
      'nul',
      'x'.repeat(200),
      'Zélie Rahman',
      '../../etc',
      'e\u0301',
    ),
  )
  test('every system takes them, and they are left as they are', () => {
    fc.assert(
      fc.property(anything, (words) => {
        const name = fileName(words)
        expect(name).not.toMatch(/[\\/:*?"<>|\p{C}]/u)
        expect(name).not.toMatch(/^[ .]|[ .]$/)
        expect(name).not.toBe('')
        expect([...name].length).toBeLessThanOrEqual(75)
        expect(fileName(name)).toBe(name)
      }),
    )
    expect(fileName('Reading: a tide/table?')).toBe('Reading a tide table')
  })
  test('no name is given twice, capitals or not', () => {
    fc.assert(
      fc.property(fc.array(anything, { maxLength: 40 }), (all) => {
        const names = new FileNames()
        const given = all.map((words) => names.take(words, 'pdf', 'copies').toLowerCase())
        expect(new Set(given).size).toBe(given.length)
      }),
    )
    const names = new FileNames()
    expect(['Bo', 'bo', 'Bo 2'].map((words) => names.take(words, 'pdf'))).toEqual([
      'Bo.pdf',
      'bo 2.pdf',
      'Bo 2 2.pdf',
    ])
  })
})

const size = fc.record({
  width: fc.integer({ min: 40, max: 2000 }),
  height: fc.integer({ min: 40, max: 2000 }),
  chapter: fc.option(fc.constant('Ana'), { nil: undefined }),
})
const inside = (box: Box, { width, height }: ArrangedSheet) =>
  box.x >= -0.01 && box.y >= -0.01 && box.x + box.width <= width + 0.01 && box.y + box.height <= height + 0.01

function expectWhole(sheets: readonly ArrangedSheet[], count: number): void {
  const laid = sheets.flatMap(({ parts }) => parts.map(({ page }) => page))
  expect(laid).toEqual(Array.from({ length: count }, (_, at) => at))
  for (const sheet of sheets)
    for (const [at, { box, part }] of sheet.parts.entries()) {
      expect(inside(box, sheet)).toBe(true)
      // As large in both directions, and never larger than it is.
      expect(box.width / part.width).toBeCloseTo(box.height / part.height, 6)
      expect(box.width).toBeLessThanOrEqual(part.width + 0.01)
      for (const other of sheet.parts.slice(at + 1)) expect(sharedArea(box, other.box)).toBeLessThan(0.01)
    }
}

describe('laid on sheets of paper', () => {
  test('two pages a sheet: each once, whole, beside each other; a chapter begins a sheet', () => {
    fc.assert(
      fc.property(fc.array(size, { minLength: 1, maxLength: 30 }), (pages) => {
        const sheets = twoASheet(pages)
        expectWhole(sheets, pages.length)
        for (const [at, { chapter }] of pages.entries())
          if (chapter) expect(sheets.some(({ parts }) => parts[0]!.page === at)).toBe(true)
      }),
    )
  })
  test('pages that lie across stand one under the other, upright ones side by side', () => {
    const [upright, across] = [
      { width: 595, height: 842 },
      { width: 842, height: 595 },
    ]
    const sizes = (pages: (typeof upright)[]) => twoASheet(pages).map(({ width, height }) => width > height)
    expect(sizes([upright, upright, across, across])).toEqual([true, false])
  })
  test('strips one under another: each once, whole, with whose it is over it', () => {
    const cuts = fc.array(size, { minLength: 1, maxLength: 40 })
    fc.assert(
      fc.property(cuts, (all) => {
        const sheets = stripsOnSheets(
          'Question 3',
          all.map(({ width, height }, page) => ({
            page,
            says: `Student ${page}`,
            part: { x: 0, y: 0, width, height },
          })),
          measure,
        )
        expectWhole(sheets, all.length)
        const said = sheets.flatMap(({ drawn }) => drawn.map((one) => (one.kind === 'text' ? one.text : '')))
        expect(said).toEqual(['Question 3', ...all.map((_, page) => `Student ${page}`)])
      }),
    )
  })
})

const question = (label: string, fullMarks: number, y: number): Question => ({
  id: `q${label}`,
  label,
  fullMarks,
  areas: [{ page: 'p1', x: 50, y, width: 300, height: 80 }],
})
const text = (words: string, y: number, kind = 'text') =>
  ({
    id: words,
    kind,
    text: words,
    words,
    x: 60,
    y,
    width: 120,
    height: 20,
    size: 12,
    turn: 0,
  }) as unknown as Item

describe('what stands before a copy', () => {
  const questions = [question('1', 2, 100), question('2', 4, 400)]
  const remarks = remarksOn(
    [
      {
        id: 'p1',
        feedback: [
          text('Mind the units', 420),
          text('Good start', 110),
          text('   ', 10),
          text('whole', 0, 'overall'),
        ],
      },
      { id: 'p2', feedback: [text('Tidy', 700)] },
    ],
    questions,
  )
  const mark = {
    id: 'm',
    kind: 'mark',
    question: 'q1',
    label: '1',
    given: 150,
    full: 200,
    x: 0,
    y: 0,
  } as Mark
  const cover = (more: object = {}) =>
    coverPages(
      {
        title: 'Tides',
        name: 'Ana Silva',
        className: 'Curlew class',
        standing: 'round 1',
        rubric: null,
        marks: new Map([['q1', mark]]),
        words: 'Well worked.',
        questions,
        remarks,
        withMarks: true,
        ...more,
      },
      measure,
    )
  const says = (pages: ReturnType<typeof cover>) =>
    pages.flatMap(({ printed }) => printed.map((item) => ('text' in item ? item.text : ''))).join('\n')

  test('remarks are written out down the pages, with the question they belong to', () => {
    expect(remarks).toEqual([
      { page: 1, question: '1', words: 'Good start' },
      { page: 1, question: '2', words: 'Mind the units' },
      { page: 2, question: undefined, words: 'Tidy' },
    ])
  })
  test('it tells whose it is, the marks and their sum, the words about all and the remarks', () => {
    const said = says(cover())
    for (const words of [
      'Ana Silva',
      'Tides',
      'Curlew class · round 1',
      '1½ of 6 marks · 25 %, 1 without marks',
      '1½ of 2',
      '– of 4',
      'Well worked.',
      'question 2, page 1',
    ])
      expect(said).toContain(words)
  })
  test('without marks it tells none; a long one goes on on the next sheet', () => {
    expect(says(cover({ withMarks: false }))).not.toMatch(/1½|25 %/)
    const many = Array.from({ length: 120 }, (_, at) => ({ page: 1, question: '1', words: `Remark ${at}` }))
    const pages = cover({ remarks: many })
    expect(pages.length).toBeGreaterThan(2)
    expect(says(pages)).toContain('Remark 119')
    expect(new Set(pages.map(({ id }) => id)).size).toBe(pages.length)
  })
})
