import { expect, test } from '@jest/globals'
import { strokeOutline } from '../ink/outline.ts'
import type { Sheet } from '../worksheet/sheet.ts'
import { LOG_VERSION, sheetUpToDate, upToDate } from './version.ts'

const laid = (nib: string) => ({ act: 'add', items: [{ kind: 'stroke', nib, width: 3 }, { kind: 'text' }] })

test.each([
  ['marker', 'felt tip'],
  ['brush', 'paintbrush'],
  ['pen', 'pen'],
  ['highlighter', 'highlighter'],
])('ink of a %s is read as ink of a %s, however often', (before, now) => {
  const event = upToDate(laid(before), 1)
  expect(event).toEqual(laid(now))
  expect(upToDate(event, 1)).toBe(event)
  expect(upToDate(event, LOG_VERSION)).toBe(event)
})

test('what lays nothing down is as it was', () => {
  const event = { act: 'take', items: ['an id'] }
  expect(upToDate(event, 1)).toBe(event)
})

test('a sheet kept on a device since before is read with the nibs of now, however deep its ink lies', () => {
  const kept = (nib: string) =>
    ({ pages: [{ printed: [{ kind: 'ink', strokes: [{ nib, packed: 'brush' }] }] }] }) as unknown as Sheet
  expect(sheetUpToDate(kept('brush'))).toEqual(kept('paintbrush'))
  expect(sheetUpToDate(kept('pencil'))).toEqual(kept('pencil'))
})

/** The widest that a level stroke is, upright, by its outline. */
const broad = (nib: Parameters<typeof strokeOutline>[1], pressure: number) => {
  const way = Array.from({ length: 30 }, (_, at) => ({ x: at * 4, y: 50, pressure, time: at * 8 }))
  way[0] = { ...way[0]!, pressure: pressure - 0.01 }
  const ys = strokeOutline(way, nib, 4).map(([, y]) => y!)
  return Math.max(...ys) - Math.min(...ys)
}

test('old names draw what they drew: even, or by pressure and out thin', () => {
  expect(broad('felt tip', 0.9)).toBeCloseTo(broad('felt tip', 0.2), 5)
  expect(broad('paintbrush', 0.9)).toBeGreaterThan(broad('paintbrush', 0.2) * 2.5)
})

test('a pencil in a quick finger is seen: its width follows speed only a little', () => {
  const quick = Array.from({ length: 30 }, (_, at) => ({ x: at * 12, y: 50, pressure: 0.5, time: at * 8 }))
  const ys = strokeOutline(quick, 'pencil', 1.4).map(([, y]) => y!)
  expect(Math.max(...ys) - Math.min(...ys)).toBeGreaterThan(0.8)
})

test('a pencil follows pressure more than a pen', () => {
  const follows = (nib: 'pen' | 'pencil') => broad(nib, 0.9) / broad(nib, 0.2)
  expect(follows('pencil')).toBeGreaterThan(follows('pen') * 1.2)
})
