import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Item } from '../kinds/items.ts'
import { signAlong } from '../kinds/sign.ts'
import { apply, applyAll, emptyPage } from '../log/apply.ts'
import type { Layer, SignedEvent } from '../log/events.ts'
import { isUndoable } from '../log/history.ts'
import { feedbackSteps, replyId, saidToFeedback } from './steps.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const [PAGE, NEXT] = [idOf(1), idOf(2)]
const pages = [{ id: PAGE }, { id: NEXT }]
const questions = [
  { id: idOf(10), label: '1', areas: [{ page: PAGE, x: 60, y: 100, width: 300, height: 80 }] },
  { id: idOf(11), label: '2', areas: [{ page: PAGE, x: 60, y: 300, width: 300, height: 80 }] },
]
const sheet = { width: 595, height: 842 }
const signAt = (id: number, x: number, y: number): Item => ({
  ...signAlong('tick', [{ x, y }], sheet, 1, 0),
  id: idOf(id),
})
const markOf = (id: number, question: number, y: number): Item => ({
  id: idOf(id),
  kind: 'mark',
  question: idOf(question),
  label: String(question - 9),
  given: 100,
  full: 200,
  x: 540,
  y,
})
let made = 1000
const add = (items: Item[], page = PAGE, layer: Layer = 'feedback', round = 1): SignedEvent => ({
  act: 'add',
  items,
  id: idOf(made++),
  page,
  layer,
  madeAt: 0,
  author: 'someone',
  round,
})
const laid = (...events: SignedEvent[]) => {
  const byPage = new Map(
    pages.map(({ id }) => [
      id,
      applyAll(
        emptyPage,
        events.filter(({ page }) => page === id),
      ),
    ]),
  )
  return (id: string) => byPage.get(id) ?? emptyPage
}
const stepsOf = (...events: SignedEvent[]) => feedbackSteps(pages, laid(...events), questions, 1)

describe('the steps through feedback', () => {
  test('stop at what was spoken, where it lies, and say it where it is typed beside', () => {
    const voice = (id: number, y: number, words?: string): Item => ({
      id: idOf(id),
      kind: 'voice',
      x: 400,
      y,
      recording: idOf(id + 50),
      seconds: 4,
      ...(words ? { words } : {}),
    })
    const steps = stepsOf(add([voice(32, 320), voice(31, 120, 'Read the second low tide.')]))
    expect(steps.map(({ id, question, words }) => [id, question, words])).toEqual([
      [idOf(31), idOf(10), 'Read the second low tide.'],
      [idOf(32), idOf(11), ''],
    ])
    expect(steps.map(({ voices }) => voices.map(({ recording }) => recording))).toEqual([
      [idOf(81)],
      [idOf(82)],
    ])
    expect(steps[0]!.box).toMatchObject({ x: 400, y: 120 })
  })

  test('go by question down the page, then to the next page; what lies together is one', () => {
    const steps = stepsOf(
      add([signAt(31, 200, 40)], NEXT),
      add([signAt(22, 100, 340), signAt(23, 110, 350)]),
      add([signAt(21, 330, 170), signAt(20, 100, 120)]),
    )
    expect(steps.map(({ id }) => id)).toEqual([20, 21, 22, 31].map(idOf))
    expect(steps.map(({ question }) => question)).toEqual([idOf(10), idOf(10), idOf(11), undefined])
  })

  test('marks stand at the first piece about their question, or for themselves at its area', () => {
    const steps = stepsOf(
      add([markOf(40, 10, 102), markOf(41, 11, 302)]),
      add([signAt(21, 330, 170), signAt(20, 100, 120)]),
    )
    expect(steps.map(({ id, mark }) => [id, mark?.id])).toEqual([
      [idOf(20), idOf(40)],
      [idOf(21), undefined],
      [idOf(41), idOf(41)],
    ])
    expect(steps[2]!.box).toEqual({ x: 60, y: 300, width: 300, height: 80 })
  })

  test('hold nothing of another round, and nothing that is not feedback', () => {
    expect(stepsOf(add([signAt(20, 100, 120)], PAGE, 'feedback', 2))).toEqual([])
    expect(stepsOf(add([signAt(20, 100, 120)], PAGE, 'work'))).toEqual([])
  })

  test('hold everything once, in whatever order it was laid', () => {
    const place = fc.tuple(fc.integer({ min: 20, max: 560 }), fc.integer({ min: 20, max: 800 }))
    fc.assert(
      fc.property(fc.uniqueArray(place, { minLength: 1, maxLength: 25 }), fc.nat(), (places, seed) => {
        const signs = places.map(([x, y], index) => signAt(100 + index, x, y))
        const shuffled = [...signs].sort((a, b) => (a.id + seed < b.id + seed ? 1 : -1))
        const steps = stepsOf(add(signs))
        expect(stepsOf(add(shuffled)).map(({ box }) => box)).toEqual(steps.map(({ box }) => box))
        for (const sign of signs) {
          if (sign.kind !== 'sign') continue
          const around = steps.filter(
            ({ box }) =>
              box && sign.x >= box.x && sign.y >= box.y && sign.x + sign.width <= box.x + box.width + 0.01,
          )
          expect(around.length).toBeGreaterThan(0)
        }
      }),
    )
  })
})

describe('what is said to feedback', () => {
  const copy = idOf(7)
  const reply = (to: number, words: string): Item => ({
    id: replyId(copy, idOf(to)),
    kind: 'reply',
    to: idOf(to),
    reply: { done: false, words },
  })

  test('is about the question that the feedback is about, and gone with it', () => {
    const events = [
      add([signAt(20, 100, 120), markOf(41, 11, 302)]),
      add([reply(20, 'I see'), reply(41, 'why'), reply(99, 'nothing there')], PAGE, 'work'),
    ]
    const said = saidToFeedback(pages, laid(...events), questions)
    expect(said.map(({ reply, question }) => [reply.reply.words, question])).toEqual([
      ['I see', idOf(10)],
      ['why', idOf(11)],
    ])
    const taken = { ...add([]), act: 'take', items: [idOf(20)] } as unknown as SignedEvent
    expect(saidToFeedback(pages, laid(...events, taken), questions)).toHaveLength(1)
  })

  test('is one, however often it is said, and is not undone', () => {
    const first = add([reply(20, '')], PAGE, 'work')
    const page = apply(apply(emptyPage, first), add([reply(20, 'again')], PAGE, 'work'))
    expect(page.placed.size).toBe(1)
    expect(isUndoable(first)).toBe(false)
    expect(isUndoable(add([signAt(20, 1, 1)]))).toBe(true)
  })
})
