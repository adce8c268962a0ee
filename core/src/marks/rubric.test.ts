import { describe, expect, test } from '@jest/globals'
import { PRINTED_KINDS } from '../kinds/printed.ts'
import { applyAll, emptyPage } from '../log/apply.ts'
import type { SignedEvent } from '../log/events.ts'
import { marksIn, sumOf } from './marks.ts'
import { marksPages } from './marksPages.ts'
import { overallId, overallIn } from './overall.ts'
import { criteriaOf, levelMark, MOST_CRITERIA, type Rubric, rubric, rubricSum } from './rubric.ts'
import { feedbackSteps } from './steps.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const [COPY, PAGE] = [idOf(1), idOf(2)]
const measure = (text: string, { size }: { size: number }) => [...text].length * size * 0.5

const tides: Rubric = {
  name: 'A report on the tide',
  levels: ['not yet', 'nearly', 'there'],
  criteria: [
    { id: idOf(10), label: 'Reads the table', cells: cells([0, 50, 150], ['', 'some times', 'all times']) },
    { id: idOf(11), label: 'Says why', cells: cells([0, 100, 200], ['', '', 'moon and sun']) },
  ],
}
function cells(marks: number[], words: string[]) {
  return marks.map((each, at) => ({ marks: each, words: words[at]! }))
}

let made = 100
const add = (items: object[], round = 1): SignedEvent =>
  ({
    act: 'add',
    items,
    id: idOf(made++),
    page: PAGE,
    layer: 'feedback',
    madeAt: 0,
    author: 't',
    round,
  }) as SignedEvent
const pageOf = (...events: SignedEvent[]) => applyAll(emptyPage, events)

describe('the criteria of a rubric', () => {
  test('are marked as questions are: exactly, the latest round counts, and none is worth more than its best level', () => {
    const [reads, says] = tides.criteria as [Rubric['criteria'][0], Rubric['criteria'][0]]
    const page = pageOf(
      add([levelMark(COPY, 1, tides, reads, 1), levelMark(COPY, 1, tides, says, 2)]),
      add([levelMark(COPY, 2, tides, reads, 2)], 2),
    )
    const marks = marksIn([page])
    expect(rubricSum(tides, marks)).toEqual({ given: 350, full: 350, left: 0 })
    expect(marks.get(reads.id)!.level).toEqual({ at: 2, name: 'there', words: 'all times' })
    expect(sumOf(criteriaOf(tides), new Map())).toEqual({ given: 0, full: 350, left: 2 })
    expect(() => levelMark(COPY, 1, tides, reads, 3)).toThrow(RangeError)
  })

  test('change their level by one act, and say afterwards what it was called', () => {
    const [reads] = tides.criteria
    const [low, high] = [0, 2].map((at) => levelMark(COPY, 1, tides, reads!, at)) as [never, never]
    const { given, level } = high as ReturnType<typeof levelMark>
    const page = pageOf(add([low]), {
      ...add([]),
      act: 'change',
      item: (low as ReturnType<typeof levelMark>).id,
      set: { given, level },
      was: {},
    } as SignedEvent)
    expect(marksIn([page]).get(reads!.id)).toMatchObject({ given: 150, level: { name: 'there' } })
  })

  test('and words about the whole are what a student comes to last', () => {
    const [reads] = tides.criteria
    const words = { id: overallId(COPY, 1), kind: 'overall', words: 'A careful piece of work.' }
    const sign = { id: idOf(40), kind: 'sign', form: 'tick', x: 20, y: 700, width: 20, height: 20 }
    const page = pageOf(add([words, levelMark(COPY, 1, tides, reads!, 1), sign]))
    const steps = feedbackSteps([{ id: PAGE }], () => page, [], 1)
    expect(steps.map(({ words, box }) => [words, box !== undefined])).toEqual([
      ['', true],
      ['nearly: some times', false],
      ['A careful piece of work.', false],
    ])
    expect(feedbackSteps([{ id: PAGE }], () => page, [], 2)).toEqual([])
    expect(overallIn([page])?.words).toBe('A careful piece of work.')
    expect(overallIn([page], 2)).toBeUndefined()
  })
})

describe('a rubric', () => {
  test('has as many cells for each criterion as levels, each criterion once, and is neither empty nor endless', () => {
    const wrong = (change: Partial<Rubric>) => rubric.safeParse({ ...tides, ...change }).success
    expect(wrong({})).toBe(true)
    expect(wrong({ levels: ['one', 'two'] })).toBe(false)
    expect(wrong({ levels: ['alone'] })).toBe(false)
    expect(wrong({ criteria: [] })).toBe(false)
    expect(wrong({ criteria: [tides.criteria[0]!, tides.criteria[0]!] })).toBe(false)
    expect(wrong({ criteria: many(MOST_CRITERIA) })).toBe(true)
    expect(wrong({ criteria: many(MOST_CRITERIA + 1) })).toBe(false)
  })

  test('of fifty criteria lies on sheets, each row whole, the levels at the head of every sheet, the reached bold', () => {
    const long = { ...tides, criteria: many(MOST_CRITERIA) }
    const marks = new Map(
      long.criteria.map((criterion, index) => [criterion.id, levelMark(COPY, 1, long, criterion, index % 3)]),
    )
    const sheets = marksPages({ rubric: long, marks, words: 'Well done.' }, measure)
    expect(sheets.length).toBeGreaterThan(1)
    for (const { printed, width, height } of sheets) {
      for (const item of printed) {
        expect(PRINTED_KINDS[item.kind].schema.safeParse(item).success).toBe(true)
        expect(item.x + item.width).toBeLessThanOrEqual(width - 40)
        expect(item.y + item.height).toBeLessThanOrEqual(height - 40)
      }
      expect(printed.filter((item) => item.kind === 'text' && item.text === 'nearly')).toHaveLength(1)
    }
    const texts = sheets.flatMap(({ printed }) => printed.filter((item) => item.kind === 'text'))
    expect(texts.filter(({ text, bold }) => bold && text.startsWith('Criterion')).length).toBe(50)
    expect(texts.filter(({ text, bold }) => bold && text.startsWith('far enough')).length).toBe(16)
    expect(texts.at(-1)!.text).toBe('Well done.')
  })

  test('that is none, with nothing said, makes no sheet', () => {
    expect(marksPages({ rubric: null, marks: new Map(), words: '' }, measure)).toEqual([])
  })
})

function many(count: number): Rubric['criteria'] {
  return Array.from({ length: count }, (_, index) => ({
    id: idOf(1000 + index),
    label: `Criterion ${index} of the long list`,
    cells: cells([0, 100, 200], ['', 'something of it', 'far enough to be read by others']),
  }))
}
