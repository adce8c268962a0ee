import type { ClassWhole, Group } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { plainPage, sheetOf } from '../../test/sheets.ts'
import { nothingChosen, planFor, setsAsKept, wishFor } from './choices.ts'

const [noor, ilja] = [crypto.randomUUID(), crypto.randomUUID()]
const roster: ClassWhole = {
  id: crypto.randomUUID(),
  name: 'Curlew class',
  code: 'TIDE42',
  students: [
    { id: noor, name: 'Noor Farrant', rosterId: null, mail: null },
    { id: ilja, name: 'Ilja Egorov', rosterId: null, mail: null },
  ],
  teachers: [],
}
const group = (name: string, ...students: string[]): Group => ({ id: crypto.randomUUID(), name, students })
const own = { way: 'own', deal: undefined } as const

test('nothing chosen is the whole class, so that who joins later is in it too', () => {
  expect(wishFor(own, roster, nothingChosen)).toEqual({ way: 'own', setOf: {} })
  const some = wishFor(own, roster, { ...nothingChosen, left: [ilja] })
  expect(some.students).toEqual([noor])
})

test('only some pages are wished for in every way', () => {
  const only = [crypto.randomUUID()]
  expect(wishFor({ ...own, only }, roster, nothingChosen).only).toEqual(only)
  expect(wishFor({ way: 'all', only }, roster, nothingChosen).only).toEqual(only)
})

test('sets of those who are gone, groups where nobody asks for groups, and deals for groups are not sent', () => {
  const set = crypto.randomUUID()
  const groups = [group('Terns', noor)]
  const choice = { ...nothingChosen, groups, setOf: { [noor]: set, gone: set } }
  expect(wishFor(own, roster, choice)).toEqual({ way: 'own', setOf: { [noor]: set } })
  const deal = { pages: 1, mixed: false, seed: 1 }
  expect(wishFor({ way: 'group', deal }, roster, choice)).toEqual({
    way: 'group',
    groups,
    setOf: { [noor]: set },
  })
})

test('what will happen is a plan, or the sentence that says why nothing can', () => {
  const sheet = sheetOf(plainPage())
  expect(planFor(sheet, roster, wishFor(own, roster, nothingChosen))).toMatchObject({
    copies: [{ students: [{ id: noor }] }, { students: [{ id: ilja }] }],
  })
  const nobody = wishFor(own, roster, { ...nothingChosen, left: [noor, ilja] })
  expect(planFor(sheet, roster, nobody)).toBe('Choose at least one student.')
})

test('sets are as in the first kept groups that have one for each of them', () => {
  const sets = ['Easy', 'Tough'].map((name) => ({ id: crypto.randomUUID(), name }))
  const grouping = (name: string, ...groups: Group[]) => ({ id: crypto.randomUUID(), name, groups })
  const boats = grouping('Boats', group('Terns', noor))
  const levels = grouping('Levels', group('tough', noor), group('Easy', ilja), group('Middle'))
  expect(setsAsKept(sets, [boats])).toBeUndefined()
  expect(setsAsKept([], [levels])).toBeUndefined()
  expect(setsAsKept(sets, [boats, levels])).toEqual({
    grouping: levels,
    setOf: { [noor]: sets[1]!.id, [ilja]: sets[0]!.id },
  })
})
