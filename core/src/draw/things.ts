import { about } from '../ink/similarity.ts'
import { type Item, isThing, type Thing } from '../page/items.ts'
import { middle } from '../worksheet/box.ts'
import type { PrintedItem } from '../worksheet/printed.ts'
import { fitHeight } from './fit.ts'
import type { Mark, Measure } from './mark.ts'
import { printedMarks } from './printed.ts'

/** A thing is drawn as a printed item of its kind is, turned about its middle. A picture is asked for by the name of its recording. */
export function thingMarks(thing: Thing, measure: Measure): Mark[] {
  const marks = printedMarks(thing as PrintedItem, measure)
  return thing.turn === 0 ? marks : [{ kind: 'laid', by: about(middle(thing), 1, thing.turn), marks }]
}

/** Everything that was laid on a page freely, from below. */
export function thingsMarks(items: Iterable<Item>, measure: Measure): Mark[] {
  const marks: Mark[] = []
  for (const item of items) if (isThing(item)) marks.push(...thingMarks(item, measure))
  return marks
}

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
