import { lenientKey } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { dropPlace, measured, plainPage, refuse, sheetOf, typedBox, words } from '../../test/sheets.ts'
import { pickedAsText, putText } from './clipboard.ts'
import { pageAt, pickedOf, SheetStore } from './sheetStore.ts'

const middle = { x: 300, y: 400 }

test('things come with their keys and ids of their own; a key names the new cards', () => {
  const [box, place] = [typedBox('cm'), dropPlace('in the pool')]
  const fits = words('goby')
  const from = new SheetStore(sheetOf(plainPage()), measured, refuse)
  from.put([box, place, fits], {
    [box.id]: lenientKey(['450']),
    [place.id]: { kind: 'cards', cards: [fits.id] },
  })
  const text = pickedAsText(from)!

  const into = new SheetStore(sheetOf(plainPage()), measured, refuse)
  putText(into, text, middle)
  const [newBox, newPlace, newFits] = pickedOf(into.view.getState())
  expect(newBox).toMatchObject({ label: 'cm', x: box.x, y: box.y })
  expect(newBox!.id).not.toBe(box.id)
  expect(into.view.getState().sheet.keys).toEqual({
    [newBox!.id]: lenientKey(['450']),
    [newPlace!.id]: { kind: 'cards', cards: [newFits!.id] },
  })
})

test('pasted where it was copied it lies a little aside, and is not locked', () => {
  const box = { ...typedBox('cm', 100, 100), locked: true }
  const store = new SheetStore(sheetOf(plainPage(box)), measured, refuse)
  store.pick([box.id])
  putText(store, pickedAsText(store)!, middle)
  const [copy] = pickedOf(store.view.getState())
  expect(copy!.x).toBeGreaterThan(100)
  expect(copy!.locked).toBeUndefined()
})

test('other words become a text; nothing becomes nothing; a megabyte is refused in a sentence', () => {
  const said: string[] = []
  const store = new SheetStore(sheetOf(plainPage()), measured, (sentence) => said.push(sentence))
  putText(store, '  ', middle)
  expect(store.view.getState().canUndo).toBe(false)
  expect(pickedAsText(store)).toBeUndefined()
  putText(store, '{"handBackThings": [{"kind": "script"}]}', middle)
  expect(pickedOf(store.view.getState())).toMatchObject([{ kind: 'text' }])
  putText(store, 'x'.repeat(1_000_000), middle)
  expect(said).toEqual([expect.stringContaining('1,000,000 letters')])
  expect(pageAt(store.view.getState()).printed).toHaveLength(1)
})
