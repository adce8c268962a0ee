import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import * as similarity from '../ink/similarity.ts'
import type { Stroke } from '../ink/stroke.ts'
import { idOf } from '../test/arbitrary.ts'
import { write } from '../test/handwriting.ts'
import { madeHand } from '../test/madeHands.ts'
import { ALIKE, likelyHeaps } from './likelyHeaps.ts'
import { unlikeness } from './unlikeness.ts'
import { type WritingShape, writingShape } from './writingShape.ts'

let made = 1
const written = (text: string, hand: number): Stroke[] =>
  write(
    madeHand(hand, () => idOf(made++)),
    text,
    { x: 60, y: 100 },
    300,
  )
const shapeOf = (text: string, hand: number): WritingShape => writingShape(written(text, hand))!

/** What a class might answer to a question: some of it right, some wrong. */
const QUESTIONS: Readonly<Record<string, readonly string[]>> = {
  'a rise': ['4.5 m', '6.1 m', '4.2 m', '5 m', '0.8 m', '45 m'],
  'how they got there': [
    '5.3 - 0.8 = 4.5 m',
    '5.3 + 0.8 = 6.1 m',
    '5.3 - 1.1 = 4.2 m',
    'it rises 4.5 m',
    'about 5 m',
  ],
  'a time': ['10:25', '4:10', '16:40', '22:50', '6 h 15 min', '6 hours'],
  'a word': ['shell', 'claw', 'leg', 'eye', 'feeler', 'mouth'],
  'a number': ['3', '7', '12', '8', '5', '24'],
  'a sentence': [
    'Because the water is over the green line',
    'It can sail all day',
    'After high tide',
    'I do not know',
  ],
}
const HANDS = 6

/** Every answer in the hands of several, none of whom write two of them. */
const classOf = (answers: readonly string[], from: number) =>
  answers.flatMap((text, at) =>
    Array.from({ length: HANDS }, (_, hand) => ({ text, shape: shapeOf(text, from + at * 50 + hand) })),
  )

describe('answers in the hands of many', () => {
  const classes = Object.values(QUESTIONS).flatMap((answers, at) => [
    classOf(answers, at * 1000),
    classOf(answers, at * 1000 + 500),
  ])

  test('of the five nearest to an answer nine in ten are equal to it', () => {
    const shares = classes.flatMap((answers) =>
      answers.map((one) => {
        const nearest = answers
          .filter((other) => other !== one)
          .map(({ text, shape }) => ({ text, far: unlikeness(one.shape, shape) }))
          .sort((a, b) => a.far - b.far)
          .slice(0, 5)
        return nearest.filter(({ text }) => text === one.text).length / 5
      }),
    )
    expect(shares.reduce((sum, share) => sum + share) / shares.length).toBeGreaterThan(0.88)
  })

  test('what is offered as one heap is hardly ever different, and holds half of what is equal', () => {
    let [pairs, equal, all] = [0, 0, 0]
    for (const answers of classes) {
      const heaps = likelyHeaps(
        answers.length,
        (a, b) => unlikeness(answers[a]!.shape, answers[b]!.shape),
        ALIKE,
      )
      for (const heap of heaps)
        for (const a of heap)
          for (const b of heap)
            if (a < b) {
              pairs++
              if (answers[a]!.text === answers[b]!.text) equal++
            }
      all += (answers.length * (HANDS - 1)) / 2
    }
    expect(equal / pairs).toBeGreaterThan(0.96)
    expect(equal / all).toBeGreaterThan(0.5)
  })
})

const hands = fc.integer({ min: 0, max: 500 })
const texts = fc.constantFrom(...Object.values(QUESTIONS).flat())

test('unlikeness is a number from 0, the same both ways, and 0 with itself', () => {
  fc.assert(
    fc.property(texts, hands, texts, hands, (a, handA, b, handB) => {
      const [one, other] = [shapeOf(a, handA), shapeOf(b, handB)]
      expect(unlikeness(one, one)).toBeCloseTo(0, 6)
      expect(unlikeness(one, other)).toBeGreaterThanOrEqual(0)
      expect(unlikeness(one, other)).toBeCloseTo(unlikeness(other, one), 6)
    }),
    { numRuns: 60 },
  )
})

test('where it was written and how large is nothing to it', () => {
  const places = fc.integer({ min: -300, max: 300 })
  const sizes = fc.double({ min: 0.5, max: 3, noNaN: true })
  fc.assert(
    fc.property(texts, hands, places, places, sizes, (text, hand, dx, dy, times) => {
      const ink = written(text, hand)
      const lies = similarity.compose(
        similarity.about({ x: 60, y: 100 }, times, 0),
        similarity.translation(dx, dy),
      )
      const elsewhere = ink.map((stroke) => ({ ...stroke, lies }))
      expect(unlikeness(writingShape(ink)!, writingShape(elsewhere)!)).toBeLessThan(0.03)
    }),
    { numRuns: 60 },
  )
})

test('a dot, or nothing, has no shape; a line and a long answer have one', () => {
  expect(writingShape([])).toBeUndefined()
  expect(writingShape(written('.', 3).slice(0, 1))).toBeUndefined()
  const line = shapeOf('-', 3)
  const long = shapeOf('the sea is always there '.repeat(20), 4)
  for (const shape of [line, long]) {
    expect(unlikeness(shape, shape)).toBeCloseTo(0, 6)
    for (const value of [...shape.way, ...shape.cells, shape.shape]) expect(value).not.toBeNaN()
  }
  expect(unlikeness(line, long)).toBeGreaterThan(ALIKE)
})

describe('heaps of what is alike', () => {
  const numbers = fc.array(fc.integer({ min: 0, max: 100 }), { maxLength: 40 })

  test('each stands in one heap, and none is farther from the rest of it than the most', () => {
    fc.assert(
      fc.property(numbers, fc.integer({ min: 0, max: 40 }), (list, most) => {
        const far = (a: number, b: number) => Math.abs(list[a]! - list[b]!)
        const heaps = likelyHeaps(list.length, far, most)
        expect(heaps.flat().sort((a, b) => a - b)).toEqual([...list.keys()])
        for (const heap of heaps) {
          if (heap.length < 2) continue
          let sum = 0
          for (const a of heap) for (const b of heap) if (a < b) sum += far(a, b)
          expect(sum / ((heap.length * (heap.length - 1)) / 2)).toBeLessThanOrEqual(most + 1e-9)
        }
      }),
    )
  })

  test('all alike are one heap; all different, one each', () => {
    expect(likelyHeaps(5, () => 0, 1)).toHaveLength(1)
    expect(likelyHeaps(5, () => 2, 1)).toHaveLength(5)
    expect(likelyHeaps(0, () => 0, 1)).toEqual([])
  })
})
