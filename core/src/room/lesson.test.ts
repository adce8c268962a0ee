import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import {
  arePensDown,
  isKept,
  isSaid,
  isShown,
  type Lesson,
  lesson,
  lessonFor,
  quietLesson,
} from './lesson.ts'
import { lessonAfter, type Saying, saying } from './saying.ts'
import { isTimed, sayTime, timeLeft } from './timer.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const NOON = 1_800_000_000_000
const MINUTE = 60_000
/** What is said one after the other, each at a time of its own. */
const told = (...all: readonly (readonly [Saying, number])[]): Lesson =>
  all.reduce((before, [said, now]) => lessonAfter(before, said, now), quietLesson)

const sayings: fc.Arbitrary<Saying> = fc.oneof(
  fc.record({ say: fc.constant('time' as const), seconds: fc.integer({ min: 10, max: 10_800 }) }),
  fc.record({ say: fc.constant('more time' as const), seconds: fc.integer({ min: -3600, max: 3600 }) }),
  fc.constantFrom<Saying>(
    { say: 'wait' },
    { say: 'go on' },
    { say: 'no time' },
    { say: 'pens down' },
    { say: 'pens up' },
    { say: 'look no more' },
    { say: 'look', page: idOf(1), keeps: true },
    { say: 'line', words: 'Well done' },
    { say: 'line', words: 'Look at 3 again', copies: [idOf(2), idOf(3)] },
    { say: 'line', words: '', copies: [idOf(2)] },
    {
      say: 'show',
      front: { what: 'copies', copies: [{ copy: idOf(2), page: idOf(1), part: null, named: false }] },
    },
    { say: 'invite', copy: idOf(2) },
    { say: 'show', front: null },
    { say: 'let write', student: idOf(7) },
  ),
)
const lessons = fc
  .array(fc.tuple(sayings, fc.integer({ min: 0, max: 10 * MINUTE })))
  .map((all) =>
    all.reduce((before, [said, by], at) => lessonAfter(before, said, NOON + at * MINUTE + by), quietLesson),
  )

describe('what is said in a lesson', () => {
  test('is always a lesson that can be kept, and each saying is later than the one before', () => {
    fc.assert(
      fc.property(lessons, sayings, (before, said) => {
        const after = lessonAfter(before, said, NOON)
        expect(lesson.parse(after)).toEqual(after)
        expect(after.turn).toBe(before.turn + 1)
      }),
    )
  })

  test('to one copy is told to no other, nor whose work is at the front', () => {
    fc.assert(
      fc.property(lessons, (all) => {
        const seen = lessonFor(all, idOf(9), idOf(8))
        for (const copy of [idOf(2), idOf(3)]) expect(JSON.stringify(seen)).not.toContain(copy)
        expect(seen.toOne).toBeNull()
        expect(lessonFor(all, idOf(2), idOf(8)).toOne).toEqual(all.toOne[idOf(2)] ?? null)
      }),
    )
  })

  test('whose copy is at the front knows it, and who may write there does', () => {
    const shown = { copy: idOf(2), page: idOf(1), part: null, named: false }
    const all = told(
      [{ say: 'show', front: { what: 'copies', copies: [shown] } }, NOON],
      [{ say: 'let write', student: idOf(7) }, NOON],
    )
    expect(lessonFor(all, idOf(2), idOf(7))).toMatchObject({ atFront: true, invited: false, writes: true })
    expect(lessonFor(all, idOf(3), idOf(8))).toMatchObject({ atFront: false, writes: false })
    expect(lessonAfter(all, { say: 'let write', student: null }, NOON).writer).toBeNull()
  })

  test('a line takes the place of the one before, and goes with no words', () => {
    const both = told(
      [{ say: 'line', words: 'One', copies: [idOf(2), idOf(3)] }, NOON],
      [{ say: 'line', words: 'Two', copies: [idOf(3)] }, NOON + 5],
    )
    expect(both.toOne).toEqual({
      [idOf(2)]: { words: 'One', at: NOON },
      [idOf(3)]: { words: 'Two', at: NOON + 5 },
    })
    expect(lessonAfter(both, { say: 'line', words: '', copies: [idOf(2)] }, NOON).toOne).not.toHaveProperty(
      idOf(2),
    )
    expect(isSaid({ words: 'One', at: NOON }, NOON + 170 * MINUTE)).toBe(true)
    expect(isSaid({ words: 'One', at: NOON }, NOON + 181 * MINUTE)).toBe(false)
  })

  test('pens are down until they are up, and an hour at most', () => {
    const { pensDownAt } = told([{ say: 'pens down' }, NOON])
    expect(arePensDown(pensDownAt, NOON + 59 * MINUTE)).toBe(true)
    expect(arePensDown(pensDownAt, NOON + 61 * MINUTE)).toBe(false)
    expect(arePensDown(told([{ say: 'pens down' }, NOON], [{ say: 'pens up' }, NOON]).pensDownAt, NOON)).toBe(
      false,
    )
  })

  test('a page is shown to those who come soon after, and keeps them only where that was said', () => {
    const { look } = told([{ say: 'look', page: idOf(1), keeps: false }, NOON])
    expect(isShown(look, NOON + MINUTE)).toBe(true)
    expect(isShown(look, NOON + 3 * MINUTE)).toBe(false)
    expect(isKept(look, NOON)).toBe(false)
    expect(isKept(told([{ say: 'look', page: idOf(1), keeps: true }, NOON]).look, NOON + 30 * MINUTE)).toBe(
      true,
    )
  })

  test('whoever was invited writes at the front as long as their copy is shown there', () => {
    const shows = (...copies: number[]): Saying => ({
      say: 'show',
      front: {
        what: 'copies',
        copies: copies.map((copy) => ({ copy: idOf(copy), page: idOf(1), part: null, named: false })),
      },
    })
    const invited = told([shows(2), NOON], [{ say: 'invite', copy: idOf(2) }, NOON])
    expect(lessonAfter(invited, shows(3, 2), NOON).invited).toBe(idOf(2))
    expect(lessonAfter(invited, shows(3), NOON).invited).toBeNull()
    expect(lessonAfter(invited, { say: 'show', front: null }, NOON).invited).toBeNull()
  })
})

