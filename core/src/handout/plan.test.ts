import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { groupsFromSets, groupsNow, mixGroups, moveToGroup, setsFromGroups } from './grouping.ts'
import type { Group } from './groups.ts'
import { type HandoutWish, type PageStub, pagesFor, type Recipient } from './plan.ts'
import { planHandout } from './planHandout.ts'
import { shuffled } from './shuffle.ts'
import { Refused } from './state.ts'

const SETS = ['shore', 'harbour', 'sea']
const students = (count: number): Recipient[] =>
  Array.from({ length: count }, (_, index) => ({ id: `s${index}`, name: `Student ${index}` }))
const pages = (count: number): PageStub[] =>
  Array.from({ length: count }, (_, index) => ({ id: `p${index}` }))

const roster = fc.integer({ min: 1, max: 60 }).map(students)
const stubs = fc
  .array(fc.option(fc.subarray(SETS, { minLength: 1 }), { nil: undefined }), { minLength: 1, maxLength: 12 })
  .map((all): PageStub[] => [{ id: 'first' }, ...all.map((sets, index) => ({ id: `p${index}`, sets }))])
const own: HandoutWish = { way: 'own' }

describe('everybody their own copy', () => {
  test('everybody stands exactly once: with a copy or left out', () => {
    fc.assert(
      fc.property(roster, fc.infiniteStream(fc.boolean()), (class_, coin) => {
        const chosen = class_.filter(() => coin.next().value).map(({ id }) => id)
        fc.pre(chosen.length > 0)
        const plan = planHandout(
          { roster: class_, pages: pages(3) },
          { ...own, students: [...chosen, ...chosen] },
        )
        const served = plan.copies.flatMap(({ students: of }) => of.map(({ id }) => id))
        expect([...served].sort()).toEqual([...chosen].sort())
        expect([...served, ...plan.leftOut.map(({ id }) => id)].sort()).toEqual(
          class_.map(({ id }) => id).sort(),
        )
      }),
    )
  })

  test('each has the pages for everyone and those of its set, in order', () => {
    fc.assert(
      fc.property(
        roster,
        stubs,
        fc.infiniteStream(fc.constantFrom(...SETS, undefined)),
        (class_, all, dice) => {
          const setOf: Record<string, string> = {}
          for (const { id } of class_) {
            const set = dice.next().value
            if (set) setOf[id] = set
          }
          for (const copy of planHandout({ roster: class_, pages: all }, { ...own, setOf }).copies) {
            expect(copy.set).toBe(setOf[copy.students[0]!.id] ?? null)
            const wanted = all.filter(({ sets }) => !sets || (copy.set && sets.includes(copy.set)))
            expect(copy.pages).toEqual(wanted.map(({ id }) => id))
          }
        },
      ),
    )
  })

  test('nobody, an empty class, a stranger, no pages, a copy without pages are refused in words', () => {
    const refused = (givable: Parameters<typeof planHandout>[0], wish: HandoutWish, why: RegExp) => {
      expect(() => planHandout(givable, wish)).toThrow(Refused)
      expect(() => planHandout(givable, wish)).toThrow(why)
    }
    refused({ roster: [], pages: pages(1) }, own, /no students/)
    refused({ roster: students(1), pages: [] }, own, /no pages/)
    refused({ roster: students(1), pages: pages(1) }, { ...own, students: [] }, /at least one/)
    refused({ roster: students(1), pages: pages(1) }, { ...own, students: ['x'] }, /not in this class/)
    refused({ roster: students(1), pages: [{ id: 'p', sets: ['sea'] }] }, own, /Student 0 would get no page/)
    refused({ roster: students(1), pages: pages(1) }, { way: 'group', groups: [] }, /No group/)
  })
})

