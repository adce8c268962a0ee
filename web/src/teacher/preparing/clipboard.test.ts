import { lenientKey } from '@hand-back/core'
import { expect, test } from '@jest/globals'
import { dropPlace, measured, plainPage, sheetOf, typedBox, words } from '../../test/sheets.ts'
import { pickedAsText, putText } from './clipboard.ts'
import { pickedOf, SheetStore } from './sheetStore.ts'

const middle = { x: 300, y: 400 }

test('things come with their keys and ids of their own; a key names the new cards', () => {
  const [box, place] = [typedBox('cm'), dropPlace('in the pool')]
  const fits = words('goby')
  const from = new SheetStore(sheetOf(plainPage()), measured)
  from.put([box, place, fits], {
    [box.id]: lenientKey(['450']),
    [place.id]: { kind: 'cards', cards: [fits.id] },
  })
  const text = pickedAsText(from)!

  const into = new SheetStore(sheetOf(plainPage()), measured)
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
  const store = new SheetStore(sheetOf(plainPage(box)), measured)
  store.pick([box.id])
  putText(store, pickedAsText(store)!, middle)
  const [copy] = pickedOf(store.view.getState())
  expect(copy!.x).toBeGreaterThan(100)
  expect(copy!.locked).toBeUndefined()
})

test('other words become a text, however long they are; nothing becomes nothing', () => {
  const store = new SheetStore(sheetOf(plainPage()), measured)
  putText(store, '  ', middle)
  expect(store.view.getState().canUndo).toBe(false)
  expect(pickedAsText(store)).toBeUndefined()
  putText(store, '{"handBackThings": [{"kind": "script"}]}', middle)
  putText(store, 'x'.repeat(1_000_000), middle)
  const [long] = pickedOf(store.view.getState())
  expect(long).toMatchObject({ kind: 'text' })
  expect(long!.kind === 'text' && long!.text.length).toBe(20_000)
})
