import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import * as simple from 'simple-statistics'
import type { Item } from '../kinds/items.ts'
import { barsOfQuestion, histogramOf } from './histogram.ts'
import { type Lack, lackAll, lackAny, lacksOf } from './lacks.ts'
import { type Reached, shareReached } from './reached.ts'
import { remarksGiven } from './remarksGiven.ts'
import { deviationOf, meanOf, medianOf, quantileOf, spreadOf } from './spread.ts'
import { correlationOf, sayTellsApart, tellsApart } from './tellsApart.ts'
import { totalOf } from './total.ts'

const someNumbers = fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 60 })
const reached = fc
  .integer({ min: 1, max: 2000 })
  .chain((full) => fc.record({ given: fc.integer({ min: 0, max: full }), full: fc.constant(full) }))

describe('mean, median and spread', () => {
  test('of marks reckoned by hand', () => {
    // 2, 4, 4, 4, 5, 5, 7, 9: sum 40, squares of what they differ by 9+1+1+1+0+0+4+16 = 32, 32/8 = 4, its root 2.
    const marks = [2, 4, 4, 4, 5, 5, 7, 9]
    expect(spreadOf(marks)).toEqual({ count: 8, mean: 5, median: 4.5, deviation: 2, low: 4, high: 5.5 })
    // Method 7: place 0.25 × 4 = 1 of 1, 2, 3, 4, 100 is 2; 0.9 × 4 = 3.6 is 4 + 0.6 × 96.
    expect(quantileOf([100, 2, 1, 4, 3], 0.25)).toBe(2)
    expect(quantileOf([100, 2, 1, 4, 3], 0.9)).toBeCloseTo(61.6)
  })
  test('of nothing there are none, and of one it is itself', () => {
    expect(spreadOf([])).toBeUndefined()
    expect([meanOf([]), medianOf([]), deviationOf([])]).toEqual([undefined, undefined, undefined])
    expect(spreadOf([7])).toEqual({ count: 1, mean: 7, median: 7, deviation: 0, low: 7, high: 7 })
  })
  test('are what a library finds', () => {
    fc.assert(
      fc.property(someNumbers, (numbers) => {
        expect(meanOf(numbers)).toBeCloseTo(simple.mean(numbers), 8)
        expect(medianOf(numbers)).toBeCloseTo(simple.median(numbers), 8)
        expect(deviationOf(numbers)).toBeCloseTo(simple.standardDeviation(numbers), 8)
      }),
    )
  })
  test('a middle half lies within all, and the median within it', () => {
    fc.assert(
      fc.property(someNumbers, (numbers) => {
        const { low, median, high } = spreadOf(numbers)!
        const order = [Math.min(...numbers), low, median, high, Math.max(...numbers)]
        expect(order).toEqual([...order].sort((a, b) => a - b))
      }),
    )
  })
})

describe('how far two rows go together', () => {
  test('reckoned by hand', () => {
    // 1, 2, 3 and 1, 3, 2: products of what they differ by 1·1 + 0·1 + 1·0 = 1; both rows 2; 1 / √(2·2).
    expect(correlationOf([1, 2, 3], [1, 3, 2])).toBeCloseTo(0.5)
    expect(correlationOf([1, 2, 3], [6, 4, 2])).toBeCloseTo(-1)
    expect(correlationOf([1, 1, 1], [1, 2, 3])).toBeUndefined()
    expect(correlationOf([0.1 + 0.2, 0.3, 0.3], [1, 2, 3])).toBeUndefined()
    expect(correlationOf([1], [1])).toBeUndefined()
    expect(() => correlationOf([1], [])).toThrow(RangeError)
  })
  test('is what a library finds', () => {
    const pairs = fc.array(fc.tuple(fc.integer({ min: 0, max: 50 }), fc.integer({ min: 0, max: 50 })), {
      minLength: 3,
      maxLength: 40,
    })
    fc.assert(
      fc.property(pairs, (rows) => {
        const [one, other] = [rows.map(([a]) => a), rows.map(([, b]) => b)]
        const found = correlationOf(one, other)
        if (new Set(one).size === 1 || new Set(other).size === 1) expect(found).toBeUndefined()
        else expect(found).toBeCloseTo(simple.sampleCorrelation(one, other), 8)
      }),
    )
  })
})

const marksOf = (...given: readonly number[]) =>
  new Map<string, Reached>(given.map((each, at) => [`q${at + 1}`, { given: each * 100, full: 400 }]))

