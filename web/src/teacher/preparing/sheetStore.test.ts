import { lenientKey } from '@hand-back/core'
import { describe, expect, test } from '@jest/globals'
import { measured, plainPage, refuse, sheetOf, typedBox, words } from '../../test/sheets.ts'
import { pageAt, pickedOf, SheetStore } from './sheetStore.ts'

const open = (...pages: ReturnType<typeof plainPage>[]) => new SheetStore(sheetOf(...pages), measured, refuse)
const texts = (store: SheetStore) =>
  pageAt(store.view.getState()).printed.map((item) => (item.kind === 'text' ? item.text : item.kind))

describe('changing a sheet', () => {
  test('each change is a step; undo and redo walk them, and something new forgets what was ahead', () => {
    const store = open(plainPage())
    for (const each of ['ebb', 'flow', 'slack']) store.put([words(each)])
    expect(pickedOf(store.view.getState())).toHaveLength(1)
    store.undo()
    store.undo()
    expect(texts(store)).toEqual(['ebb'])
    expect(store.view.getState()).toMatchObject({ canUndo: true, canRedo: true })
    store.redo()
    expect(texts(store)).toEqual(['ebb', 'flow'])
    store.put([words('spring')])
    store.redo()
    expect(texts(store)).toEqual(['ebb', 'flow', 'spring'])
    expect(store.view.getState().canRedo).toBe(false)
  })

  test('five thousand things do not fit on a page: it is said, and nothing is half done', () => {
    const said: string[] = []
    const store = new SheetStore(sheetOf(plainPage(words('ebb'))), measured, (sentence) =>
      said.push(sentence),
    )
    store.put(Array.from({ length: 5000 }, (_, index) => words(String(index))))
    expect(said).toEqual(['A page holds at most 2000 things.'])
    expect(texts(store)).toEqual(['ebb'])
    expect(store.view.getState()).toMatchObject({ canUndo: false })
    expect(pickedOf(store.view.getState())).toEqual([])
  })

  test('letters typed one after the other into one thing are one step', () => {
    const box = typedBox('')
    const store = open(plainPage(box))
    for (const label of ['c', 'cm', 'cm?'])
      store.changeItems(new Set([box.id]), (item) => ({ ...item, label }) as typeof box, `label ${box.id}`)
    expect(pageAt(store.view.getState()).printed[0]).toMatchObject({ label: 'cm?' })
    store.undo()
    expect(pageAt(store.view.getState()).printed[0]).toMatchObject({ label: '' })
    expect(store.view.getState().canUndo).toBe(false)
  })

  test('undo goes back to the page on which it happened', () => {
    const [first, second] = [plainPage(), plainPage()]
    const store = open(first, second)
    store.put([words('ebb')])
    store.turnTo(second.id)
    store.put([words('flow')])
    store.undo()
    expect(store.view.getState().at).toBe(second.id)
    store.undo()
    expect(store.view.getState().at).toBe(first.id)
    expect(texts(store)).toEqual([])
  })

  test('a text grows with its words', () => {
    const store = open(plainPage())
    store.put([words('ebb '.repeat(40))])
    expect(pickedOf(store.view.getState())[0]!.height).toBeGreaterThan(60)
  })

  test('a page that did not change is the very same object', () => {
    const pages = [plainPage(words('ebb')), plainPage(words('flow'))]
    const store = open(...pages)
    store.put([words('slack')])
    expect(store.view.getState().sheet.pages[1]).toBe(pages[1])
  })
})

describe('taking away', () => {
  test('what is picked goes with its key, what is locked stays', () => {
    const free = typedBox('a')
    const locked = { ...typedBox('b'), locked: true }
    const store = open(plainPage())
    store.put([free, locked], { [free.id]: lenientKey(['1']), [locked.id]: lenientKey(['2']) })
    store.takeAway()
    expect(pageAt(store.view.getState()).printed.map(({ id }) => id)).toEqual([locked.id])
    expect(Object.keys(store.view.getState().sheet.keys)).toEqual([locked.id])
    store.undo()
    expect(Object.keys(store.view.getState().sheet.keys)).toHaveLength(2)
  })

  test('a text let go before it says anything is gone', () => {
    const store = open(plainPage(words('ebb')))
    store.put([words('')])
    expect(texts(store)).toEqual(['ebb', ''])
    store.pick([])
    expect(texts(store)).toEqual(['ebb'])
  })

  test('a question goes with its last area', () => {
    const page = plainPage()
    const store = open(page)
    const area = { page: page.id, x: 0, y: 0, width: 50, height: 50 }
    store.change((sheet) => ({
      ...sheet,
      questions: [{ id: crypto.randomUUID(), label: '1', fullMarks: 2, areas: [area, { ...area, x: 100 }] }],
    }))
    const question = () => store.view.getState().sheet.questions[0]
    for (const left of [1, undefined]) {
      store.pickArea(question()!.id, 0)
      store.takeAway()
      expect(question()?.areas.length).toBe(left)
    }
  })
})
