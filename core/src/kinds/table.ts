import { z } from 'zod'
import { boxPath, type Drawn, segmentPath } from '../draw/drawn.ts'
import { INK } from './lettering.ts'
import { colour, laidBox, laidSize, lyingTurned, notLaid } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { thingKind } from './thingKind.ts'

/** The most rows, and columns. */
export const MOST_TABLE_LINES = 40
/** How broad a column, or how high a row, is beside the others. */
const shares = z.array(z.number().min(0.001).max(1e6)).min(1).max(MOST_TABLE_LINES)

const schema = z.object({
  ...lyingTurned,
  kind: z.literal('table'),
  columns: shares,
  rows: shares,
  colour,
  /** Width of its lines, in points. */
  line: z.number().min(0).max(60),
  /** Its first row is shaded. */
  headed: z.boolean(),
})
export type Table = z.infer<typeof schema>

/** What shades the first row. */
const HEAD = '#eceae3'

/** Empty rows and columns, to be written in. */
export const table: PrintedKind<Table> = {
  schema,
  turns: true,
  reshapes: 'freely',
  blank: (lies) => ({
    ...lies,
    kind: 'table',
    columns: [1, 1, 1],
    rows: [1, 1, 1],
    colour: INK,
    line: 1,
    headed: false,
  }),
  drawn: drawnTable,
  grown: ({ line }, _letters, factor) => ({ line: line * factor }),
}

/** A table that somebody put on a copy: it grows with the ink in it (table/grown.ts). */
export const laidTable = thingKind(table, schema.omit(notLaid).extend({ ...laidBox, line: laidSize }), {
  line: (item) => item.line,
  recoloured: (item, colour) => ({ ...item, colour }),
})

/** Where the lines of a table lie along one of its sides, from 0 to its length: its ends and all between. */
export function linesAlong(sizes: readonly number[], length: number): number[] {
  const whole = sizes.reduce((sum, size) => sum + size, 0)
  let gone = 0
  const lines = [0]
  for (const size of sizes) {
    gone += size
    lines.push((gone / whole) * length)
  }
  return lines
}

function drawnTable(item: Table): Drawn[] {
  const { x, y, width, height, colour, line } = item
  const down = linesAlong(item.rows, height)
  const style = { kind: 'path', stroke: colour, width: line } as const
  const head: Drawn[] = item.headed
    ? [{ kind: 'path', d: boxPath({ x, y, width, height: down[1]! }), fill: HEAD }]
    : []
  if (line === 0) return head
  return [
    ...head,
    { ...style, d: boxPath({ x, y, width, height }) },
    ...linesAlong(item.columns, width)
      .slice(1, -1)
      .map((at) => ({ ...style, d: segmentPath(x + at, y, x + at, y + height) })),
    ...down.slice(1, -1).map((at) => ({ ...style, d: segmentPath(x, y + at, x + width, y + at) })),
  ]
}
