import {
  around,
  type Box,
  canTurn,
  layItem,
  middle,
  type Similarity,
  seenBox,
  similarity,
} from '@hand-back/core'
import { holdKeys, type InHand } from '../../page/holding/holdKeys.ts'
import type { KeyGroup } from '../../page/keys/keyActs.ts'
import { pressedByKeys } from '../../page/keys/takesKeys.ts'
import type { Surface } from '../../page/surface/Surface.ts'
import { viewKeys } from '../../page/work/pageKeys.ts'
import { putCopies } from './clipboard.ts'
import { pageAt, pickedOf, type SheetStore } from './sheetStore.ts'

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
        { keys: ['Enter'], words: 'change it', run: focusFirst },
        { keys: ['a'], control: true, words: 'pick all', run: () => pickAll(store) },
        ...holdKeys(inHand(store)),
        { keys: ['Escape'], words: 'done', run: () => letGo(store) },
        { keys: ['z'], control: true, words: 'undo', run: () => store.undo() },
        { keys: ['y'], control: true, words: 'redo', run: () => store.redo() },
        { keys: ['z'], control: true, shift: true, run: () => store.redo() },
      ],
    },
    { ...view, acts: [...view.acts, { keys: ['?'], words: 'these keys', run: help }] },
  ]
}

/** What keys do to the things that are picked and not locked. */
function inHand(store: SheetStore): InHand {
  const free = () => pickedOf(store.view.getState()).filter(({ locked }) => !locked)
  const lay = (by: (around: Box) => Similarity, key: string) => {
    const items = free()
    if (items.length === 0) return
    const laid = by(around(items.map(seenBox)))
    store.changeItems(new Set(items.map(({ id }) => id)), (item) => layItem(item, laid), key)
  }
  return {
    any() {
      const { picked, area } = store.view.getState()
      return picked.size > 0 || area !== undefined
    },
    nudge: (dx, dy) => lay(() => similarity.translation(dx, dy), 'nudge'),
    spin(factor, degrees) {
      if (degrees === 0 || free().every(canTurn))
        lay((box) => similarity.about(middle(box), factor, degrees), 'spin')
    },
    duplicate() {
      const preparing = store.view.getState()
      const picked = pickedOf(preparing)
      if (picked.length > 0) putCopies(store, picked, preparing.sheet.keys, [{ dx: 14, dy: 14 }])
    },
    take: () => store.takeAway(),
  }
}

function letGo(store: SheetStore): void {
  if (store.view.getState().placing) store.place(undefined)
  else store.pick([])
}

function pickAll(store: SheetStore): void {
  store.pick(pageAt(store.view.getState()).printed.map(({ id }) => id))
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
  return !pressedByKeys(target) && sayMore()
}

/** Into the first field of what is picked; whether there is one. */
export function sayMore(): boolean {
  const field = document.querySelector<HTMLElement>('[data-panel] [data-first]')
  field?.focus()
  return field !== null
}
