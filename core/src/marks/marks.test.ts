import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Mark } from '../kinds/mark.ts'
import { mark } from '../kinds/mark.ts'
import { applyAll, emptyPage, type Page } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { idOf } from '../test/arbitrary.ts'
import { bareSheet } from '../worksheet/sheet.ts'
import { fullOf, markFor, markId, marksIn, perCent, questionsOn, sumOf } from './marks.ts'
import { readMarks, sayMarks } from './sayMarks.ts'

const [copy, page] = [idOf(1), idOf(2)]
const pages = [{ id: page, width: 595, height: 842, paper: { kind: 'ruled' }, printed: [] }] as never
const question = (number: number, fullMarks: number) => ({
  id: idOf(100 + number),
  label: String(number),
  fullMarks,
  areas: [{ page, x: 50, y: 100 * number, width: 400, height: 80 }],
})
const give = (of: ReturnType<typeof question>, given: number, round = 1, author = 'marit'): SignedEvent => {
  const { mark } = markFor(copy, round, of, pages, given)!
  const id = crypto.randomUUID()
  return { id, page, layer: 'feedback', madeAt: 0, act: 'add', items: [mark], author, round }
}
const after = (...events: SignedEvent[]): Page[] => [applyAll(emptyPage, events)]

describe('marks in words', () => {
  test.each([
    [200, '2'],
    [50, '½'],
    [550, '5½'],
    [175, '1¾'],
    [235, '2.35'],
    [130, '1.3'],
    [0, '0'],
  ])('%i hundredths are “%s”', (hundredths, words) => {
    expect(sayMarks(hundredths)).toBe(words)
  })

  test('what is said can be read again, whatever it is', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100_000 }), (n) => expect(readMarks(sayMarks(n))).toBe(n)),
    )
  })

  test('they are read as people write them, and nothing else is', () => {
    expect(['1,5', '1.5', '1 ½', '.5', ' 3 '].map(readMarks)).toEqual([150, 150, 150, 50, 300])
    expect(['', 'x', '-1', '1.234', '1.5½', '1/2', '99999', '.'].map(readMarks)).toEqual(
      Array.from({ length: 8 }, () => undefined),
    )
  })
})

describe('the sum of a copy', () => {
  test('is exact, however the marks are cut', () => {
    const tenths = Array.from({ length: 10 }, (_, index) => question(index + 1, 0.1))
    const sum = sumOf(tenths, marksIn(after(...tenths.map((each) => give(each, 10)))))
    expect(sum).toEqual({ given: 100, full: 100, left: 0 })
    expect(perCent(sum)).toBe(100)
  })

  test('never counts more than full marks, and says what is left', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ full: fc.integer({ min: 0, max: 20 }), given: fc.integer({ min: -50, max: 9999 }) }),
          {
            maxLength: 12,
          },
        ),
        fc.nat(12),
        (all, marked) => {
          const questions = all.map(({ full }, index) => question(index, full / 2))
          const events = questions.slice(0, marked).map((each, index) => give(each, all[index]!.given))
          const sum = sumOf(questions, marksIn(after(...events)))
          expect(sum.given).toBeLessThanOrEqual(sum.full)
          expect(sum.full).toBe(all.reduce((total, { full }) => total + full * 50, 0))
          expect(sum.left).toBe(Math.max(0, all.length - marked))
        },
      ),
    )
  })

  test('a question that changed or went after marks were given', () => {
    const [one, two] = [question(1, 2), question(2, 4)]
    const marks = marksIn(after(give(one, 200), give(two, 300)))
    // Worth more now: what was given stays as it was given.
    expect(sumOf([{ ...one, fullMarks: 5 }, two], marks)).toEqual({ given: 500, full: 600, left: 0 })
    expect(sumOf([two], marks)).toEqual({ given: 300, full: 400, left: 0 })
  })

  test('is no per cent of nothing', () => {
    expect(perCent({ given: 0, full: 0 })).toBeUndefined()
    expect(perCent({ given: 100, full: 300 })).toBe(33)
    expect(perCent({ given: 100, full: 200 })).toBe(50)
    expect(perCent({ given: 125, full: 1000 })).toBe(13)
  })
})

describe('a mark', () => {
  test('the last given counts, whoever of the teachers gave it; an earlier round’s stays until then', () => {
    const one = question(1, 4)
    const [first, second, colleague] = [give(one, 100), give(one, 300, 2), give(one, 250, 2, 'ola')]
    const given = (...events: SignedEvent[]) => marksIn(after(...events)).get(one.id)?.given
    expect(given(first)).toBe(100)
    expect(given(first, second)).toBe(300)
    expect(given(first, second, colleague)).toBe(250)
    expect(markId(copy, one.id, 1)).not.toBe(markId(copy, one.id, 2))
  })

  test('above full marks is none', () => {
    const { mark: made } = markFor(copy, 1, question(1, 2), pages, 9999)!
    expect(made.given).toBe(200)
    expect(mark.schema.safeParse({ ...made, given: 201 }).success).toBe(false)
    expect(mark.schema.safeParse(made).success).toBe(true)
    expect((mark.changed!(made, { given: 9999 }) as Mark).given).toBe(200)
  })

  test('of two questions beside each other each has its mark in its own column', () => {
    const beside = (number: number, x: number) => ({
      ...question(number, 2),
      areas: [{ page, x, y: 300, width: 240, height: 80 }],
    })
    const [left, right] = [beside(1, 40), beside(2, 300)]
    const marks = [left, right].map((of) => markFor(copy, 1, of, pages, 100, [left, right])!.mark)
    expect(marks[0]!.x + 52).toBeLessThanOrEqual(280)
    expect(marks[1]!.x).toBe(595 - 52)
    // Alone, or under each other, they stand in the margin.
    expect(markFor(copy, 1, left, pages, 100, [left])!.mark.x).toBe(595 - 52)
    expect(markFor(copy, 1, question(1, 2), pages, 100, [question(1, 2), question(2, 2)])!.mark.x).toBe(
      595 - 52,
    )
  })

  test('stands in the page, level with its question', () => {
    const wide = { ...question(1, 2), areas: [{ page, x: 0, y: 300, width: 595, height: 40 }] }
    const { mark: made } = markFor(copy, 1, wide, pages, 100)!
    expect(made.x).toBeLessThan(595 - 40)
    expect(made.y).toBeGreaterThanOrEqual(300)
    expect(
      markFor(copy, 1, { ...wide, areas: [{ ...wide.areas[0]!, page: idOf(9) }] }, pages, 1),
    ).toBeUndefined()
  })
})

test('a copy has the questions of its pages, in their order', () => {
  const other = { ...question(3, 1), areas: [{ page: idOf(8), x: 0, y: 0, width: 1, height: 1 }] }
  const all = [question(1, 1), other, question(2, 1)]
  expect(questionsOn(bareSheet(pages).pages, all).map(({ label }) => label)).toEqual(['1', '2'])
  expect(fullOf({ fullMarks: 0.07 })).toBe(7)
})
