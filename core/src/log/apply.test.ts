import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { event, events, idOf, PAGE } from '../test/arbitrary.ts'
import { apply, applyAll, emptyPage, inSight, type Page } from './apply.ts'
import { LAYERS, type SignedEvent } from './events.ts'
import { historyOf, noHistory, remember } from './history.ts'
import { invert } from './invert.ts'

const look = (page: Page) => [...page.placed.values()]
const voice = (number: number) => ({
  id: idOf(number),
  kind: 'voice' as const,
  x: 1,
  y: 1,
  recording: idOf(50),
  seconds: 2,
})
const common = { page: PAGE, layer: 'work' as const, madeAt: 0, author: 'ana', round: 1 }

describe('applying events', () => {
  test('one by one or all at once comes to the same', () => {
    fc.assert(
      fc.property(events, (list) => {
        expect(look(list.reduce(apply, emptyPage))).toEqual(look(applyAll(emptyPage, list)))
      }),
    )
  })

  test('an event again, at once or much later, changes nothing', () => {
    fc.assert(
      fc.property(
        events.filter((list) => list.length > 0),
        fc.nat(),
        (list, pick) => {
          const page = applyAll(emptyPage, list)
          const again = list[pick % list.length]!
          expect(apply(page, again)).toBe(page)
          expect(look(applyAll(emptyPage, [...list, again]))).toEqual(look(page))
        },
      ),
    )
  })

  test('the page before stays as it was', () => {
    fc.assert(
      fc.property(events, event, (list, next) => {
        const before = applyAll(emptyPage, list)
        const copy = structuredClone(look(before))
        apply(before, next)
        expect(look(before)).toEqual(copy)
      }),
    )
  })

  test('nobody touches what is not theirs', () => {
    fc.assert(
      fc.property(events, event, (list, next) => {
        const before = applyAll(emptyPage, list)
        const after = apply(before, next)
        for (const [id, placed] of before.placed) {
          const own = placed.author === next.author && placed.layer === next.layer
          const ended = placed.layer === 'feedback' && placed.round !== next.round
          if (!own || ended) expect(after.placed.get(id)).toEqual(placed)
        }
      }),
    )
  })

  test('what is done on one layer leaves the others, even with the same ids', () => {
    fc.assert(
      fc.property(events, fc.constantFrom(...LAYERS), (list, layer) => {
        const on = (page: Page) => look(page).filter((placed) => placed.layer === layer)
        const alone = list.filter((event) => event.layer === layer)
        expect(on(applyAll(emptyPage, list))).toEqual(look(applyAll(emptyPage, alone)))
      }),
    )
  })

  test('in a shared copy, who may do more touches what others made, and brings back what they took', () => {
    const add: SignedEvent = { ...common, id: idOf(1), act: 'add', items: [voice(7)] }
    const take = (free: boolean): SignedEvent => ({
      ...common,
      id: idOf(free ? 2 : 3),
      author: 'ben',
      free,
      act: 'take',
      items: [idOf(7)],
    })
    const bring: SignedEvent = {
      ...take(true),
      id: idOf(4),
      author: 'teacher',
      act: 'bring',
      items: [idOf(7)],
    }
    expect(inSight(applyAll(emptyPage, [add, take(false)]))).toHaveLength(1)
    expect(inSight(applyAll(emptyPage, [add, take(true)]))).toHaveLength(0)
    const brought = inSight(applyAll(emptyPage, [add, take(true), bring]))
    expect(brought.map(({ author }) => author)).toEqual(['ana'])
  })

  test('a thing moved goes to the latest write', () => {
    const add: SignedEvent = { ...common, id: idOf(1), act: 'add', items: [voice(7)] }
    const move = (id: number, x: number): SignedEvent => ({
      ...common,
      id: idOf(id),
      act: 'change',
      item: idOf(7),
      set: { x },
      was: { x: 1 },
    })
    const page = applyAll(emptyPage, [add, move(2, 30), move(3, 60)])
    expect(inSight(page)[0]!.item).toMatchObject({ x: 60, y: 1 })
  })
})

describe('undo', () => {
  test('an event and its inverse leave in sight what was in sight before', () => {
    fc.assert(
      fc.property(events, fc.integer({ min: 20, max: 28 }).map(voice), (list, fresh) => {
        const before = applyAll(emptyPage, list)
        const add: SignedEvent = { ...common, id: idOf(300), act: 'add', items: [fresh] }
        const signed = (event: ReturnType<typeof invert>): SignedEvent => ({
          ...event,
          author: 'ana',
          round: 1,
        })
        const undone = [add, signed(invert(add, idOf(301), 1))].reduce(apply, before)
        expect(inSight(undone)).toEqual(inSight(before))
        const redone = apply(undone, signed(invert(invert(add, idOf(301), 1), idOf(302), 2)))
        expect(inSight(redone).map(({ item }) => item)).toContainEqual(fresh)
      }),
    )
  })

  test('undo of a move puts it where it was', () => {
    const add: SignedEvent = { ...common, id: idOf(1), act: 'add', items: [voice(7)] }
    const move: SignedEvent = {
      ...common,
      id: idOf(2),
      act: 'change',
      item: idOf(7),
      set: { x: 40 },
      was: { x: 1 },
    }
    const back = { ...invert(move, idOf(3), 0), author: 'ana', round: 1 }
    expect(inSight(applyAll(emptyPage, [add, move, back]))[0]!.item).toMatchObject({ x: 1 })
  })

  test('the history rebuilt from the log is the history as it grew', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('new', 'undo', 'redo'), { maxLength: 40 }), (presses) => {
        let history = noHistory
        const log: SignedEvent[] = []
        presses.forEach((press, index) => {
          const target =
            press === 'undo' ? history.done.at(-1) : press === 'redo' ? history.undone.at(-1) : undefined
          if (press !== 'new' && !target) return
          const made = target
            ? invert(target, idOf(1000 + index), 0)
            : { ...common, id: idOf(1000 + index), act: 'add' as const, items: [voice(2000 + index)] }
          log.push({ ...made, author: 'ana', round: 1 })
          history = remember(history, made)
        })
        const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id)
        const rebuilt = historyOf(log)
        expect(ids(rebuilt.done)).toEqual(ids(history.done))
        expect(ids(rebuilt.undone)).toEqual(ids(history.undone))
      }),
    )
  })
})
