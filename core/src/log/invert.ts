import * as similarity from '../ink/similarity.ts'
import type { PageEvent } from './events.ts'

/**
 * The event that takes back what `event` did, made at `madeAt` under the new id `id`.
 *
 * Law: applying an event and then its inverse leaves in sight what was in sight before, when nobody
 * else touched the same things between; inverting twice does again what the first did.
 */
export function invert(event: PageEvent, id: string, madeAt: number): PageEvent {
  const common = { id, page: event.page, layer: event.layer, madeAt, undoes: event.id }
  switch (event.act) {
    case 'add':
      return { ...common, act: 'take', items: event.items.map((item) => item.id) }
    case 'take':
      return { ...common, act: 'bring', items: event.items }
    case 'bring':
      return { ...common, act: 'take', items: event.items }
    case 'change':
      return { ...common, act: 'change', item: event.item, set: event.was, was: event.set }
    case 'move':
      return { ...common, act: 'move', items: event.items, by: similarity.inverse(event.by) }
    case 'swap': {
      const take = [...event.items.map((item) => item.id), ...event.bring]
      return { ...common, act: 'swap', take, bring: event.take, items: [] }
    }
    case 'recolour':
      return { ...common, act: 'recolour', items: event.items, to: event.was, was: event.to }
    case 'sheet':
      return { ...common, act: 'sheet', set: event.was, was: event.set }
  }
}
