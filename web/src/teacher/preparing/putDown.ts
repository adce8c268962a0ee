import {
  type Box,
  blankItem,
  boxBetween,
  levelled,
  lineBetween,
  nextLabel,
  type Printed,
  type PrintedItem,
  scaleItem,
  timesA4,
  type WorksheetPage,
} from '@hand-back/core'
import { pressSize, putOf } from './kinds/index.ts'
import type { SheetStore } from './sheetStore.ts'

/** A drag shorter than this many points was a press: the thing gets its usual size. */
const PRESS = 8

type Place = { readonly x: number; readonly y: number }

/** Puts what is chosen where a drag went, or at its usual size where the drag is only a press. */
export function putDown(store: SheetStore, page: WorksheetPage, from: Place, to: Place): void {
  const { placing } = store.view.getState()
  const box = boxBetween(from, to)
  if (placing === 'question') putQuestion(store, page, box)
  const put = placing && putOf(placing)
  if (!placing || !put) return
  const end = put.isLine ? levelled(from, to) : to
  const times = timesA4(page)
  const { width, height } = pressSize(placing)
  const usual = { width: width * times, height: height * times }
  const press = Math.max(box.width, box.height) < PRESS * times
  const size = press
    ? usual
    : {
        width: Math.max(box.width, PRESS * times),
        height: Math.max(box.height, put.isLine ? 0 : PRESS * times),
      }
  const at = {
    x: Math.max(0, Math.min(box.x, page.width - size.width)),
    y: Math.max(0, Math.min(box.y, page.height - size.height)),
  }
  const blank = blankItem(put.kind, { ...at, ...size }, () => crypto.randomUUID())
  const made = fittedTo({ ...blank, ...put.as } as PrintedItem, times)
  const isDrawn = put.isLine === true && !press
  store.put([isDrawn ? lineBetween(made as Printed<'shape'>, { start: from, end }) : made])
  // Lines go on: the next is drawn right after.
  if (isDrawn) store.place(placing)
}

/** An item whose letters and lines begin in a size that fits the page; its box stays. */
function fittedTo(item: PrintedItem, times: number): PrintedItem {
  if (times === 1) return item
  const { x, y, width, height } = item
  return { ...scaleItem(item, times), x, y, width, height }
}

function putQuestion(store: SheetStore, page: WorksheetPage, box: Box): void {
  const { sheet, area } = store.view.getState()
  const press = Math.max(box.width, box.height) < PRESS
  // A press takes the whole width of the page: most questions do.
  const lying = press
    ? { x: 0, y: box.y, width: page.width, height: Math.min(140, page.height - box.y) }
    : box
  const id = area?.question ?? crypto.randomUUID()
  store.change((before) => ({
    ...before,
    questions: [
      ...before.questions,
      { id, label: nextLabel(sheet.questions), fullMarks: 1, areas: [{ page: page.id, ...lying }] },
    ],
  }))
  store.pickArea(id, 0)
}

/** Puts a kind in the middle of what is seen: the way of keys. */
export function putInView(store: SheetStore, page: WorksheetPage, middle: { x: number; y: number }): void {
  const { placing } = store.view.getState()
  const size = placing ? pressSize(placing) : { width: 0, height: 0 }
  const at = { x: middle.x - size.width / 2, y: middle.y - size.height / 2 }
  putDown(store, page, at, at)
}