describe('time that is counted down', () => {
  const left = (of: Lesson, now: number) => timeLeft(of.timer!, now)

  test('runs, waits, goes on, and is prolonged', () => {
    const begun = told([{ say: 'time', seconds: 300 }, NOON])
    expect(left(begun, NOON + MINUTE)).toBe(4 * MINUTE)
    const waits = lessonAfter(begun, { say: 'wait' }, NOON + MINUTE)
    expect(left(waits, NOON + 30 * MINUTE)).toBe(4 * MINUTE)
    const more = lessonAfter(waits, { say: 'more time', seconds: 60 }, NOON + 30 * MINUTE)
    expect(left(more, NOON + 40 * MINUTE)).toBe(5 * MINUTE)
    const on = lessonAfter(more, { say: 'go on' }, NOON + 40 * MINUTE)
    expect(left(on, NOON + 44 * MINUTE)).toBe(MINUTE)
    expect(left(on, NOON + 50 * MINUTE)).toBe(0)
    // Time that is up begins again from now.
    expect(
      left(lessonAfter(on, { say: 'more time', seconds: 120 }, NOON + 50 * MINUTE), NOON + 51 * MINUTE),
    ).toBe(MINUTE)
    expect(isTimed(on.timer, NOON + 54 * MINUTE)).toBe(true)
    expect(isTimed(on.timer, NOON + 56 * MINUTE)).toBe(false)
    // What was up long ago does not go on.
    expect(lessonAfter(on, { say: 'go on' }, NOON + 90 * MINUTE).timer).toBeNull()
  })

  test('is never more than three hours, nor less than nothing, and waiting changes nothing of it', () => {
    fc.assert(
      fc.property(lessons, fc.integer({ min: 0, max: 600 * MINUTE }), (all, later) => {
        if (!all.timer) return
        const now = NOON + later
        expect(timeLeft(all.timer, now)).toBeGreaterThanOrEqual(0)
        const more = lessonAfter(all, { say: 'more time', seconds: 3600 }, now)
        if (more.timer) expect(timeLeft(more.timer, now)).toBeLessThanOrEqual(180 * MINUTE)
        const waits = lessonAfter(all, { say: 'wait' }, now)
        if (waits.timer) expect(timeLeft(waits.timer, now + later)).toBe(timeLeft(all.timer, now))
      }),
    )
  })

  test('of zero, or of a week, is none', () => {
    for (const seconds of [0, -5, 9, 604_800, 1.5, Number.NaN])
      expect(saying.safeParse({ say: 'time', seconds }).success).toBe(false)
  })

  test('stands as on a wall', () => {
    expect([0, 1, 999, 61_000, 3_600_000, 7_384_000].map(sayTime)).toEqual([
      '0:00',
      '0:01',
      '0:01',
      '1:01',
      '1:00:00',
      '2:03:04',
    ])
  })
})
