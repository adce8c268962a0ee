import type { Loop } from '../ink/loop.ts'
import { type Bounds, boundsOf, overlap, type Point } from '../ink/points.ts'
import { type Item, kindOfItem } from '../kinds/items.ts'

/** Whether something can be picked up, moved and changed by hand. */
export const canBePicked = (item: Item): boolean => kindOfItem(item).held !== undefined

/** Whether something is at a place, or within `reach` points of it. */
export const isAt = (item: Item, at: Point, reach: number): boolean =>
  kindOfItem(item).held?.isAt(item, at, reach) ?? false

/** The smallest upright rectangle around something that can be picked up, its width of line with it. */
export const boundsOfItem = (item: Item): Bounds => kindOfItem(item).bounds?.(item) ?? boundsOf([])

/** The smallest upright rectangle around several; nothing around none. */
export function boundsAround(items: readonly Item[]): Bounds | undefined {
  if (items.length === 0) return undefined
  const all = items.map(boundsOfItem)
  return {
    x0: Math.min(...all.map(({ x0 }) => x0)),
    y0: Math.min(...all.map(({ y0 }) => y0)),
    x1: Math.max(...all.map(({ x1 }) => x1)),
    y1: Math.max(...all.map(({ y1 }) => y1)),
  }
}

/** What a loop picks up: what lies mostly inside. Cost: O(items × places of the loop) where the loop reaches. */
export function pickedBy<T extends Item>(items: readonly T[], loop: Loop): T[] {
  return items.filter((item) => {
    const { held } = kindOfItem(item)
    return held !== undefined && overlap(boundsOfItem(item), loop.bounds) && held.inLoop(item, loop)
  })
}

/** The uppermost of the items, given from below, that lies at a place, `reach` points around. Ink lies over things. */
export function itemUnder<T extends Item>(items: readonly T[], at: Point, reach: number): T | undefined {
  const isThere = (item: T) => isAt(item, at, reach)
  const isInk = (item: T) => item.kind === 'stroke'
  return (
    items.findLast((item) => isInk(item) && isThere(item)) ??
    items.findLast((item) => !isInk(item) && isThere(item))
  )
}
