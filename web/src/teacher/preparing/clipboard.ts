import {
  blankItem,
  MOST_LETTERS,
  movedKey,
  moveItem,
  namesAnew,
  type PrintedItem,
  printedItem,
  type Sheet,
  sheet as sheetSchema,
} from '@hand-back/core'
import { z } from 'zod'
import { pageAt, pickedOf, type SheetStore } from './sheetStore.ts'

/** Things as they travel through the device's clipboard, to other pages, worksheets and windows. */
const cutThings = z.object({
  handBackThings: z.array(printedItem).min(1).max(2000),
  keys: sheetSchema.shape.keys,
})

/** How far a pasted thing lies from the one it was copied from on the same page, in points. */
const ASIDE = 14

/** What is picked, as text for the clipboard; nothing when nothing is. */
export function pickedAsText(store: SheetStore): string | undefined {
  const preparing = store.view.getState()
  const things = pickedOf(preparing)
  if (things.length === 0) return undefined
  const keys = Object.fromEntries(
    things.flatMap(({ id }) => (preparing.sheet.keys[id] ? [[id, preparing.sheet.keys[id]]] : [])),
  )
  return JSON.stringify({ handBackThings: things, keys })
}

/** Puts what the clipboard holds on the page: things of ours with ids of their own, other words as a text. */
export function putText(store: SheetStore, text: string, middle: { x: number; y: number }): void {
  const things = readThings(text)
  if (things) {
    const { printed } = pageAt(store.view.getState())
    const same = things.handBackThings.some((thing) =>
      printed.some(({ id, x, y }) => id === thing.id && x === thing.x && y === thing.y),
    )
    putCopies(store, things.handBackThings, things.keys, [same ? { dx: ASIDE, dy: ASIDE } : { dx: 0, dy: 0 }])
    return
  }
  const words = text.trim()
  if (words === '') return
  if (words.length > MOST_LETTERS) {
    const [has, most] = [words.length, MOST_LETTERS].map((count) => count.toLocaleString('en-GB'))
    store.refuse(`That text has ${has} letters; a text may have at most ${most}. Take a part of it.`)
    return
  }
  const box = { x: Math.max(0, middle.x - 140), y: middle.y, width: 280, height: 20 }
  store.put([{ ...blankItem('text', box, () => crypto.randomUUID()), text: words }])
}

function readThings(text: string) {
  try {
    return cutThings.safeParse(JSON.parse(text)).data
  } catch {
    return undefined
  }
}

/** Puts copies of things at steps from where they lie, with ids and keys of their own, and picks them. */
export function putCopies(
  store: SheetStore,
  things: readonly PrintedItem[],
  keys: Sheet['keys'],
  steps: readonly { dx: number; dy: number }[],
): void {
  const made: PrintedItem[] = []
  const newKeys: Sheet['keys'] = {}
  for (const { dx, dy } of steps) {
    const ids = new Map(things.map(({ id }) => [id, crypto.randomUUID()]))
    for (const thing of things) {
      const { locked: _free, ...rest } = moveItem(namesAnew(thing, ids, new Map()), dx, dy)
      made.push(rest as PrintedItem)
      const key = keys[thing.id]
      if (key) newKeys[rest.id] = movedKey(key, ids)
    }
  }
  store.put(made, newKeys)
}
