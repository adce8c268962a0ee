import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import { pagesNear, readPageNumbers, sayPageNumbers } from './pageNumbers.ts'

test('pages that are said are read as the same pages', () => {
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 0, max: 99 })), (pages) => {
      expect(readPageNumbers(sayPageNumbers(pages), 100)).toEqual(new Set(pages))
    }),
  )
})

test.each([
  ['3, 5–8', [2, 4, 5, 6, 7]],
  ['3 5-6', [2, 4, 5]],
  ['4 – 6', [3, 4, 5]],
  ['', []],
  ['2;2', [1]],
])('“%s” is read as people mean it', (text, pages) => {
  expect(readPageNumbers(text, 8)).toEqual(new Set(pages))
})

test.each(['0', '9', '8-3', 'three', '3-', '2,,x', '1–9'])('“%s” names no pages of 8', (text) => {
  expect(readPageNumbers(text, 8)).toBeUndefined()
})

test('a short list of many pages has the first, the last, where one is and its neighbours, and says where it leaves out', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 200 }),
      fc.nat(),
      fc.integer({ min: 7, max: 14 }),
      (count, any, most) => {
        const current = any % count
        const list = pagesNear(count, current, most)
        const pages = list.filter((page) => page !== undefined)
        expect(pages).toEqual([...new Set(pages)].sort((a, b) => a - b))
        for (const page of [0, count - 1, current, current - 1, current + 1])
          if (page >= 0 && page < count) expect(pages).toContain(page)
        expect(list.length).toBeLessThanOrEqual(most)
        list.forEach((page, at) => {
          const before = at > 0 ? list[at - 1] : undefined
          if (at === 0 || page === undefined) return
          if (before !== undefined) expect(page).toBe(before + 1)
          else expect(page).toBeGreaterThan(list[at - 2]! + 2)
        })
      },
    ),
  )
})
