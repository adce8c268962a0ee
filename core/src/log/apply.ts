import { moved, recoloured } from '../holding/moved.ts'
import { boundsOfItem } from '../holding/pick.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'
import type { Layer, PageSet, SignedEvent } from './events.ts'

/** An item as it lies on a page, with whose it is. `taken`: it was taken away and can be brought back. */
export interface Placed {
  readonly item: Item
  readonly layer: Layer
  readonly round: number
  readonly author: string
  readonly taken: boolean
  /** What it is a piece of: strokes that were rubbed out in part and taken away. */
  readonly from?: readonly string[]
}

/** What became of a page itself, and who did it: it grew, or somebody laid it in. */
export interface OwnSheet extends PageSet {
  readonly author: string
}

/**
 * What is on one page of a copy, by its layer and id (`keyOn`), in the order it was put there, and which
 * events made it so. Layers know nothing of each other: their events reach a device in no set order, and
 * nobody can stand in the way of another layer by using an id of its things.
 */
export interface Page {
  readonly placed: ReadonlyMap<string, Placed>
  readonly applied: ReadonlySet<string>
  readonly sheet?: OwnSheet
}

/** Where `Page.placed` keeps a thing of a layer. */
export const keyOn = (layer: Layer, id: string): string => `${layer} ${id}`

/** A thing of a layer as it lies on a page, taken away or not. */
export function placedOn(page: Page, layer: Layer, id: string): Placed | undefined {
  return page.placed.get(keyOn(layer, id))
}

export const emptyPage: Page = { placed: new Map(), applied: new Set() }

/**
 * The page after `event`.
 *
 * Pure, total and idempotent by event id: an event applied before, or one that names things that are
 * not there or are not its author's to touch, changes nothing. The caller sends events in the server's
 * order, so that an item's place goes to the latest write.
 */
export function apply(page: Page, event: SignedEvent): Page {
  return page.applied.has(event.id) ? page : applyAll(page, [event])
}

/** The page after all `events`, in order. The same as applying them one by one, at the cost of one copy of the page. */
export function applyAll(page: Page, events: Iterable<SignedEvent>): Page {
  const placed = new Map(page.placed)
  const applied = new Set(page.applied)
  let { sheet } = page
  for (const event of events) {
    if (applied.has(event.id)) continue
    applied.add(event.id)
    if (event.act === 'sheet') sheet = sheetAfter(sheet, event)
    else applyInto(placed, event)
  }
  return sheet ? { placed, applied, sheet } : { placed, applied }
}

/** A page that somebody laid in is theirs; that a page grew is everybody's. */
function sheetAfter(sheet: OwnSheet | undefined, event: Of<'sheet'>): OwnSheet | undefined {
  if (event.layer !== 'work') return sheet
  const own = sheet?.ruling !== undefined
  if (own && sheet.author !== event.author && event.free !== true) return sheet
  return { ...sheet, ...event.set, author: sheet?.author ?? event.author }
}

type Of<Act extends SignedEvent['act']> = Extract<SignedEvent, { act: Act }>

function applyInto(placed: Map<string, Placed>, event: Exclude<SignedEvent, Of<'sheet'>>): void {
  switch (event.act) {
    case 'add':
      addAll(placed, event, event.items)
      return
    case 'take':
    case 'bring':
      takeAll(placed, event, event.items, event.act === 'take')
      return
    case 'swap':
      takeAll(placed, event, event.take, true)
      takeAll(placed, event, event.bring, false)
      addPieces(placed, event)
      return
    case 'move':
      for (const id of event.items)
        rewrite(placed, id, event, (was) => ({ ...was, item: moved(was.item, event.by) }))
      return
    case 'recolour':
      for (const [index, id] of event.items.entries()) {
        const to = event.to[index]
        if (to) rewrite(placed, id, event, (was) => ({ ...was, item: recoloured(was.item, to) }))
      }
      return
    case 'change':
      rewrite(placed, event.item, event, (was) => ({
        ...was,
        item: kindOfItem(was.item).changed?.(was.item, event.set) ?? was.item,
      }))
  }
}

