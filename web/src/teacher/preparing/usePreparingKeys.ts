import { mm, moveItem } from '@hand-back/core'
import { useEffect } from 'react'
import type { Surface } from '../../page/Surface.ts'
import { isTyping, takesKeys } from '../../page/takesKeys.ts'
import { sayProblem } from '../../ui/notices.ts'
import { bringPicture } from './bringPicture.ts'
import { pickedAsText, putCopies, putText } from './clipboard.ts'
import { type PreparingContext, usePreparing } from './context.ts'
import { putPicture } from './putPicture.ts'
import { pageAt, pickedOf, type SheetStore } from './sheetStore.ts'
import { middleOfView } from './viewNow.ts'

/** Everything in preparation by keys: pick, move, copy, paste, take away, undo, zoom, pages. */
export function usePreparingKeys(surface: Surface | undefined): void {
  const context = usePreparing()
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const control = event.ctrlKey || event.metaKey
      if ((control ? isTyping(event.target) : takesKeys(event.target)) || inDialog(event.target)) return
      if (act(event, context.store, surface)) event.preventDefault()
    }
    const copy = (event: ClipboardEvent) => {
      if (isTyping(event.target)) return
      const text = pickedAsText(context.store)
      if (!text) return
      event.clipboardData?.setData('text/plain', text)
      event.preventDefault()
      if (event.type === 'cut') context.store.takeAway()
    }
    const paste = (event: ClipboardEvent) => {
      if (isTyping(event.target) || inDialog(event.target)) return
      event.preventDefault()
      void take(context, event.clipboardData)
    }
    addEventListener('keydown', press)
    addEventListener('copy', copy)
    addEventListener('cut', copy)
    addEventListener('paste', paste)
    return () => {
      removeEventListener('keydown', press)
      removeEventListener('copy', copy)
      removeEventListener('cut', copy)
      removeEventListener('paste', paste)
    }
  }, [context, surface])
}

const inDialog = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('[role=dialog]') !== null

/** A picture in the clipboard becomes a picture on the page. */
async function take({ store, worksheet }: PreparingContext, data: DataTransfer | null): Promise<void> {
  const pictures = [...(data?.files ?? [])].filter(({ type }) => type.startsWith('image/'))
  try {
    for (const picture of pictures)
      putPicture(store, await bringPicture(worksheet.id, picture), middleOfView())
  } catch (error) {
    sayProblem(error)
  }
  if (pictures.length === 0) putText(store, data?.getData('text/plain') ?? '', middleOfView())
}

/** How far an arrow key moves what is picked, in millimetres: alone, with Shift, with Alt. */
const STEP = { plain: 1, shift: 5, alt: 0.1 }
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Whether the key meant something here. */
function act(event: KeyboardEvent, store: SheetStore, surface: Surface | undefined): boolean {
  const control = event.ctrlKey || event.metaKey
  const arrow = ARROWS[event.key]
  if (arrow && !control) return nudge(event, store, arrow)
  const doing = control ? WITH_CONTROL[event.key.toLowerCase()] : PLAIN[event.key]
  if (!doing) return false
  return doing(store, event, surface) !== false
}

function nudge(event: KeyboardEvent, store: SheetStore, [x, y]: readonly [number, number]): boolean {
  const picked = pickedOf(store.view.getState()).filter(({ locked }) => !locked)
  if (picked.length === 0) return false
  const step = mm(event.altKey ? STEP.alt : event.shiftKey ? STEP.shift : STEP.plain)
  store.changeItems(
    new Set(picked.map(({ id }) => id)),
    (item) => moveItem(item, x * step, y * step),
    'nudge',
  )
  return true
}

type Act = (store: SheetStore, event: KeyboardEvent, surface: Surface | undefined) => unknown

const PLAIN: Record<string, Act> = {
  Escape: (store) => (store.view.getState().placing ? store.place(undefined) : store.pick([])),
  Delete: (store) => store.takeAway(),
  Backspace: (store) => store.takeAway(),
  Tab: (store, event) => pickNext(store, event),
  Enter: () => focusFirst(),
  PageDown: (store) => turn(store, 1),
  PageUp: (store) => turn(store, -1),
  '+': (_store, _event, surface) => surface?.zoomBy(1.25),
  '=': (_store, _event, surface) => surface?.zoomBy(1.25),
  '-': (_store, _event, surface) => surface?.zoomBy(0.8),
  '0': (_store, _event, surface) => surface?.fit(),
}

const WITH_CONTROL: Record<string, Act> = {
  z: (store, event) => (event.shiftKey ? store.redo() : store.undo()),
  y: (store) => store.redo(),
  a: (store) => store.pick(pageAt(store.view.getState()).printed.map(({ id }) => id)),
  d: (store) => {
    const preparing = store.view.getState()
    const picked = pickedOf(preparing)
    if (picked.length === 0) return
    putCopies(store, picked, preparing.sheet.keys, [{ dx: 14, dy: 14 }])
  },
}

function turn(store: SheetStore, by: number): void {
  const { sheet, at } = store.view.getState()
  const next = sheet.pages[sheet.pages.findIndex(({ id }) => id === at) + by]
  if (next) store.turnTo(next.id)
}

/** On the page, Tab goes from thing to thing in reading order; past the last it goes on as everywhere. */
function pickNext(store: SheetStore, event: KeyboardEvent): boolean {
  if (!(event.target instanceof HTMLElement) || event.target.dataset.testid !== 'preparing') return false
  const preparing = store.view.getState()
  const things = [...pageAt(preparing).printed].sort((a, b) => a.y - b.y || a.x - b.x)
  const last = things.findLastIndex(({ id }) => preparing.picked.has(id))
  const next = last < 0 && event.shiftKey ? undefined : things[last + (event.shiftKey ? -1 : 1)]
  if (!next) return false
  store.pick([next.id])
  return true
}

/** From a thing to its first field. */
function focusFirst(): boolean {
  const field = document.querySelector<HTMLElement>('[data-panel] [data-first]')
  field?.focus()
  return field !== null
}