describe('only some pages', () => {
  test('nobody has any other, whatever the way, the sets and the dealing', () => {
    const ways = fc.constantFrom<HandoutWish>(
      own,
      { way: 'all' },
      { ...own, deal: { pages: 2, mixed: true, seed: 4 } },
      { way: 'group', groups: [{ id: 'g', name: 'Terns', students: ['s0'] }] },
    )
    fc.assert(
      fc.property(roster, stubs, ways, fc.infiniteStream(fc.boolean()), (class_, all, wish, coin) => {
        const only = all.filter(({ sets }) => !sets && coin.next().value).map(({ id }) => id)
        fc.pre(only.length > 0)
        for (const copy of planHandout({ roster: class_, pages: all }, { ...wish, only }).copies) {
          expect(only).toEqual(expect.arrayContaining([...copy.pages]))
          // What is written down of a copy says the same as its plan.
          expect(pagesFor(all, copy.set, copy.dealt)).toEqual(copy.pages)
        }
      }),
    )
  })
  test('a page that is not there is refused in words', () => {
    const there = { roster: students(2), pages: pages(2) }
    expect(planHandout(there, { ...own, only: ['p1'] }).copies.map((copy) => copy.pages)).toEqual([
      ['p1'],
      ['p1'],
    ])
    expect(() => planHandout(there, { ...own, only: ['p1', 'gone'] })).toThrow(Refused)
  })
})

describe('dealing', () => {
  const dealing = fc.record({
    class_: roster,
    count: fc.integer({ min: 1, max: 30 }),
    each: fc.integer({ min: 1, max: 40 }),
    mixed: fc.boolean(),
    seed: fc.integer(),
  })

  test('is fair: the same number of different pages each, and no page more than once oftener than another', () => {
    fc.assert(
      fc.property(dealing, ({ class_, count, each, mixed, seed }) => {
        const plan = planHandout(
          { roster: class_, pages: pages(count) },
          { ...own, deal: { pages: each, mixed, seed } },
        )
        const hand = Math.min(each, count)
        const times = new Map(pages(count).map(({ id }) => [id, 0]))
        for (const copy of plan.copies) {
          expect(new Set(copy.pages).size).toBe(hand)
          expect(copy.dealt).toHaveLength(hand)
          for (const page of copy.pages) times.set(page, times.get(page)! + 1)
        }
        const counts = [...times.values()]
        expect(Math.max(...counts) - Math.min(...counts)).toBeLessThanOrEqual(1)
        if (class_.length * hand >= count) expect(Math.min(...counts)).toBeGreaterThan(0)
      }),
    )
  })

  test('in order gives the first student the first page; the same seed mixes the same everywhere', () => {
    const given = { roster: students(4), pages: pages(3) }
    const plan = planHandout(given, { ...own, deal: { pages: 1, mixed: false, seed: 9 } })
    expect(plan.copies.map((copy) => copy.pages)).toEqual([['p0'], ['p1'], ['p2'], ['p0']])
    const mixed = { ...own, deal: { pages: 2, mixed: true, seed: 77 } }
    expect(planHandout(given, mixed)).toEqual(planHandout(given, mixed))
  })
})

describe('copies that are shared', () => {
  const group = (name: string, ...members: string[]): Group => ({ id: name, name, students: members })

  test('one for each group with anybody in it; the rest of the class is left out', () => {
    const groups = [group('A', 's0', 's1'), group('B'), group('C', 's1', 's2', 'gone')]
    const plan = planHandout({ roster: students(4), pages: pages(1) }, { way: 'group', groups })
    expect(plan.copies.map(({ name, students: of }) => [name, of.map(({ id }) => id)])).toEqual([
      ['A', ['s0', 's1']],
      ['C', ['s2']],
    ])
    expect(plan.leftOut.map(({ id }) => id)).toEqual(['s3'])
  })

  test('a group has the pages of its set', () => {
    const all = [...pages(1), { id: 'deep', sets: ['sea'] }]
    const plan = planHandout(
      { roster: students(2), pages: all },
      { way: 'group', groups: [group('A', 's0'), group('B', 's1')], setOf: { B: 'sea' } },
    )
    expect(plan.copies.map((copy) => copy.pages)).toEqual([['p0'], ['p0', 'deep']])
  })

  test('one for all, and one to read, have everybody chosen in them', () => {
    for (const way of ['all', 'read'] as const) {
      const plan = planHandout({ roster: students(5), pages: pages(2) }, { way, students: ['s1', 's3'] })
      expect(plan.copies).toHaveLength(1)
      expect(plan.copies[0]!.students.map(({ id }) => id)).toEqual(['s1', 's3'])
      expect(plan.leftOut).toHaveLength(3)
    }
  })
})