function addAll(placed: Map<string, Placed>, event: SignedEvent, items: readonly Item[]): void {
  const { layer, round, author } = event
  for (const item of items) {
    const at = keyOn(layer, item.id)
    if (!placed.has(at)) placed.set(at, { item, layer, round, author, taken: false })
    // The one answer of a place, or a card, put there again by another device: the latest counts.
    else if (kindOfItem(item).isShared)
      rewrite(placed, item.id, event, (was) => ({ ...was, item, author, taken: false }))
  }
}

/** What is left of a stroke belongs to whoever drew it, not to whoever rubbed out the rest. */
function addPieces(placed: Map<string, Placed>, event: Of<'swap'>): void {
  const whole = event.take.flatMap((id) => {
    const was = placed.get(keyOn(event.layer, id))
    return was && mayTouch(event, was) ? [was] : []
  })
  const pieces = event.items.filter(({ id }) => !placed.has(keyOn(event.layer, id)))
  addAll(placed, event, event.items)
  if (whole.length === 0) return
  const from = whole.map(({ item }) => item.id)
  for (const piece of pieces) {
    const drawn = whole.find(({ author, item }) => author !== event.author && isPieceOf(piece, item))
    const { author } = drawn ?? event
    const at = keyOn(event.layer, piece.id)
    placed.set(at, { ...placed.get(at)!, author, from })
  }
}

/** How far the edge of a piece may lie outside of the stroke it is a piece of, in points. */
const EDGE = 1

/** Whether a stroke can be what is left of another one: drawn with the same pen, and lying where it lay. */
function isPieceOf(piece: Item, whole: Item): boolean {
  if (piece.kind !== 'stroke' || whole.kind !== 'stroke') return false
  if (piece.nib !== whole.nib || piece.colour !== whole.colour || piece.width !== whole.width) return false
  const [inner, outer] = [boundsOfItem(piece), boundsOfItem(whole)]
  return (
    inner.x0 >= outer.x0 - EDGE &&
    inner.y0 >= outer.y0 - EDGE &&
    inner.x1 <= outer.x1 + EDGE &&
    inner.y1 <= outer.y1 + EDGE
  )
}

function takeAll(
  placed: Map<string, Placed>,
  event: SignedEvent,
  ids: readonly string[],
  taken: boolean,
): void {
  for (const id of ids) rewrite(placed, id, event, (was) => ({ ...was, taken }))
}

function rewrite(
  placed: Map<string, Placed>,
  id: string,
  event: SignedEvent,
  change: (was: Placed) => Placed,
): void {
  const at = keyOn(event.layer, id)
  const was = placed.get(at)
  if (was && mayTouch(event, was)) placed.set(at, change(was))
}

/**
 * Whether an event may touch a thing: its author's own, on its own layer. In a copy that several share,
 * the answer of a place and the cards are everybody's, and so are marks of those who give them, and all things are where the teacher allows it
 * (`free`). Feedback handed back in an earlier round stays as it was.
 */
export function mayTouch(
  event: Pick<SignedEvent, 'author' | 'layer' | 'round' | 'free'>,
  { author, layer, round, item }: Placed,
): boolean {
  const common = kindOfItem(item).isShared === true
  return (
    (author === event.author || event.free === true || common) &&
    layer === event.layer &&
    (event.layer !== 'feedback' || round === event.round)
  )
}

/**
 * What can be seen on a page, from below: in the order it was put there, but for what was brought to the front
 * or back. Marks given again in a later round stand in place of those before.
 */
export function inSight(page: Page): Placed[] {
  const seen: Placed[] = []
  let isOrdered = true
  const marked = new Map<string, number>()
  for (const placed of page.placed.values()) {
    if (placed.taken) continue
    seen.push(placed)
    if (overOf(placed) !== 0) isOrdered = false
    if (placed.item.kind === 'mark')
      marked.set(placed.item.question, Math.max(placed.round, marked.get(placed.item.question) ?? 0))
  }
  const latest = marked.size === 0 ? seen : seen.filter((placed) => !isSuperseded(placed, marked))
  return isOrdered ? latest : latest.sort((a, b) => overOf(a) - overOf(b))
}

const isSuperseded = ({ item, round }: Placed, marked: ReadonlyMap<string, number>): boolean =>
  item.kind === 'mark' && round < marked.get(item.question)!

/** How far an item was brought to the front (more) or the back (less). */
const overOf = ({ item }: Placed): number => ('over' in item ? (item.over ?? 0) : 0)
