import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { FLOOR_SHAPES, floorOf } from './floors.ts'
import { type AtWork, doingOf, needsYou } from './needsYou.ts'
import { seat, seatedNow, seatingPlan, seatsOf, tableSize } from './seatingPlan.ts'

const idOf = (number: number) => `00000000-0000-4000-8000-${String(number).padStart(12, '0')}`
const students = (count: number) => Array.from({ length: count }, (_none, at) => idOf(at + 1000))
const counted = () => {
  let last = 0
  return () => idOf(++last)
}

describe('tables on a floor', () => {
  const floors = fc.tuple(fc.constantFrom(...FLOOR_SHAPES), fc.integer({ min: 0, max: 60 }))

  test('every shape has a seat for each, no two at one place, and is a plan that can be kept', () => {
    fc.assert(
      fc.property(floors, ([shape, count]) => {
        const plan = floorOf(shape, students(count), counted())
        expect(seatingPlan.safeParse(plan).success).toBe(true)
        const seats = plan.tables.flatMap(seatsOf)
        expect(seats.map(({ student }) => student).filter(Boolean)).toEqual(students(count))
        expect(new Set(seats.map(({ x, y }) => `${x} ${y}`)).size).toBe(seats.length)
        for (const [index, one] of plan.tables.entries())
          for (const other of plan.tables.slice(index + 1)) {
            const [a, b] = [tableSize(one), tableSize(other)]
            const apart =
              one.x + a.width <= other.x ||
              other.x + b.width <= one.x ||
              one.y + a.height <= other.y ||
              other.y + b.height <= one.y
            expect(apart).toBe(true)
          }
      }),
    )
  })

  test('whoever is seated somewhere changes places with who sat there; nobody is lost or doubled', () => {
    fc.assert(
      fc.property(floors, fc.nat(), fc.nat(), ([shape, count], who, where) => {
        fc.pre(count > 0)
        const all = students(count)
        const plan = floorOf(shape, all, counted())
        const table = plan.tables[where % plan.tables.length]!
        const index = where % table.seats
        const moved = seat(plan, all[who % count]!, { table: table.id, index })
        expect(moved.tables.find(({ id }) => id === table.id)!.students[index]).toBe(all[who % count])
        const sitting = moved.tables.flatMap((each) => each.students).filter(Boolean)
        expect([...sitting].sort()).toEqual([...all].sort())
        const without = seat(moved, all[who % count]!, undefined)
        expect(seatedNow(without, all).unseated).toEqual([all[who % count]])
      }),
    )
  })

  test('who left has no seat any more, and who came has none yet', () => {
    const plan = floorOf('pairs', students(4), counted())
    const now = seatedNow(plan, [...students(4).slice(1), idOf(7)])
    expect(now.unseated).toEqual([idOf(7)])
    expect(now.plan.tables[0]!.students).toEqual([null, students(4)[1]])
  })

  test('nobody sits in two places, and every seat is told of', () => {
    const [one] = students(1)
    const table = { id: idOf(1), x: 0, y: 0, seats: 2 as const }
    expect(seatingPlan.safeParse({ tables: [{ ...table, students: [one, one] }] }).success).toBe(false)
    expect(seatingPlan.safeParse({ tables: [{ ...table, students: [one] }] }).success).toBe(false)
    expect(seatingPlan.safeParse({ tables: [{ ...table, x: 1e9, students: [one, null] }] }).success).toBe(
      false,
    )
  })
})

describe('who needs the teacher', () => {
  const NOW = 10_000_000
  const MINUTE = 60_000
  const at = (copy: string, more: Partial<AtWork> = {}): AtWork => ({
    ...{ copy, state: 'working', present: 'here', lastDone: NOW - 1000, handUpAt: undefined },
    ...more,
  })

  test('those who ask in turn, then those who are still, the longest first', () => {
    const all = [
      at('writes'),
      at('still 5', { lastDone: NOW - 5 * MINUTE }),
      at('asks later', { handUpAt: NOW - 10 }),
      at('still 9', { lastDone: NOW - 9 * MINUTE }),
      at('asks first', { handUpAt: NOW - 500, lastDone: NOW - 30 * MINUTE }),
      at('handed in', { state: 'handed in', lastDone: NOW - 9 * MINUTE, handUpAt: NOW }),
      at('away', { present: 'away', lastDone: NOW - 9 * MINUTE }),
      at('writes too'),
      at('writes as well'),
    ]
    expect(needsYou(all, NOW, 4 * MINUTE).map(({ copy }) => copy)).toEqual([
      'asks first',
      'asks later',
      'still 9',
      'still 5',
    ])
    expect([...doingOf(all, NOW, 4 * MINUTE).values()]).toEqual([
      ...['writing', 'still', 'asks', 'still', 'asks', 'with you', 'away', 'writing', 'writing'],
    ])
  })

  test('while all listen nobody is still; one alone is measured by the clock', () => {
    const listening = [3, 5, 6, 7, 7].map((minutes) => at(`${minutes}`, { lastDone: NOW - minutes * MINUTE }))
    expect(needsYou(listening, NOW, 2 * MINUTE)).toEqual([])
    expect(needsYou([at('alone', { lastDone: NOW - 5 * MINUTE })], NOW, 4 * MINUTE)).toHaveLength(1)
  })

  test('never opened is not out of reach', () => {
    const doing = doingOf(
      [at('new', { state: 'waiting', present: 'gone' }), at('lost', { present: 'gone' })],
      NOW,
      MINUTE,
    )
    expect([...doing.values()]).toEqual(['not opened', 'gone'])
  })
})