describe('a question among the others', () => {
  // Five copies, three questions of four marks each.
  const class_ = [marksOf(4, 4, 0), marksOf(3, 4, 1), marksOf(2, 2, 2), marksOf(1, 1, 3), marksOf(0, 0, 4)]
  test('how hard it was', () => {
    expect(shareReached(class_.map((each) => each.get('q2')!))).toBeCloseTo(11 / 20)
    expect(shareReached([])).toBeUndefined()
  })
  test('how well it tells strong from weak, reckoned by hand', () => {
    // Rest of q3 is q1 + q2: 8, 7, 4, 2, 0. Of q3: 0, 1, 2, 3, 4. Mean 4.2 and 2; products -7.6 -2.8 0 -2.2 -8.4 = -21;
    // squares 44.8 and 10; -21 / √448 = -0.992.
    expect(tellsApart('q3', class_)).toBeCloseTo(-21 / Math.sqrt(448))
    // The rest of q1 is q2 + q3: 4, 5, 4, 4, 4 with q1 4, 3, 2, 1, 0: products -0.4 +0.8 0 +0.2 +0.4 = 1; squares 0.8, 10.
    expect(tellsApart('q1', class_)).toBeCloseTo(1 / Math.sqrt(8))
  })
  test('fewer than five copies, and a question that all did alike, say nothing', () => {
    expect(tellsApart('q1', class_.slice(1))).toBeUndefined()
    expect(
      tellsApart(
        'q1',
        class_.map((each) => new Map(each).set('q1', { given: 400, full: 400 })),
      ),
    ).toBeUndefined()
    expect(
      tellsApart(
        'q1',
        class_.map(() => marksOf(4)),
      ),
    ).toBeUndefined()
    expect([undefined, -0.1, 0, 0.3, 0.4].map(sayTellsApart)).toEqual([
      'not known yet',
      'the wrong way round',
      'hardly',
      'somewhat',
      'well',
    ])
  })
})

describe('a histogram', () => {
  test('exactly half stands with the fifties, all of it in the last bar', () => {
    const bars = histogramOf([
      { given: 0, full: 300 },
      { given: 150, full: 300 },
      { given: 299, full: 300 },
      { given: 300, full: 300 },
      { given: 0, full: 0 },
    ])
    expect(bars.map(({ of }) => of.length)).toEqual([1, 0, 0, 0, 0, 1, 0, 0, 0, 2])
    expect(bars[5]!.label).toBe('50–59 %')
  })
  test('everything that could have marks stands in exactly one bar', () => {
    fc.assert(
      fc.property(fc.array(reached), (marks) => {
        const inBars = histogramOf(marks).flatMap(({ of }) => of)
        expect(inBars.length).toBe(marks.length)
        expect(new Set(inBars)).toEqual(new Set(marks))
      }),
    )
  })
  test('of a question stands a bar for every mark', () => {
    const of = (...given: number[]) => given.map((each) => ({ given: each, full: 200 }))
    expect(barsOfQuestion(of(0, 200, 200), 200).map(({ label, of: all }) => [label, all.length])).toEqual([
      ['0', 1],
      ['1', 0],
      ['2', 2],
    ])
    expect(barsOfQuestion(of(50), 200).map(({ label }) => label)).toEqual(['0', '½', '1', '1½', '2'])
    expect(barsOfQuestion([{ given: 33, full: 200 }], 200)).toHaveLength(10)
    expect(barsOfQuestion([], 5000)).toHaveLength(10)
  })
  test('whatever was given, the bars of a question hold all of it', () => {
    fc.assert(
      fc.property(
        fc
          .constantFrom(100, 150, 400, 1000, 2350)
          .chain((full) =>
            fc.tuple(
              fc.constant(full),
              fc.array(fc.integer({ min: 0, max: full / 50 }).map((half) => half * 50)),
            ),
          ),
        ([full, given]) => {
          const bars = barsOfQuestion(
            given.map((each) => ({ given: each, full })),
            full,
          )
          expect(bars.reduce((sum, { of }) => sum + of.length, 0)).toBe(given.length)
        },
      ),
    )
  })
})

