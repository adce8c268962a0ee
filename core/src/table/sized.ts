import type { Bounds, Point } from '../ink/points.ts'
import { linesAlong, MOST_TABLE_LINES, type Table } from '../kinds/table.ts'

/** One side of a table: how broad its columns are, or how high its rows. */
export type TableSide = 'columns' | 'rows'

/** What of a table one works with: it lies level. */
export type Sized = Pick<Table, 'x' | 'y' | 'width' | 'height' | 'columns' | 'rows'>

/** The narrowest column and the lowest row, in points. */
export const NARROWEST = 10

/** The columns of a table, or its rows, in points. */
export function sizesOf(table: Sized, side: TableSide): number[] {
  const lines = linesAlong(table[side], side === 'columns' ? table.width : table.height)
  return lines.slice(1).map((at, index) => at - lines[index]!)
}

/** The same table with columns, or rows, of other sizes in points: its upper left corner stays. */
export function withSizes<T extends Sized>(table: T, side: TableSide, sizes: readonly number[]): T {
  const length = sizes.reduce((sum, size) => sum + size, 0)
  return { ...table, [side]: [...sizes], [side === 'columns' ? 'width' : 'height']: length }
}

/** One column or row broader or narrower by so many points, the others as they were; never narrower than `NARROWEST`. */
export function resized<T extends Sized>(table: T, side: TableSide, index: number, by: number): T {
  const sizes = sizesOf(table, side)
  const now = sizes[index]
  if (now === undefined) return table
  sizes[index] = Math.max(Math.min(now, NARROWEST), now + by)
  return withSizes(table, side, sizes)
}

/** So many columns or rows: new ones are like the last, and those too many go from the end. */
export function withCount<T extends Sized>(table: T, side: TableSide, count: number): T {
  const sizes = sizesOf(table, side)
  const wanted = Math.min(MOST_TABLE_LINES, Math.max(1, count))
  while (sizes.length < wanted) sizes.push(sizes.at(-1)!)
  return withSizes(table, side, sizes.slice(0, wanted))
}

/** A line more across a table, `at` points from its left side (columns) or its top (rows): the column or row there becomes two. */
export function withLine<T extends Sized>(table: T, side: TableSide, at: number): T {
  const sizes = sizesOf(table, side)
  const lines = linesAlong(
    sizes,
    sizes.reduce((sum, size) => sum + size, 0),
  )
  const index = lines.findIndex(
    (line, index) => at > line && at < (lines[index + 1] ?? Number.NEGATIVE_INFINITY),
  )
  if (index < 0 || sizes.length >= MOST_TABLE_LINES) return table
  const first = at - lines[index]!
  sizes.splice(index, 1, first, sizes[index]! - first)
  return withSizes(table, side, sizes)
}

/** The column and row in which a place lies; nothing: beside the table. */
export function cellAt(table: Sized, { x, y }: Point): { column: number; row: number } | undefined {
  const find = (side: TableSide, at: number) => {
    const lines = linesAlong(table[side], side === 'columns' ? table.width : table.height)
    return lines.findIndex((line, index) => at >= line && at < (lines[index + 1] ?? Number.NEGATIVE_INFINITY))
  }
  const [column, row] = [find('columns', x - table.x), find('rows', y - table.y)]
  return column < 0 || row < 0 ? undefined : { column, row }
}

/** What moves when columns or rows of a table change: what lies in those behind, by so many points. */
export interface Shift {
  readonly side: TableSide
  /** What has its middle from here on, and within the table. */
  readonly from: number
  readonly by: number
}

/** Room that is left beside ink which reaches a line, in points: for the next letter. */
const ROOM = 16
/** Ink that goes so far over a line, in points, means more than its own cell. */
const OVER = 44

/**
 * A table with room for ink that begins in one of its cells and reaches over the line to the right or below: its
 * column and row grow. Nothing: the ink lies within, or goes through several cells.
 */
export function grownFor<T extends Sized>(
  table: T,
  began: Point,
  ink: Bounds,
): { readonly table: T; readonly shifts: readonly Shift[] } | undefined {
  const cell = cellAt(table, began)
  if (!cell) return undefined
  let grown = table
  const shifts: Shift[] = []
  for (const [side, index, from, end] of [
    ['columns', cell.column, table.x, ink.x1],
    ['rows', cell.row, table.y, ink.y1],
  ] as const) {
    const line = from + linesAlong(table[side], side === 'columns' ? table.width : table.height)[index + 1]!
    const over = end - line
    if (over <= 0) continue
    if (over > OVER) return undefined
    grown = resized(grown, side, index, over + ROOM)
    shifts.push({ side, from: line, by: over + ROOM })
  }
  return shifts.length > 0 ? { table: grown, shifts } : undefined
}

/** By how much something with its middle at a place moves with a table's shifts. */
export function shiftOf(table: Sized, shifts: readonly Shift[], at: Point): { dx: number; dy: number } {
  if (!cellAt(table, at)) return { dx: 0, dy: 0 }
  const by = (side: TableSide, place: number) =>
    shifts.reduce((sum, shift) => (shift.side === side && place >= shift.from ? sum + shift.by : sum), 0)
  return { dx: by('columns', at.x), dy: by('rows', at.y) }
}

/** How near the sides of a box a line must begin and end to go across it, and how far off level or upright it may be, in parts of its length. */
const NEAR_SIDE = 14
const SLANT = 0.12

/** Where a way goes from one side of a box to the other, in points from its left side (columns) or its top (rows); nothing: it does not. */
export function lineAcross(
  way: readonly Point[],
  { x, y, width, height }: Pick<Sized, 'x' | 'y' | 'width' | 'height'>,
): { readonly side: TableSide; readonly at: number } | undefined {
  const [from, to] = [way[0], way.at(-1)]
  if (!from || !to) return undefined
  const spans = (a: number, b: number, start: number, long: number) =>
    Math.abs(Math.min(a, b) - start) <= NEAR_SIDE && Math.abs(Math.max(a, b) - start - long) <= NEAR_SIDE
  const inside = (at: number, long: number) => at > NARROWEST / 2 && at < long - NARROWEST / 2
  const [dx, dy] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)]
  const [across, down] = [(from.x + to.x) / 2 - x, (from.y + to.y) / 2 - y]
  if (dx <= dy * SLANT && spans(from.y, to.y, y, height) && inside(across, width))
    return { side: 'columns', at: across }
  if (dy <= dx * SLANT && spans(from.x, to.x, x, width) && inside(down, height))
    return { side: 'rows', at: down }
  return undefined
}
