import { type BookColumn, type CopyRow, type MarksRead, markId, type Question } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import { broughtForClass, broughtForQuestions } from './broughtIn.ts'
import { bookRows, isBegun, standingsOf, unitsOf, wholeIn } from './classBook.ts'
import { typedMark } from './markActs.ts'
import { askedFor, copyTotal, questionsFound } from './questionColumns.ts'
import { sayCorrelation, sayMean } from './sayNumbers.ts'
import { keyOf, nowKept, stillTyped, type TypedMarks, withTyped } from './typedMarks.ts'
import type { CopyMarks } from './useMarksByQuestion.ts'

const uuid = () => crypto.randomUUID()
const [page, other] = [uuid(), uuid()]
const question = (label: string, fullMarks: number, on = page): Question => ({
  id: uuid(),
  label,
  fullMarks,
  areas: [{ page: on, x: 60, y: 100, width: 300, height: 100 }],
})
const questions = [question('1', 2), question('2', 4), question('3', 1, other)]
const pages = [
  { id: page, width: 595 },
  { id: other, width: 595 },
]
const row = (name: string): CopyRow => ({
  id: uuid(),
  name,
  shared: false,
  students: [{ id: uuid(), name }],
  set: null,
  setId: null,
  pageNumbers: null,
  state: 'handed in',
  round: 1,
  markingBegan: false,
  goFor: null,
  reviewed: null,
  stateBefore: null,
  handedInAt: null,
  dueAt: null,
  handsBackAt: null,
  marksKept: false,
  withdrawn: false,
})
const own = (copy: string, given: readonly number[], round = 1): CopyMarks => ({
  copy,
  asked: questions.slice(0, 2).map(({ id }) => id),
  pages: [page],
  marks: given.map((each, at) => ({
    question: questions[at]!.id,
    given: each,
    full: questions[at]!.fullMarks * 100,
    round,
    page,
  })),
})

describe('marks typed into the book', () => {
  const ana = row('Ana Silva')
  const type = (marks: CopyMarks, given: number | null, of = questions[0]!) =>
    typedMark({ pages }, ana, marks, of, questions, given)?.act
  test('are laid on the copy, changed and taken away', () => {
    const laid = type(own(ana.id, []), 150)
    expect(laid).toMatchObject({ act: 'add', items: [{ kind: 'mark', given: 150, full: 200, label: '1' }] })
    const id = markId(ana.id, questions[0]!.id, 1)
    expect(type(own(ana.id, [150]), 50)).toEqual({
      act: 'change',
      item: id,
      set: { given: 50 },
      was: { given: 150 },
    })
    expect(type(own(ana.id, [150]), null)).toEqual({ act: 'take', items: [id] })
  })
  test('what changes nothing is no act; what an earlier round was given stays as it was', () => {
    expect(type(own(ana.id, [150]), 150)).toBeUndefined()
    expect(type(own(ana.id, []), null)).toBeUndefined()
    expect(type(own(ana.id, [150], 2), 50)).toMatchObject({ act: 'add' })
  })
  test('a copy without the question’s page cannot be given any', () => {
    expect(type(own(ana.id, []), 100, questions[2]!)).toBeUndefined()
  })
})

describe('what was typed', () => {
  const told = { copies: [own('a', [100]), own('b', [])] }
  const [first] = questions
  const mark = { question: first!.id, given: 200, full: 200, round: 1, page }
  const typed: TypedMarks = new Map([
    [keyOf('a', first!.id), { mark: null, event: 'e1', kept: false }],
    [keyOf('b', first!.id), { mark, event: 'e2', kept: false }],
  ])
  test('is shown in the place of what is told, until school has it and tells again', () => {
    const shown = (now: TypedMarks) =>
      [...withTyped(told, now).values()].map(({ marks }) => marks.map(({ given }) => given))
    expect(shown(typed)).toEqual([[], [200]])
    expect(stillTyped(typed)).toBe(typed)
    const kept = nowKept(typed, new Set(['e1']))
    expect(shown(kept)).toEqual([[], [200]])
    // A colleague may have been later: what school tells stands.
    expect(shown(stillTyped(kept))).toEqual([[100], [200]])
    expect(nowKept(typed, new Set(['other']))).toBe(typed)
  })
})