describe('a total', () => {
  test('is the mean of the shares by weight, and the sum of what counts', () => {
    const half = { given: 500, full: 1000 }
    const all = { given: 2000, full: 2000 }
    expect(
      totalOf([
        { marks: half, weight: 100 },
        { marks: all, weight: 300 },
      ]),
    ).toEqual({
      given: 2500,
      full: 3000,
      share: (0.5 * 100 + 1 * 300) / 400,
    })
    expect(
      totalOf([
        { marks: half, weight: 100 },
        { marks: all, weight: 0 },
      ]),
    ).toEqual({ ...half, share: 0.5 })
  })
  test('what has no marks counts only where it is said to', () => {
    const some = [
      { marks: { given: 500, full: 1000 }, weight: 100 },
      { marks: undefined, weight: 100 },
    ]
    expect(totalOf(some).share).toBe(0.5)
    expect(totalOf(some, true).share).toBe(0.25)
    expect(totalOf([]).share).toBeUndefined()
    expect(totalOf([{ marks: { given: 0, full: 0 }, weight: 100 }]).share).toBeUndefined()
  })
})

const words = (text: string, id = text): Item =>
  ({ id, kind: 'text', text, x: 0, y: 0, width: 90, size: 12, colour: '#a83a2e' }) as unknown as Item
const ink = (points: string): Item =>
  ({ id: points, kind: 'stroke', nib: 'pen', colour: '#a83a2e', width: 1, points }) as Item

describe('remarks that were given', () => {
  const axes = { name: 'axes', items: [words('Name both axes'), ink('AA')] }
  test('are found again by words and ink, and only where all of it lies', () => {
    const given = remarksGiven(
      [axes, { name: 'never', items: [words('Well done')] }],
      [
        { copy: 'a', items: [words('name  both axes'), { ...ink('AA'), lies: { a: 1 } } as unknown as Item] },
        { copy: 'b', items: [words('Name both axes')] },
        { copy: 'c', items: [words('See me'), words('Units?')] },
        { copy: 'd', items: [words('units?')] },
      ],
    )
    expect(given).toEqual([
      { name: 'Units?', words: 'Units?', copies: ['c', 'd'] },
      { name: 'axes', words: 'Name both axes', copies: ['a'] },
    ])
  })
  test('a sign alone is no remark', () => {
    const sign = { id: 's', kind: 'sign', form: 'tick', x: 0, y: 0 } as unknown as Item
    expect(remarksGiven([{ name: 'tick', items: [sign] }], [{ copy: 'a', items: [sign] }])).toEqual([])
  })
})

describe('what students lack', () => {
  const questions = [
    { id: 'q1', label: '1' },
    { id: 'q2', label: '2' },
  ]
  const marked = [
    {
      copy: 'a',
      marks: new Map([
        ['q1', { given: 0, full: 200 }],
        ['q2', { given: 400, full: 400 }],
      ]),
    },
    {
      copy: 'b',
      marks: new Map([
        ['q1', { given: 100, full: 200 }],
        ['q2', { given: 199, full: 400 }],
      ]),
    },
    { copy: 'c', marks: new Map([['q1', { given: 50, full: 200 }]]) },
    { copy: 'd', marks: new Map<string, Reached>() },
  ]
  const said = {
    remarks: [{ name: 'axes', words: 'Name both axes', copies: ['b', 'c', 'd'] }],
    heaps: [
      { question: 'q2', name: 'No units', copies: ['b'] },
      { question: 'gone', name: 'x', copies: ['b'] },
    ],
  }
  test('exactly half is not lacking; what most lack comes first; nobody lacks what has no marks', () => {
    const lacks = lacksOf(questions, marked, said)
    expect(lacks.map(({ label, copies }) => [label, copies])).toEqual([
      ['axes', ['b', 'c', 'd']],
      ['Question 1', ['a', 'c']],
      ['No units', ['b']],
      ['Question 2', ['b']],
    ])
    // 150 of 600 hundredths.
    expect(lacks[1]!.detail).toBe('the class reached 25 %')
  })
  test('who lacks all of several is among those of each, and all of those are who lacks any', () => {
    const lack = fc
      .uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e'))
      .map((copies): Lack => ({ id: 'x', from: 'heap', label: '', detail: '', copies }))
    fc.assert(
      fc.property(fc.array(lack), (lacks) => {
        const [all, any] = [lackAll(lacks), lackAny(lacks)]
        for (const { copies } of lacks) {
          expect(copies).toEqual(expect.arrayContaining(all))
          expect(any).toEqual(expect.arrayContaining([...copies]))
        }
        expect(new Set(any).size).toBe(any.length)
        if (lacks.length === 0) expect(all).toEqual([])
      }),
    )
  })
})
