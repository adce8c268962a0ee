import type { WorksheetCard } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { byUnit, type Order, sorted } from './order.ts'

const worksheet = (title: string, unit: string, changedAt: number, timesHandedOut = 0) =>
  ({ title, unit, changedAt, timesHandedOut }) as WorksheetCard
const all = [
  worksheet('Rock pools', 'Shore life', 1, 2),
  worksheet('Ebb and flow', '', 3, 2),
  worksheet('Knots', 'Harbour', 2, 5),
]
const titles = (worksheets: readonly WorksheetCard[]) => worksheets.map(({ title }) => title)

test('the three orders, equal ones latest first', () => {
  expect(titles(sorted(all, 'latest'))).toEqual(['Ebb and flow', 'Knots', 'Rock pools'])
  expect(titles(sorted(all, 'title'))).toEqual(['Ebb and flow', 'Knots', 'Rock pools'])
  expect(titles(sorted(all, 'used'))).toEqual(['Knots', 'Ebb and flow', 'Rock pools'])
})

const units = (order: Order) => byUnit(sorted(all, order), order).map(({ unit }) => unit)

test('what is newest, or most handed out, stands in the first unit; by title, units are in the order of the alphabet', () => {
  expect(units('latest')).toEqual(['', 'Harbour', 'Shore life'])
  expect(units('used')).toEqual(['Harbour', '', 'Shore life'])
  expect(units('title')).toEqual(['Harbour', 'Shore life', ''])
  expect(byUnit([], 'latest')).toEqual([])
})
