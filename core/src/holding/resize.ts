import type { Point } from '../ink/points.ts'
import * as similarity from '../ink/similarity.ts'
import type { Thing } from '../kinds/items.ts'
import { kindOfPrinted, type Printed, type PrintedItem, scaleItem } from '../kinds/printed.ts'
import type { Reshapes } from '../kinds/printedKind.ts'
import { lineBetween, lineEnds } from '../kinds/shape.ts'
import { keptWhereSeen, type Turned, turning } from '../kinds/turned.ts'
import type { Box } from '../worksheet/box.ts'

/** Where a thing can be taken to change its size: corners and sides by compass, the two ends of a line. */
export type Handle = 'nw' | 'n' | 'ne' | 'e' | 'se' | 's' | 'sw' | 'w' | 'start' | 'end'

/** What lies in a box and can be made another size: printed, or laid on a copy. */
export type Boxed = PrintedItem | Thing

/** The least that a dragged side leaves, in points. */
const LEAST = 6

/** The handles that a thing offers. Text is rewrapped by its sides and grows with its letters by its corners. */
export function handlesOf(item: Boxed): Handle[] {
  if (item.kind === 'shape' && item.form === 'line') return ['start', 'end']
  return HANDLES[kindOf(item).reshapes]
}

/** Things on a copy are made larger as what is printed of their kind. */
const kindOf = (item: Boxed) => kindOfPrinted(item as PrintedItem)

const HANDLES: Record<Reshapes, Handle[]> = {
  'in shape': ['nw', 'ne', 'se', 'sw'],
  'as words': ['nw', 'ne', 'se', 'sw', 'e', 'w'],
  freely: ['nw', 'n', 'ne', 'e', 'se', 's', 'sw', 'w'],
}

/** Where a handle is seen, in points. */
export const handlePlace = (item: Boxed, handle: Handle): Point =>
  (item as Turned).turn ? similarity.apply(placeIn(item, handle), turning(item)) : placeIn(item, handle)

function placeIn(item: Boxed, handle: Handle): Point {
  if (handle === 'start' || handle === 'end') return lineEnds(item as Printed<'shape'>)[handle]
  return {
    x: handle.includes('w') ? item.x : handle.includes('e') ? item.x + item.width : item.x + item.width / 2,
    y: handle.includes('n') ? item.y : handle.includes('s') ? item.y + item.height : item.y + item.height / 2,
  }
}

/**
 * A thing whose handle was dragged by points, as it is seen. The opposite corner or side stays. Corners of
 * pictures, formulas, pieces and ink keep their shape; corners of text take the letters along.
 */
export function resizeItem<Item extends Boxed>(item: Item, handle: Handle, dx: number, dy: number): Item {
  const { turn = 0 } = item as Turned
  const along =
    turn === 0
      ? { x: dx, y: dy }
      : similarity.apply({ x: dx, y: dy }, similarity.about({ x: 0, y: 0 }, 1, -turn))
  return keptWhereSeen(item, resized(item as PrintedItem, handle, along.x, along.y) as Item)
}

function resized(item: PrintedItem, handle: Handle, dx: number, dy: number): PrintedItem {
  if (handle === 'start' || handle === 'end') {
    const line = item as Printed<'shape'>
    const ends = lineEnds(line)
    const moved = { x: ends[handle].x + dx, y: ends[handle].y + dy }
    return lineBetween(line, { ...ends, [handle]: moved })
  }
  const box = dragged(item, handle, dx, dy)
  const corner = handle.length === 2
  if (corner && kindOfPrinted(item).reshapes !== 'freely') {
    const factor = Math.max(box.width / item.width, LEAST / item.width, 0.02)
    return inPlace(item, scaleItem(item, factor), handle)
  }
  return { ...item, ...box }
}

/** A line's width or a picture's box in numbers: the upper left corner stays where it is seen. */
export const setBox = (item: PrintedItem, set: Partial<Box>): PrintedItem =>
  keptWhereSeen(item, boxSet(item, set))

function boxSet(item: PrintedItem, set: Partial<Box>): PrintedItem {
  if (kindOfPrinted(item).reshapes === 'in shape' && item.width > 0 && item.height > 0) {
    if (set.width !== undefined)
      return { ...item, width: set.width, height: (item.height * set.width) / item.width }
    if (set.height !== undefined)
      return { ...item, height: set.height, width: (item.width * set.height) / item.height }
  }
  return { ...item, ...set }
}

function dragged(box: Box, handle: string, dx: number, dy: number): Box {
  const left = handle.includes('w') ? Math.min(dx, box.width - LEAST) : 0
  const top = handle.includes('n') ? Math.min(dy, box.height - LEAST) : 0
  const width = handle.includes('e') ? Math.max(LEAST, box.width + dx) : box.width - left
  const height = handle.includes('s') ? Math.max(LEAST, box.height + dy) : box.height - top
  return { x: box.x + left, y: box.y + top, width, height }
}

function inPlace(was: PrintedItem, now: PrintedItem, handle: string): PrintedItem {
  return {
    ...now,
    x: handle.includes('w') ? was.x + was.width - now.width : was.x,
    y: handle.includes('n') ? was.y + was.height - now.height : was.y,
  }
}
