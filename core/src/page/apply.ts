import type { ItemChange, Layer, SignedEvent } from './events.ts'
import type { Item } from './items.ts'

/** An item as it lies on a page, with whose it is. `taken`: it was taken away and can be brought back. */
export interface Placed {
  readonly item: Item
  readonly layer: Layer
  readonly round: number
  readonly author: string
  readonly taken: boolean
}

/** What is on one page of a copy, in the order it was put there, and which events made it so. */
export interface Page {
  readonly placed: ReadonlyMap<string, Placed>
  readonly applied: ReadonlySet<string>
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
  for (const event of events) {
    if (applied.has(event.id)) continue
    applied.add(event.id)
    applyInto(placed, event)
  }
  return { placed, applied }
}

function applyInto(placed: Map<string, Placed>, event: SignedEvent): void {
  switch (event.act) {
    case 'add':
      for (const item of event.items) {
        if (placed.has(item.id)) {
          // The one answer of a place, or a card, put there again by another device: the latest counts.
          if (item.kind === 'answer' || item.kind === 'card')
            rewrite(placed, item.id, event, (was) => ({ ...was, item, author: event.author, taken: false }))
          continue
        }
        placed.set(item.id, {
          item,
          layer: event.layer,
          round: event.round,
          author: event.author,
          taken: false,
        })
      }
      return
    case 'take':
    case 'bring':
      for (const id of event.items)
        rewrite(placed, id, event, (was) => ({ ...was, taken: event.act === 'take' }))
      return
    case 'change':
      rewrite(placed, event.item, event, (was) => ({ ...was, item: changed(was.item, event.set) }))
  }
}

function rewrite(
  placed: Map<string, Placed>,
  id: string,
  event: SignedEvent,
  change: (was: Placed) => Placed,
): void {
  const was = placed.get(id)
  if (was && mayTouch(event, was)) placed.set(id, change(was))
}

/**
 * Whether an event may touch a thing: its author's own, on its own layer. In a copy that several share,
 * the answer of a place and the cards are everybody's, and all things are where the teacher allows it
 * (`free`). Feedback handed back in an earlier round stays as it was.
 */
export function mayTouch(
  event: Pick<SignedEvent, 'author' | 'layer' | 'round' | 'free'>,
  { author, layer, round, item }: Placed,
): boolean {
  const common = event.layer === 'work' && (item.kind === 'answer' || item.kind === 'card')
  return (
    (author === event.author || event.free === true || common) &&
    layer === event.layer &&
    (event.layer !== 'feedback' || round === event.round)
  )
}

function changed(item: Item, set: ItemChange): Item {
  if (item.kind === 'answer') return set.value ? { ...item, value: set.value } : item
  if (item.kind === 'stroke') return item
  return { ...item, x: set.x ?? item.x, y: set.y ?? item.y }
}

/** What can be seen on a page, in the order it was put there. */
export function inSight(page: Page): Placed[] {
  const seen: Placed[] = []
  for (const placed of page.placed.values()) if (!placed.taken) seen.push(placed)
  return seen
}
