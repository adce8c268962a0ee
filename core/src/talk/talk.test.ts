import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { toBase64 } from '../ink/base64.ts'
import { packPoints } from '../ink/pack.ts'
import { strokePoints } from '../ink/stroke.ts'
import { inSight } from '../log/apply.ts'
import type { KeptEvent, PageAct } from '../log/events.ts'
import { inOrder, pagesAt } from '../log/past.ts'
import { event, idOf, PAGE } from '../test/arbitrary.ts'
import { filmFrames } from './film.ts'
import { countAt, Replay, secondOf, talkThrough } from './replay.ts'
import { momentAt, pageOpenAt, secondAt, type Talk, talk } from './talk.ts'

const BEGAN = 1_000_000
/** Ten seconds, a pause of a minute after the fourth, and another page from the sixth on. */
const TALK: Talk = {
  clock: [
    [0, BEGAN],
    [4, BEGAN + 64_000],
  ],
  turns: [
    [0, PAGE],
    [6, idOf(901)],
  ],
}

describe('the clock of a talk', () => {
  test('a second of the voice is a moment of the device, and back; a pause is no time', () => {
    expect(momentAt(TALK, 3)).toBe(BEGAN + 3000)
    expect(momentAt(TALK, 5)).toBe(BEGAN + 65_000)
    expect(secondAt(TALK, BEGAN + 3000)).toBe(3)
    expect(secondAt(TALK, BEGAN + 65_000)).toBe(5)
    // In the pause, and before all.
    expect(secondAt(TALK, BEGAN + 30_000)).toBe(4)
    expect(secondAt(TALK, 5)).toBe(0)
    expect(pageOpenAt(TALK, 5.9)).toBe(PAGE)
    expect(pageOpenAt(TALK, 6)).toBe(idOf(901))
    expect(pageOpenAt({ ...TALK, turns: [] }, 6)).toBeUndefined()
  })

  test('there and back is the same second, whatever the pauses', () => {
    const steps = fc.record({
      spoken: fc.integer({ min: 1, max: 60 }),
      paused: fc.integer({ min: 1, max: 600_000 }),
    })
    fc.assert(
      fc.property(
        fc.array(steps, { maxLength: 20 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (all, part) => {
          const clock: [number, number][] = [[0, BEGAN]]
          for (const { spoken, paused } of all) {
            const [at, moment] = clock.at(-1)!
            clock.push([at + spoken, moment + spoken * 1000 + paused])
          }
          const told: Talk = { clock, turns: [] }
          expect(talk.parse(told)).toEqual(told)
          const second = part * (clock.at(-1)![0] + 10)
          expect(secondAt(told, momentAt(told, second))).toBeCloseTo(second, 6)
        },
      ),
    )
  })

  test('a clock that goes back is none', () => {
    expect(talk.safeParse({ ...TALK, clock: [...TALK.clock].reverse() }).success).toBe(false)
    expect(
      talk.safeParse({
        ...TALK,
        clock: [
          [0, 5],
          [1, 4],
        ],
      }).success,
    ).toBe(false)
    expect(talk.safeParse({ ...TALK, clock: [] }).success).toBe(false)
    expect(talk.safeParse({ ...TALK, turns: [...TALK.turns].reverse() }).success).toBe(false)
  })
})

const NOTE = idOf(700)
const note = (told: Talk) => ({
  id: NOTE,
  kind: 'voice' as const,
  x: 10,
  y: 10,
  recording: NOTE,
  seconds: 10,
  talk: told,
})
const stroke = (number: number, took: number) => ({
  id: idOf(number),
  kind: 'stroke' as const,
  nib: 'pen' as const,
  colour: '#1e2b3a',
  width: 2,
  points: toBase64(
    packPoints(
      Array.from({ length: 11 }, (_, index) => ({
        x: 10 + index,
        y: 20,
        pressure: 0.5,
        time: Math.round((index * took) / 10),
      })),
    ),
  ),
})

let seq = 0
const kept = (second: number, act: PageAct, more: Partial<KeptEvent> = {}): KeptEvent =>
  ({
    id: idOf(10_000 + ++seq),
    page: PAGE,
    layer: 'work',
    madeAt: momentAt(TALK, second),
    author: 'ana',
    round: 1,
    seq,
    keptAt: seq,
    ...act,
    ...more,
  }) as KeptEvent

/** Before, a stroke of two seconds until second 3, one in the pause, one rubbed out again; a teacher's after it was laid. */
const LOG = [
  kept(-60, { act: 'add', items: [stroke(1, 500)] }),
  kept(3, { act: 'add', items: [stroke(2, 2000)] }),
  kept(4.5, { act: 'add', items: [stroke(3, 100)] }, { author: 'ben' }),
  kept(6, { act: 'add', items: [stroke(4, 300)] }, { page: idOf(901) }),
  kept(8, { act: 'take', items: [idOf(2)] }),
  kept(14, { act: 'add', items: [stroke(5, 300)] }),
  kept(20, { act: 'add', items: [note(TALK)] }),
  kept(9, { act: 'add', items: [stroke(6, 300)] }, { layer: 'feedback', author: 'marit' }),
]
const ids = (pages: ReadonlyMap<string, Parameters<typeof inSight>[0]>, page = PAGE) => {
  const there = pages.get(page)
  return there ? inSight(there).map(({ item }) => item.id) : []
}

describe('a talk-through', () => {
  const through = talkThrough(LOG, NOTE)!
  const replay = new Replay(through)

  test('shows at each second what was there, in any order', () => {
    expect(ids(replay.at(10).pages)).toEqual([1, 3].map(idOf))
    expect(ids(replay.at(0).pages)).toEqual([idOf(1)])
    expect(ids(replay.at(3.5).pages)).toEqual([1, 2, 3].map(idOf))
    expect(ids(replay.at(6.1).pages, idOf(901))).toEqual([idOf(4)])
    // Written after the voice had ended, before it was laid.
    expect(ids(replay.at(10).pages)).not.toContain(idOf(5))
    expect(replay.at(10)).toBe(replay.at(10.1))
  })

  test('a stroke is seen as it was written', () => {
    expect(replay.at(0.9).written).toBeUndefined()
    const half = replay.at(2).written!
    expect(half.page).toBe(PAGE)
    expect(strokePoints(half.stroke)).toHaveLength(6)
    expect(strokePoints(replay.at(2.9).written!.stroke)).toHaveLength(10)
    expect(replay.at(3).written).toBeUndefined()
    // Nothing is written in two places, and nothing anew where nothing is other.
    expect(replay.at(2).written).not.toBe(half)
    expect(replay.at(2.01).written).toBe(replay.at(2.05).written)
  })

  test('something on a page tells when it was spoken of, unless it was there before or is another’s', () => {
    expect(secondOf(through, PAGE, idOf(2))).toBeCloseTo(1)
    expect(secondOf(through, idOf(901), idOf(4))).toBeCloseTo(5.7)
    expect(secondOf(through, PAGE, idOf(1))).toBeUndefined()
    expect(secondOf(through, PAGE, idOf(3))).toBeUndefined()
    expect(secondOf(through, PAGE, idOf(99))).toBeUndefined()
  })

  test('a note without one, and one that is not there, are none', () => {
    expect(talkThrough(LOG, idOf(1))).toBeUndefined()
    expect(talkThrough(LOG, idOf(99))).toBeUndefined()
    const { talk: _talk, ...plain } = note(TALK)
    expect(talkThrough([kept(1, { act: 'add', items: [plain] })], NOTE)).toBeUndefined()
  })

  test('at any moment it is the log up to there; at its end, the page', () => {
    const timed = fc.tuple(event, fc.integer({ min: -5000, max: 12_000 }))
    fc.assert(
      fc.property(
        fc.array(timed, { maxLength: 40 }),
        fc.array(fc.double({ min: 0, max: 12, noNaN: true }), { minLength: 1, maxLength: 12 }),
        (all, seconds) => {
          const log = all.map(([made, at], index) => ({
            ...made,
            madeAt: BEGAN + at,
            seq: index + 1,
            keptAt: index,
          })) as KeptEvent[]
          const laid = kept(30, { act: 'add', items: [note({ clock: [[0, BEGAN]], turns: [] })] })
          const told = talkThrough(inOrder([...log, { ...laid, seq: 1000, keptAt: 1000 }]), NOTE)!
          const playing = new Replay(told)
          for (const second of [...seconds, 13]) {
            const { pages, count } = playing.at(second)
            expect(count).toBe(countAt(told, second))
            expect(new Map(pages)).toEqual(pagesAt(told.events, count))
          }
          expect(new Map(playing.at(13).pages)).toEqual(pagesAt(log, log.length))
        },
      ),
    )
  })

  test('long ones are gone through in any order as well', () => {
    const log = Array.from({ length: 1200 }, (_, index) =>
      kept(index / 100, { act: 'add', items: [stroke(2000 + index, 5)] }, { seq: index + 1, keptAt: index }),
    ).map((each, index) => ({ ...each, madeAt: BEGAN + index * 10 }))
    const laid = kept(30, { act: 'add', items: [note({ clock: [[0, BEGAN]], turns: [] })] })
    const told = talkThrough([...log, laid], NOTE)!
    const playing = new Replay(told)
    for (const second of [11, 2.5, 9.99, 0, 12, 5, 4.99, 5.01])
      expect(new Map(playing.at(second).pages)).toEqual(pagesAt(told.events, countAt(told, second)))
  })

  test('its film has a picture wherever something is other, and one at least every five seconds, without a gap', () => {
    const frames = [...filmFrames(new Replay(through), 10)]
    expect(frames[0]!.second).toBe(0)
    expect(ids(frames[0]!.shown.pages)).toEqual([idOf(1)])
    expect(ids(frames.at(-1)!.shown.pages)).toEqual([1, 3].map(idOf))
    // Before second 1 nothing is written: one picture. Then ten a second until the pen is lifted at 3.
    expect(frames.filter(({ second }) => second < 1)).toHaveLength(1)
    expect(frames.filter(({ second }) => second >= 1.2 && second < 2.9).length).toBeGreaterThan(8)
    expect(frames.find(({ second }) => second === 6)!.page).toBe(idOf(901))
    for (const [index, { second, seconds, shown }] of frames.entries()) {
      expect(second + seconds).toBeCloseTo(frames[index + 1]?.second ?? through.seconds)
      expect(seconds).toBeLessThanOrEqual(5.01)
      if (index < frames.length - 1) expect(shown.count).toBe(countAt(through, second))
    }
  })

  test('however long it is and however many pictures a second, the pictures of a film are as long as its voice', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 40, noNaN: true }),
        fc.integer({ min: 1, max: 30 }),
        (seconds, rate) => {
          const frames = [...filmFrames(new Replay({ ...through, seconds }), rate)]
          const all = frames.reduce((sum, each) => sum + each.seconds, 0)
          expect(all).toBeCloseTo(seconds, 6)
          expect(frames.every((each) => each.seconds > 0)).toBe(true)
          const end = new Replay({ ...through, seconds }).at(seconds)
          expect(frames.at(-1)!.shown.count).toBe(end.count)
        },
      ),
    )
  })
})
