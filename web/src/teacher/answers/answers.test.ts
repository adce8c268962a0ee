import {
  type AnswersTold,
  type CopyRow,
  type HeapAct,
  type Heaps,
  heapsAfter,
  type KeptEvent,
  MOST_HEAPS,
  marksIn,
  noHeaps,
  type PageEvent,
  type Question,
  type SignedEvent,
  type WorksheetPage,
} from '@hand-back/core'
import { idOf } from '@hand-back/core/test/arbitrary.ts'
import { write } from '@hand-back/core/test/handwriting.ts'
import { madeHand } from '@hand-back/core/test/madeHands.ts'
import { beforeEach, describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { answerActs } from './answerActs.ts'
import { AnswerStore, feedbackOn } from './answerStore.ts'
import { bundlesOf } from './bundles.ts'
import { type Strip, stripOf } from './strips.ts'

const PAGE = idOf(900)
const page: WorksheetPage = {
  id: PAGE,
  width: 595,
  height: 842,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed: [],
}
const question: Question = {
  id: idOf(901),
  label: '1',
  fullMarks: 2,
  areas: [{ page: PAGE, x: 40, y: 90, width: 400, height: 160 }],
}
const COPIES = Array.from({ length: 6 }, (_, at) => idOf(100 + at))
const rowOf = (id: string, at: number) =>
  ({ id, name: `Student ${at}`, state: 'handed in', round: 1 }) as unknown as CopyRow

let made = 1000
const ink = (text: string, hand: number) =>
  write(
    madeHand(hand, () => idOf(made++)),
    text,
    { x: 60, y: 130 },
  )
/** A copy on which somebody wrote something; nothing where it is empty. */
const toldOf = (copy: string, text: string, hand: number): AnswersTold['copies'][number] => {
  const add = { id: idOf(made++), page: PAGE, layer: 'work', madeAt: 1, act: 'add', items: ink(text, hand) }
  const kept = { seq: 1, author: 'student', round: 1, keptAt: 1 }
  return { copy, set: null, pages: [PAGE], events: text === '' ? [] : [{ ...add, ...kept } as KeptEvent] }
}

/** What went out, a device without a network, and heaps as school would have them. */
class Desk {
  readonly sent: { copy: string; event: SignedEvent }[] = []
  heaps: Heaps = noHeaps
  readonly store = new AnswerStore(
    'teacher',
    {
      put: async (copy, event) => void this.sent.push({ copy, event }),
      waitingFor: async () => [],
      onFates: () => () => {},
      onDeleted: () => () => {},
    },
    () => ++this.#clock,
  )
  #clock = 1000

  get strips(): Strip[] {
    const { answers } = this.store.view.getState()
    return COPIES.flatMap((id, at) => {
      const answer = answers.get(id)
      return (answer && stripOf(rowOf(id, at), answer, question, {}, 0)) ?? []
    })
  }
  get acts() {
    return answerActs({
      store: this.store,
      question,
      questions: [question],
      heaps: this.heaps,
      changeHeaps: (act: HeapAct) => {
        this.heaps = heapsAfter(this.heaps, act)
      },
      carries: { tick: 100 },
      makeId: () => idOf(made++),
    })
  }
  get given(): (number | undefined)[] {
    const { answers } = this.store.view.getState()
    return COPIES.map((id) => marksIn(answers.get(id)!.log.values()).get(question.id)?.given)
  }
  feedback(at: number): string[] {
    return feedbackOn(this.store.view.getState().answers.get(COPIES[at]!)!, PAGE).map(({ kind }) => kind)
  }
}

const TEXTS = ['4.5 m', '4.5 m', '6.1 m', '6.1 m', '4.5 m', '']
let desk: Desk
beforeEach(async () => {
  desk = new Desk()
  const copies = COPIES.map((copy, at) => toldOf(copy, TEXTS[at]!, at))
  await desk.store.tell({ question, sets: [{ set: null, pages: [page] }], copies })
})

const words = { id: idOf(50), kind: 'text', x: 0, y: 0, width: 90, height: 20 } as const
const remark = {
  id: idOf(40),
  name: 'difference, not sum',
  unit: '',
  carries: 50,
  items: [{ ...words, text: 'Take away.', size: 12, face: 'reading', bold: false, colour: '#a83a2e' }],
} as never

describe('a heap', () => {
  test('gives marks to all in it at once, to whoever comes, and takes them from whoever leaves', () => {
    const [a, b, c, d] = desk.strips
    const heap = desk.acts.make([a!, b!], 'right')!
    desk.acts.giveHeap(desk.heaps.heaps[0]!, [a!, b!], 200)
    expect(desk.given).toEqual([200, 200, undefined, undefined, undefined, undefined])
    desk.acts.put([c!], heap)
    expect(desk.given[2]).toBe(200)
    const other = desk.acts.make([d!], 'added instead')!
    desk.acts.giveHeap(desk.heaps.heaps[1]!, [d!], 50)
    desk.acts.put([desk.strips[2]!], other)
    expect(desk.given.slice(0, 4)).toEqual([200, 200, 50, 50])
    desk.acts.put([desk.strips[3]!], null)
    expect(desk.given[3]).toBeUndefined()
  })

  test('leaves alone what a teacher gave to one by hand', () => {
    const [a, b] = desk.strips
    desk.acts.give([a!], 150)
    const heap = desk.acts.make([b!], 'right')!
    desk.acts.giveHeap(desk.heaps.heaps[0]!, [b!], 200)
    desk.acts.put([desk.strips[0]!], heap)
    expect(desk.given.slice(0, 2)).toEqual([150, 200])
    desk.acts.put([desk.strips[0]!], null)
    expect(desk.given[0]).toBe(150)
  })

  test('has a remark that lies on each once, goes with who leaves, and is there again with who comes back', () => {
    const [a, b] = desk.strips
    const heap = desk.acts.make([a!, b!], 'added instead')!
    desk.acts.remarkHeap(desk.heaps.heaps[0]!, [a!, b!], remark)
    expect(desk.feedback(0)).toEqual(['text'])
    desk.acts.remarkHeap(desk.heaps.heaps[0]!, desk.strips.slice(0, 2), remark)
    expect(desk.feedback(0)).toEqual(['text'])
    desk.acts.put([desk.strips[0]!], null)
    expect([desk.feedback(0), desk.feedback(1)]).toEqual([[], ['text']])
    desk.acts.put([desk.strips[0]!], heap)
    expect(desk.feedback(0)).toEqual(['text'])
  })
})

describe('undo', () => {
  test('one press brings back what one press did to many, heaps too', () => {
    const all = desk.strips
    desk.acts.make(all, 'all')
    desk.acts.giveHeap(desk.heaps.heaps[0]!, all, 100)
    expect(desk.given).toEqual([100, 100, 100, 100, 100, 100])
    desk.store.undo()
    expect(desk.given).toEqual(Array(6).fill(undefined))
    expect(desk.heaps.heaps[0]!.given).toBeNull()
    desk.store.undo()
    expect(desk.heaps).toEqual(noHeaps)
    desk.store.redo()
    desk.store.redo()
    expect(desk.given).toEqual(Array(6).fill(100))
    expect(Object.keys(desk.heaps.lies)).toHaveLength(6)
  })

  test('whatever was done, as many presses of undo leave nothing of it', () => {
    const numbers = fc.integer({ min: 0, max: 5 })
    const steps = fc.array(fc.tuple(fc.constantFrom('give', 'make', 'put', 'out', 'sign', 'heap'), numbers), {
      maxLength: 12,
    })
    fc.assert(
      fc.property(steps, (all) => {
        const before = [desk.given, desk.heaps, COPIES.map((_, at) => desk.feedback(at))]
        let done = 0
        for (const [step, at] of all) {
          const strip = desk.strips[at]!
          const heap = desk.heaps.heaps[0]
          if (step === 'give') desk.acts.give([strip], at * 40)
          else if (step === 'make') desk.acts.make([strip], `heap ${at}`)
          else if (step === 'put' && heap) desk.acts.put([strip], heap.id)
          else if (step === 'out') desk.acts.put([strip], null)
          else if (step === 'sign') desk.acts.sign(strip, 'tick')
          else if (step === 'heap' && heap) desk.acts.giveHeap(heap, [strip], 100)
          done++
        }
        for (let press = 0; press < done; press++) desk.store.undo()
        while (desk.store.view.getState().canUndo) desk.store.undo()
        expect([desk.given, desk.heaps, COPIES.map((_, at) => desk.feedback(at))]).toEqual(before)
      }),
      { numRuns: 60 },
    )
  })
})

test('a sign that gives marks gives them, never more than all', () => {
  const strip = () => desk.strips[0]!
  desk.acts.sign(strip(), 'tick')
  expect(desk.given[0]).toBe(100)
  desk.acts.sign(strip(), 'tick')
  desk.acts.sign(strip(), 'tick')
  expect(desk.given[0]).toBe(200)
  expect(desk.feedback(0).filter((kind) => kind === 'sign')).toHaveLength(3)
  const xs = feedbackOn(strip().answer, PAGE).flatMap((item) => (item.kind === 'sign' ? [item.x] : []))
  expect(new Set(xs).size).toBe(3)
})

test('what is told again, with one’s own in it, is there once; what is deleted from the device is gone', async () => {
  desk.acts.give([desk.strips[0]!], 150)
  const { event } = desk.sent[0]!
  const kept = { ...event, seq: 1, keptAt: 5 } as KeptEvent
  const told = toldOf(COPIES[0]!, '4.5 m', 0)
  await desk.store.tell({
    question,
    sets: [{ set: null, pages: [page] }],
    copies: [{ ...told, events: [...told.events, kept] }],
  })
  expect(desk.given[0]).toBe(150)
  expect(desk.feedback(0)).toEqual(['mark'])
})

test('what was asked for earlier and comes later takes nothing away; there is an end to heaps', async () => {
  const sets = [{ set: null, pages: [page] }]
  const old = { ...toldOf(COPIES[0]!, '', 0), events: [] }
  await desk.store.tell({ question, sets, copies: [old] })
  expect(desk.strips[0]!.isEmpty).toBe(false)
  for (let heap = 0; heap < MOST_HEAPS; heap++) expect(desk.acts.make([], `heap ${heap}`)).toBeDefined()
  expect(desk.acts.make([desk.strips[0]!], 'one more')).toBeUndefined()
  expect(desk.heaps.lies).toEqual({})
})

test('a copy that nobody has opened takes no marks', () => {
  const strip = { ...desk.strips[0]!, writes: false }
  desk.acts.give([strip], 100)
  desk.acts.sign(strip, 'tick')
  expect(desk.sent).toEqual([])
})

describe('strips that stand together', () => {
  const said = (at: number, same: string, isEmpty = false): Strip =>
    ({
      row: rowOf(COPIES[at]!, at),
      isEmpty,
      answered: { same, words: same, besides: [] },
    }) as unknown as Strip

  test('equal answers first, the most on top; what is empty last', () => {
    const strips = [said(0, 'a'), said(1, 'b'), said(2, 'b'), said(3, '', true), said(4, 'b'), said(5, 'a')]
    const bundles = bundlesOf(strips, 'alike', 7, undefined)
    expect(bundles.map((each) => `${each.kind} ${each.words} ${each.strips.length}`)).toEqual([
      'equal b 3',
      'equal a 2',
      'nothing  1',
    ])
  })

  test('in every order each strip stands once', () => {
    const some = fc.array(fc.constantFrom('', 'a', 'b'), { minLength: 6, maxLength: 6 })
    const looks = fc.option(fc.array(fc.nat(3), { minLength: 6, maxLength: 6 }))
    fc.assert(
      fc.property(
        some,
        looks,
        fc.constantFrom('alike', 'random', 'name'),
        fc.nat(),
        (texts, heaps, order, seed) => {
          const strips = texts.map((text, at) => said(at, text, text === ''))
          const alike = heaps ? new Map(heaps.map((heap, at) => [COPIES[at]!, heap])) : undefined
          const shown = bundlesOf(strips, order as never, seed, alike).flatMap((each) => each.strips)
          expect(shown.map(({ row }) => row.id).sort()).toEqual([...COPIES].sort())
        },
      ),
    )
  })
})

test('events of one act have one time: they are undone together in the copy too', () => {
  desk.acts.give(desk.strips.slice(0, 3), 100)
  const times = desk.sent.map(({ event }) => (event as PageEvent).madeAt)
  expect(times).toHaveLength(3)
  expect(new Set(times).size).toBe(1)
  for (const { event } of desk.sent)
    expect(event).toMatchObject({ layer: 'feedback', author: 'teacher', round: 1 })
})