describe('groups at random', () => {
  const wish = fc.oneof(
    fc.record({ count: fc.integer({ min: 1, max: 30 }) }),
    fc.record({ size: fc.integer({ min: 1, max: 30 }) }),
  )
  test('everybody is in exactly one, and they are even', () => {
    fc.assert(
      fc.property(roster, wish, fc.integer(), (class_, how, seed) => {
        let ids = 0
        const everybody = class_.map(({ id }) => id)
        const groups = mixGroups(everybody, how, seed, () => `g${ids++}`)
        expect(groups.flatMap((each) => each.students).sort()).toEqual([...everybody].sort())
        const sizes = groups.map((each) => each.students.length)
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1)
        if ('size' in how) expect(Math.max(...sizes)).toBeLessThanOrEqual(Math.max(1, how.size))
        else expect(groups).toHaveLength(Math.min(how.count, everybody.length))
      }),
    )
  })

  test('a student stands in one group after a move, and in none after being taken out', () => {
    const groups: Group[] = [
      { id: 'a', name: 'A', students: ['s0', 's1'] },
      { id: 'b', name: 'B', students: ['s2'] },
    ]
    expect(moveToGroup(groups, 's1', 'b').map((each) => each.students)).toEqual([['s0'], ['s2', 's1']])
    expect(moveToGroup(groups, 's1', 'a').map((each) => each.students)).toEqual([['s0', 's1'], ['s2']])
    expect(moveToGroup(groups, 's2', undefined).map((each) => each.students)).toEqual([['s0', 's1'], []])
    expect(groupsNow(groups, [{ id: 's1' }]).map((each) => each.students)).toEqual([['s1'], []])
  })

  test('shuffling keeps every one, and mixes differently by seed', () => {
    fc.assert(
      fc.property(fc.array(fc.integer()), fc.integer(), (list, seed) => {
        expect([...shuffled(list, seed)].sort()).toEqual([...list].sort())
      }),
    )
    const numbers = Array.from({ length: 30 }, (_, index) => index)
    expect(shuffled(numbers, 1)).not.toEqual(shuffled(numbers, 2))
  })
})

test('pages for a copy: what it was dealt, in the order of the worksheet', () => {
  expect(pagesFor([{ id: 'a' }, { id: 'b', sets: ['sea'] }, { id: 'c' }], null, ['c', 'b', 'a'])).toEqual([
    'a',
    'c',
  ])
})

test('sets made into groups and back are the same sets; groups of other names are none', () => {
  const sets = ['Easy', 'Middle', 'Tough'].map((name, index) => ({ id: `set ${index}`, name }))
  const setOf = fc.dictionary(
    fc.constantFrom('s1', 's2', 's3', 's4'),
    fc.constantFrom(...sets.map(({ id }) => id)),
  )
  fc.assert(
    fc.property(setOf, (chosen) => {
      let ids = 0
      const groups = groupsFromSets(sets, chosen, () => `g${ids++}`)
      const shouted = groups.map((group) => ({ ...group, name: group.name.toUpperCase() }))
      expect(setsFromGroups(sets, shouted)).toEqual({ ...chosen })
      expect(setsFromGroups([...sets, { id: 'more', name: 'Other' }], groups)).toBeUndefined()
    }),
  )
})
