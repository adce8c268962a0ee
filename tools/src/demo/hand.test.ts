import { boundsOf, readInk, strokePoints } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import { bearingAnswers, knotAnswers, placeOn, tideAnswers } from './answers.ts'
import { GLYPHS } from './glyphs.ts'
import { draw, type Hand, seeded, tick, write } from './hand.ts'

let ids = 0
const hand = (seed = 1): Hand => ({
  random: seeded(seed),
  makeId: () => `00000000-0000-4000-8000-${String(++ids).padStart(12, '0')}`,
  size: 9,
  slant: 0.2,
  wobble: 0.6,
  colour: '#1e2b3a',
  width: 1.8,
})

describe('the demo’s handwriting', () => {
  test('is ink that can be read, with pressure that swells and time that runs on', () => {
    for (const stroke of write(hand(), '5.3 - 0.8 = 4.5 m', { x: 100, y: 200 })) {
      const points = readInk(stroke.points)!
      expect(points.length).toBeGreaterThan(1)
      expect(points.slice(1).every((point, index) => point.time > points[index]!.time)).toBe(true)
    }
  })
  test('stays within its lines', () => {
    const strokes = write(
      hand(),
      'Between about half past six and two o clock because the water is over the green line',
      { x: 50, y: 100 },
      300,
    )
    const box = boundsOf(strokes.flatMap((stroke) => [...strokePoints(stroke)]))
    expect(box.x0).toBeGreaterThan(45)
    expect(box.x1).toBeLessThan(370)
    expect(box.y1).toBeGreaterThan(150)
  })
  test('is the same for the same seed and another for another', () => {
    const shape = (seed: number) => write(hand(seed), 'tide', { x: 0, y: 0 }).map(({ points }) => points)
    expect(shape(3)).toEqual(shape(3))
    expect(shape(3)).not.toEqual(shape(4))
  })
  test('knows every letter that the demo writes', () => {
    const letters = 'abcdefghijklmnopqrstuvwxyzABCDEGHITW0123456789.,-=+:°!'
    expect([...letters].filter((letter) => !GLYPHS[letter])).toEqual([])
  })
  test('a tick goes down first and ends above where it began', () => {
    const points = strokePoints(tick(hand(), { x: 100, y: 100 }))
    expect(Math.max(...points.map(({ y }) => y))).toBeGreaterThan(105)
    expect(points.at(-1)!.y).toBeLessThan(90)
    expect(draw(hand(), [{ x: 1, y: 1 }]).points).not.toBe('')
  })
})

describe('the demo’s answers', () => {
  test('lie on the sheet, on the pages that have room for them', () => {
    const all = [
      tideAnswers(hand(), 1, false),
      tideAnswers(hand(), 1, true),
      bearingAnswers(hand(), true),
      knotAnswers(hand()),
    ]
    for (const ink of all) {
      for (const stroke of [...ink.values()].flat()) {
        const box = boundsOf(strokePoints(stroke))
        expect(box.x0).toBeGreaterThan(0)
        expect(box.y0).toBeGreaterThan(0)
        expect(box.x1).toBeLessThan(842)
        expect(box.y1).toBeLessThan(842)
      }
    }
  })
  test('grow with how far the student has come', () => {
    const strokes = (done: number) => [...tideAnswers(hand(), done, false).values()].flat().length
    const grown = [0.1, 0.3, 0.6, 0.8, 1].map(strokes)
    expect(grown).toEqual([...grown].sort((a, b) => a - b))
    expect(placeOn('Reading a tide table', 'graph').width).toBeGreaterThan(400)
  })
})
