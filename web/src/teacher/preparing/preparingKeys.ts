import { mm, moveItem } from '@hand-back/core'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import type { Surface } from '../../page/Surface.ts'
import { pressedByKeys } from '../../page/takesKeys.ts'
import { viewKeys } from '../../page/work/pageKeys.ts'
import { putCopies } from './clipboard.ts'
import { pageAt, pickedOf, type SheetStore } from './sheetStore.ts'

/** How far an arrow key moves what is picked, in millimetres: alone, with Shift, with Alt. */
const STEP = { plain: 1, shift: 5, alt: 0.1 }
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Everything in preparation by keys: pick, move, take away, undo, zoom, pages. `help` shows these very keys. */
export function preparingKeys(
  store: SheetStore,
  surface: Surface | undefined,
  help: () => void,
): readonly KeyGroup[] {
  const view = viewKeys(surface, (by) => turn(store, by))
  return [
    {
      title: 'Things on the page',
      acts: [
        {
          keys: ['Tab'],
          words: 'pick the next thing; with Shift, the one before',
          run: (event) => pickNext(store, event),
        },
        { keys: ['Enter'], words: 'say more of it', run: focusFirst },
        { keys: ['a'], control: true, words: 'pick all', run: () => pickAll(store) },
        {
          keys: Object.keys(ARROWS),
          words: 'move it; with Shift, further; with Alt, a little',
          run: (event) => nudge(event, store),
        },
        { keys: ['d'], control: true, words: 'the same again', run: () => again(store) },
        { keys: ['c'], control: true, words: 'copy' },
        { keys: ['x'], control: true, words: 'cut' },
        { keys: ['v'], control: true, words: 'paste words, a picture, or what was copied' },
        { keys: ['Delete', 'Backspace'], told: 'Delete', words: 'take it away', run: () => store.takeAway() },
        { keys: ['Escape'], words: 'let go', run: () => letGo(store) },
        { keys: ['z'], control: true, words: 'undo', run: () => store.undo() },
        { keys: ['y'], control: true, words: 'redo', run: () => store.redo() },
        { keys: ['z'], control: true, shift: true, run: () => store.redo() },
      ],
    },
    { ...view, acts: [...view.acts, { keys: ['?'], words: 'these keys', run: help }] },
  ]
}

function nudge(event: KeyboardEvent, store: SheetStore): boolean {
  const picked = pickedOf(store.view.getState()).filter(({ locked }) => !locked)
  if (picked.length === 0) return false
  const [x, y] = ARROWS[event.key]!
  const step = mm(event.altKey ? STEP.alt : event.shiftKey ? STEP.shift : STEP.plain)
  store.changeItems(
    new Set(picked.map(({ id }) => id)),
    (item) => moveItem(item, x * step, y * step),
    'nudge',
  )
  return true
}

function letGo(store: SheetStore): void {
  if (store.view.getState().placing) store.place(undefined)
  else store.pick([])
}

function pickAll(store: SheetStore): void {
  store.pick(pageAt(store.view.getState()).printed.map(({ id }) => id))
}

function again(store: SheetStore): void {
  const preparing = store.view.getState()
  const picked = pickedOf(preparing)
  if (picked.length > 0) putCopies(store, picked, preparing.sheet.keys, [{ dx: 14, dy: 14 }])
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
function focusFirst({ target }: KeyboardEvent): boolean {
  if (pressedByKeys(target)) return false
  const field = document.querySelector<HTMLElement>('[data-panel] [data-first]')
  field?.focus()
  return field !== null
}
