import { ITEM_KINDS, THING_KINDS } from '../kinds/items.ts'
import { type KeptEvent, LAYERS, pageEvent } from './events.ts'

const ACTS: ReadonlySet<unknown> = new Set(pageEvent.options.map(({ shape }) => shape.act.value))
const LAYER_NAMES: ReadonlySet<unknown> = new Set(LAYERS)

/**
 * Events as they come from school. A newer one may tell of acts and kinds that an older screen has no word
 * for: such an item is left out, and such an act does nothing but keep its place in the order. They are there
 * when the screen is loaded again.
 *
 * School has judged each event by its whole schema when it was kept; here only what would make this device
 * fail is looked at. Cost: a few comparisons an event and item.
 */
export function readEvents(told: unknown): KeptEvent[] {
  return Array.isArray(told) ? told.flatMap(readEvent) : []
}

function readEvent(told: unknown): KeptEvent[] {
  if (typeof told !== 'object' || told === null) return []
  const { id, page, layer, act, seq, author, items, set, was } = told as Record<string, unknown>
  const framed = typeof id === 'string' && typeof page === 'string' && typeof author === 'string'
  if (!framed || typeof seq !== 'number' || !LAYER_NAMES.has(layer)) return []
  const event = told as KeptEvent
  const nothing = { ...event, act: 'take', items: [] } as KeptEvent
  if (!ACTS.has(act)) return [nothing]
  if (act === 'change' && !(isKnownChange(set) && isKnownChange(was))) return [nothing]
  if (act !== 'add' && act !== 'swap') return [event]
  if (!Array.isArray(items)) return [nothing]
  return [items.every(isKnown) ? event : ({ ...event, items: items.filter(isKnown) } as KeptEvent)]
}

const kindIn = (kinds: object, of: unknown): boolean =>
  typeof of === 'object' && of !== null && 'kind' in of && Object.hasOwn(kinds, String(of.kind))

const isKnown = (item: unknown): boolean => kindIn(ITEM_KINDS, item)

function isKnownChange(change: unknown): boolean {
  if (typeof change !== 'object' || change === null) return false
  return !('thing' in change) || change.thing === undefined || kindIn(THING_KINDS, change.thing)
}
