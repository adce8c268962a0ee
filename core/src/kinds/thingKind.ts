import type { z } from 'zod'
import { loopTakes } from '../ink/loop.ts'
import { type Bounds, overlap, type Point } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import { type Box, boundsOfBox, middle } from '../worksheet/box.ts'
import type { ItemKind } from './itemKind.ts'
import type { PrintedKind } from './printedKind.ts'
import { cornersOf, laidElsewhere, seenBounds, type Turned, turning, unturned } from './turned.ts'

/** Corners, middles of sides and the middle: a loop that holds most of them means the thing. */
function placesOf(thing: Turned): Point[] {
  const corners = cornersOf(thing)
  const sides = corners.map((corner, index) => {
    const next = corners[(index + 1) % 4]!
    return { x: (corner.x + next.x) / 2, y: (corner.y + next.y) / 2 }
  })
  return [...corners, ...sides, middle(thing)]
}

/** What things of a kind do otherwise than others. */
export interface ThingWays<Item> {
  /** The width of its line, in points: half of it lies outside of the box. */
  line?(item: Item): number
  /** Whether it lies at a place, both unturned; left out: as its box does. */
  isAt?(item: Item, at: Point, reach: number): boolean
  recoloured?(item: Item, colour: string): Item
  pictures?(item: Item): string[]
  sounds?(item: Item): string[]
  keeps?(item: Item): string[]
}

interface AnyThing extends Required<Turned> {
  readonly id: string
  readonly kind: string
}

/** A thing that people lay down freely, with a box and a turn: it looks and grows like what is printed of its kind. */
export function thingKind<Printed, Item extends AnyThing>(
  printed: PrintedKind<Printed>,
  schema: z.ZodType<Item>,
  { line, isAt, recoloured, pictures, sounds, keeps }: ThingWays<Item> = {},
): ItemKind<Item> {
  const bounds = (item: Item): Bounds => seenBounds(item, (line?.(item) ?? 0) / 2)
  const asPrinted = (item: Item) => item as unknown as Printed
  return {
    schema,
    level: 'thing',
    bounds,
    drawn: (item, measure) => {
      const drawn = printed.drawn(asPrinted(item), measure)
      return item.turn === 0 ? drawn : [{ kind: 'laid', by: turning(item), drawn }]
    },
    held: {
      inLoop: (item, loop) => loopTakes(loop, placesOf(item)),
      isAt: (item, at, reach) => {
        const here = unturned(item, at)
        return isAt ? isAt(item, here, reach) : isInBox(item, here, reach)
      },
    },
    moved: (item, by) => {
      const box = laidElsewhere(item, by)
      const factor = similarity.scaleOf(by)
      const grown = printed.grown?.(asPrinted(item), (size) => size * factor, factor)
      return box ? { ...item, ...grown, ...box } : item
    },
    changed: (item, { thing }) => (thing?.kind === item.kind ? { ...(thing as Item), id: item.id } : item),
    asChange: (item) => ({ thing: item }),
    touches: (item, place) => overlap(boundsOfBox(place), bounds(item)),
    ...(recoloured ? { recoloured } : {}),
    ...(pictures ? { pictures } : {}),
    ...(sounds ? { sounds } : {}),
    ...(keeps ? { keeps } : {}),
  }
}

/** Whether a place lies in a box, or `reach` points around it. */
export function isInBox({ x, y, width, height }: Box, at: Point, reach: number): boolean {
  return at.x >= x - reach && at.x <= x + width + reach && at.y >= y - reach && at.y <= y + height + reach
}
