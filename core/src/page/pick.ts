import { segmentsDistance2, touches } from '../ink/hitTest.ts'
import { type Loop, loopTakes } from '../ink/loop.ts'
import { type Bounds, boundsOf, overlap, type Point } from '../ink/points.ts'
import { about, laid } from '../ink/similarity.ts'
import { strokePoints, strokeWidth } from '../ink/stroke.ts'
import { middle } from '../worksheet/box.ts'
import { type Item, isThing, type Thing } from './items.ts'

/** Whether something can be picked up, moved and changed by hand: ink and things. */
export const canBePicked = (item: Item): boolean => item.kind === 'stroke' || isThing(item)

/** The four corners of a thing where they are seen, clockwise from its own upper left. */
export function cornersOf(thing: Thing): Point[] {
  const { x, y, width, height } = thing
  const turned = about(middle(thing), 1, thing.turn)
  return [
    { x, y },
    { x: x + width, y },
    { x: x + width, y: y + height },
    { x, y: y + height },
  ].map((corner) => laid(corner, turned))
}

/** The smallest upright rectangle around something that can be picked up, its width of line with it. */
export function boundsOfItem(item: Item): Bounds {
  if (item.kind === 'stroke') return boundsOf(strokePoints(item), strokeWidth(item) / 2)
  if (isThing(item)) return boundsOf(cornersOf(item), item.kind === 'shape' ? item.line / 2 : 0)
  return boundsOf([])
}

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
    if (!canBePicked(item) || !overlap(boundsOfItem(item), loop.bounds)) return false
    if (item.kind === 'stroke') return loopTakes(loop, strokePoints(item))
    return isThing(item) && loopTakes(loop, placesOf(item))
  })
}

/** Corners, middles of sides and the middle: a loop that holds most of them means the thing. */
function placesOf(thing: Thing): Point[] {
  const corners = cornersOf(thing)
  const sides = corners.map((corner, index) => {
    const next = corners[(index + 1) % 4]!
    return { x: (corner.x + next.x) / 2, y: (corner.y + next.y) / 2 }
  })
  return [...corners, ...sides, middle(thing)]
}

/** The uppermost of the items, given from below, that lies at a place, `reach` points around. Ink lies over things. */
export function itemUnder<T extends Item>(items: readonly T[], at: Point, reach: number): T | undefined {
  const ink = items.findLast(
    (item) => item.kind === 'stroke' && touches(strokePoints(item), strokeWidth(item), at, at, reach),
  )
  return ink ?? items.findLast((item) => isThing(item) && isOn(item, at, reach))
}

function isOn(thing: Thing, at: Point, reach: number): boolean {
  const { x, y, width, height } = thing
  const here = laid(at, about(middle(thing), 1, -thing.turn))
  if (thing.kind === 'shape' && thing.form === 'line') {
    const [from, to] = thing.rising
      ? [
          { x, y: y + height },
          { x: x + width, y },
        ]
      : [
          { x, y },
          { x: x + width, y: y + height },
        ]
    return segmentsDistance2(here, here, from, to) <= (reach + thing.line / 2) ** 2
  }
  return (
    here.x >= x - reach && here.x <= x + width + reach && here.y >= y - reach && here.y <= y + height + reach
  )
}