describe('how questions did', () => {
  const asked = askedFor({ questions, rubric: null }, [{ asked: questions.map(({ id }) => id) }])
  test('only copies that have marks count', () => {
    const copies = [own('a', [200, 400]), own('b', [0]), own('c', [])]
    const [one, two, three] = questionsFound(asked, copies)
    expect([one!.reached, two!.reached, three!.reached]).toEqual([0.5, 1, undefined])
    expect(one!.marked.map(({ copy }) => copy)).toEqual(['a', 'b'])
    expect(copyTotal(copies[1])).toEqual({ given: 0, full: 200, left: 1 })
    expect([copyTotal(copies[2]), copyTotal(undefined)]).toEqual([undefined, undefined])
  })
  test('a question without an area on any page is asked of nobody', () => {
    const nowhere = { ...questions[0]!, id: uuid(), areas: [] }
    const of = askedFor({ questions: [nowhere, questions[1]!], rubric: null }, [own('a', [])])
    expect(of.map(({ question: each }) => each.id)).toEqual([questions[1]!.id])
  })
  test('numbers are said to a place', () => {
    expect([sayMean(333), sayMean(350), sayCorrelation(-0.1), sayCorrelation(undefined)]).toEqual([
      '3.3',
      '3.5',
      '−0.10',
      '–',
    ])
  })
})

const read = (
  columns: readonly string[],
  ...rows: readonly (readonly [string, ...(number | null)[]])[]
): MarksRead => ({
  columns: columns.map((title) => ({ title, full: null, isTotal: false })),
  rows: rows.map(([name, ...given], at) => ({ line: at + 2, name, id: null, given })),
  wrong: [],
})

describe('marks that are brought in', () => {
  test('for questions: by their labels; what cannot be is told by its line', () => {
    const [ana, bo] = [row('Ana Silva'), row('Bo Yildiz')]
    const of = new Map([ana, bo].map(({ id }) => [id, own(id, id === ana.id ? [100] : [])]))
    const list = read(
      ['Question 1', '2', '3', 'Group'],
      ['ana silva', 100, 350, null, 1],
      ['Bo Yildiz', 250, null, 100, 1],
      ['Cy', 1, null, null, null],
    )
    const { taken, wrong } = broughtForQuestions(
      list,
      askedFor({ questions, rubric: null }, [{ asked: questions.map(({ id }) => id) }]),
      [ana, bo],
      of,
    )
    expect(taken.map((each) => [each.row.name, each.question.label, each.given])).toEqual([
      ['Ana Silva', '2', 350],
    ])
    expect(wrong).toEqual([
      { line: 3, why: 'Bo Yildiz, question 1: at most 2.' },
      { line: 3, why: 'Bo Yildiz’s copy does not have question 3.' },
      { line: 4, why: 'Nobody here is called Cy.' },
    ])
  })
  test('for a class: nobody twice, nobody more than full marks', () => {
    const students = ['Ana', 'Bo'].map((name) => ({ id: name, name, rosterId: null }))
    const list = read(['Oral'], ['Ana', 900], ['Ana', 800], ['Bo', 1100], ['Cy', 1])
    const { taken, wrong } = broughtForClass(list, 0, 1000, students)
    expect(taken).toEqual([{ student: 'Ana', given: 900 }])
    expect(wrong.map(({ line }) => line)).toEqual([3, 4, 5])
  })
})

describe('the book of a class', () => {
  const column = (id: string, weight: number, more: Partial<BookColumn> = {}): BookColumn => ({
    id,
    from: 'handout',
    title: id,
    unit: 'Tides',
    at: 1,
    full: 1000,
    weight,
    namesHidden: false,
    ...more,
  })
  const cell = (of: string, student: string, given: number | null) => ({
    column: of,
    student,
    given,
    full: given === null ? 0 : 1000,
    left: 0,
    copy: null,
    state: null,
  })
  const columns = [column('a', 100), column('b', 300), column('hidden', 100, { namesHidden: true, unit: '' })]
  const students = ['s', 't', 'u'].map((id) => ({ id, name: id, rosterId: null }))
  const cells = [
    cell('a', 's', 500),
    cell('b', 's', 900),
    cell('a', 't', 200),
    cell('b', 't', null),
    cell('a', 'u', 400),
  ]

  test('totals are by weight, of what has marks; where missing is nothing, of all that is told', () => {
    const shares = (missing: boolean) =>
      bookRows({ students, cells }, columns, missing).map(({ total }) => total.share)
    expect(shares(false)).toEqual([0.8, 0.2, 0.4])
    // What is hidden is not missing.
    expect(shares(true)).toEqual([0.8, 0.05, 0.1])
    expect(unitsOf(columns)).toEqual(['Tides'])
  })
  test('in a table with full marks in its head stands only what is marked through', () => {
    const [whole, begun, none] = [
      cell('a', 's', 500),
      { ...cell('a', 's', 500), left: 2 },
      cell('a', 's', null),
    ]
    expect([whole, begun, none, undefined].map(wholeIn)).toEqual([500, null, null, null])
    expect([whole, begun, none, undefined].map(isBegun)).toEqual([false, true, false, false])
  })
  test('a student stands beside the median of the class, where there are marks', () => {
    expect(
      standingsOf({ columns, cells }, 't').map(({ column: { id }, share, median }) => [id, share, median]),
    ).toEqual([['a', 0.2, 0.4]])
    expect(standingsOf({ columns, cells }, 'nobody')).toEqual([])
  })
})
