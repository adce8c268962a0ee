import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { event, events, idOf, PAGE } from '../test/arbitrary.ts'
import { applyAll, emptyPage, inSight } from './apply.ts'
import { type KeptEvent, LAYERS, type SignedEvent } from './events.ts'
import { emptyLog, forget, make, pageOf, receive, unread } from './log.ts'

/** Numbers events as the server does: each layer in its own sequence. */
function kept(list: readonly SignedEvent[]): KeptEvent[] {
  const next = { work: 0, help: 0, feedback: 0, pins: 0 }
  return list.map((event) => ({ ...event, seq: ++next[event.layer], keptAt: 0 }) as KeptEvent)
}
const oneLayer = events.map((list) => list.map((event) => ({ ...event, layer: 'work' as const, round: 1 })))

describe('a copy as a device knows it', () => {
  test('told in any order, in any pieces, with repeats, comes to what the server has', () => {
    fc.assert(
      fc.property(events, fc.infiniteStream(fc.nat()), (list, random) => {
        const told = kept(list)
        const shuffled = [...told, ...told].sort(() => (random.next().value % 3) - 1)
        let log = emptyLog
        for (let at = 0; at < shuffled.length; at += 3) log = receive(log, shuffled.slice(at, at + 3)).log
        const after = receive(log, told)
        expect(after.missing).toBe(false)
        for (const layer of LAYERS) {
          const alone = inSight(
            applyAll(
              emptyPage,
              list.filter((event) => event.layer === layer),
            ),
          )
          expect(inSight(pageOf(after.log, PAGE)).filter((placed) => placed.layer === layer)).toEqual(alone)
        }
      }),
    )
  })

  test('says when something in between has not arrived', () => {
    const told = kept([1, 2, 3].map((number) => add(number)))
    const { log, missing } = receive(emptyLog, [told[0]!, told[2]!])
    expect(missing).toBe(true)
    expect(log.readTo.work).toBe(1)
    expect(receive(log, [told[1]!, told[2]!]).log.readTo.work).toBe(3)
  })

  test('a layer that is read anew is as it is told then, and the others and what waits here are as they were', () => {
    fc.assert(
      fc.property(events, oneLayer, fc.func(fc.boolean()), (list, pending, isTold) => {
        const told = kept(list)
        const asTold = told.map((event) =>
          event.layer === 'feedback' && !isTold(event.id)
            ? ({ ...event, act: 'take', items: [] } as KeptEvent)
            : event,
        )
        const mine = pending.map((event) => ({ ...event, id: idOf(900 + Number(event.id.slice(-3))) }))
        const before = mine.reduce(make, receive(emptyLog, asTold).log)
        const anew = unread(before, 'feedback')
        const on = (log: typeof before, layer: string) =>
          inSight(pageOf(log, PAGE)).filter((placed) => placed.layer === layer)
        expect(on(anew, 'feedback')).toEqual([])
        const after = receive(anew, told).log
        const whole = mine.reduce(make, receive(emptyLog, told).log)
        for (const layer of LAYERS) expect(on(after, layer)).toEqual(on(whole, layer))
      }),
    )
  })

  test('what this device made is seen at once, stays seen while others write, and is not doubled when acknowledged', () => {
    fc.assert(
      fc.property(oneLayer, fc.nat(), (list, split) => {
        const cut = list.length === 0 ? 0 : split % list.length
        const theirs = list.slice(0, cut)
        const mine = list.slice(cut)
        let log = mine.reduce(make, emptyLog)
        log = receive(log, kept(theirs)).log
        const both = inSight(applyAll(emptyPage, [...theirs, ...mine]))
        expect(inSight(pageOf(log, PAGE))).toEqual(both)
        const { log: acknowledged } = receive(log, kept([...theirs, ...mine]))
        expect(acknowledged.pending).toHaveLength(0)
        expect(inSight(pageOf(acknowledged, PAGE))).toEqual(both)
      }),
    )
  })

  test('making the same event twice makes it once', () => {
    fc.assert(
      fc.property(event, (made) => {
        const log = make(emptyLog, made)
        expect(make(log, made)).toBe(log)
      }),
    )
  })

  test('what the server will never take is taken from sight', () => {
    const log = make(make(emptyLog, add(1)), add(2))
    const left = forget(log, new Set([idOf(101)]))
    expect(inSight(pageOf(left, PAGE)).map(({ item }) => item.id)).toEqual([idOf(2)])
    expect(left.pending).toHaveLength(1)
  })
})

function add(number: number): SignedEvent {
  const item = { id: idOf(number), kind: 'voice' as const, x: 0, y: 0, recording: idOf(50), seconds: 1 }
  return {
    id: idOf(100 + number),
    page: PAGE,
    layer: 'work',
    madeAt: 0,
    author: 'ana',
    round: 1,
    act: 'add',
    items: [item],
  }
}
