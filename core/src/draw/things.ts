import type { Thing } from '../kinds/items.ts'
import { fitHeight, type PrintedItem } from '../kinds/printed.ts'
import type { Measure } from './mark.ts'

/** A thing as high as its words need; its upper left corner, as it is seen, stays where it is. */
export function fitThing<T extends Thing>(thing: T, measure: Measure): T {
  const fitted = fitHeight(thing as PrintedItem, measure) as unknown as T
  return keepCorner(thing, fitted)
}

/** A thing of another size, moved so that the upper left corner that one sees stays where it was. */
export function keepCorner<T extends Thing>(was: Thing, now: T): T {
  if (was.turn === 0) return now
  const angle = (was.turn * Math.PI) / 180
  // Half of what it grew by, as seen and as counted from an unturned corner.
  const [dx, dy] = [(now.width - was.width) / 2, (now.height - was.height) / 2]
  const [tx, ty] = [dx * Math.cos(angle) - dy * Math.sin(angle), dx * Math.sin(angle) + dy * Math.cos(angle)]
  return { ...now, x: now.x + tx - dx, y: now.y + ty - dy }
}
