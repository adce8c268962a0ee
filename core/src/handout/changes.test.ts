import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { WorksheetPage } from '../worksheet/page.ts'
import { changesBetween, samePage } from './changes.ts'

const page = (id: string, width = 600): WorksheetPage => ({
  id,
  width,
  height: 800,
  paper: { kind: 'ruled', ruling: { form: 'plain', colour: '#9fb4c7' } },
  printed: [],
})
const ids = (pages: readonly WorksheetPage[]) => pages.map(({ id }) => id)

describe('sending a changed worksheet into copies in use', () => {
  test('new pages come where they stand, changed ones are replaced, those gone stay where they were', () => {
    const inUse = [page('a'), page('b'), page('c')]
    const now = [page('a'), page('new'), page('c', 700)]
    const changes = changesBetween(inUse, now)
    expect(ids(changes.pages)).toEqual(['a', 'b', 'new', 'c'])
    expect(changes.pages[3]!.width).toBe(700)
    expect(changes).toMatchObject({ added: ['new'], changed: ['c'], stay: ['b'] })
  })

  const some = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { minLength: 1 })
  const widths = fc.infiniteStream(fc.constantFrom(500, 600))
  test('no page is lost, the worksheet’s order holds, and the same sent again changes nothing', () => {
    fc.assert(
      fc.property(some, some, widths, (before, after, width) => {
        const inUse = before.map((id) => page(id, width.next().value))
        const now = after.map((id) => page(id, width.next().value))
        const { pages, added, changed, stay } = changesBetween(inUse, now)
        expect(new Set(ids(pages))).toEqual(new Set([...before, ...after]))
        expect(pages).toHaveLength(new Set(ids(pages)).size)
        expect(ids(pages).filter((id) => after.includes(id))).toEqual(after)
        expect([...added, ...stay].every((id) => before.includes(id) !== after.includes(id))).toBe(true)
        expect(changed.every((id) => before.includes(id) && after.includes(id))).toBe(true)
        const again = changesBetween(pages, now)
        expect(again).toMatchObject({ added: [], changed: [], stay })
        expect(again.pages).toEqual(pages)
      }),
    )
  })

  test('fields in another order are the same page', () => {
    const { id, width, ...rest } = page('a')
    expect(samePage(page('a'), { ...rest, width, id } as WorksheetPage)).toBe(true)
    expect(samePage(page('a'), page('a', 601))).toBe(false)
  })
})
