import { z } from 'zod'
import { boxPath, type Drawn, ellipsePath, linePath, segmentPath } from '../draw/drawn.ts'
import { segmentsDistance2 } from '../ink/hitTest.ts'
import { inLoop, loopOf } from '../ink/loop.ts'
import type { Point } from '../ink/points.ts'
import type { Box } from '../worksheet/box.ts'
import { INK } from './lettering.ts'
import { colour, laidBox, laidSize, lyingTurned, notLaid } from './lying.ts'
import type { PrintedKind } from './printedKind.ts'
import { isInBox, thingKind } from './thingKind.ts'

const part = z.number().min(0).max(1)
/** The most corners of a polygon. */
const MOST_CORNERS = 12
/** How finely the places of an area are kept: so many steps across its box, and down. */
export const AREA_STEPS = 16_383
/** The most rings of an area, and the most places of one. */
const MOST_RINGS = 500
const MOST_PLACES = 4000
const step = z.number().int().min(0).max(AREA_STEPS)

const schema = z.object({
  ...lyingTurned,
  kind: z.literal('shape'),
  form: z.enum(['rectangle', 'ellipse', 'triangle', 'line', 'polygon', 'area']),
  /** Where the corners of a polygon lie in its box, from 0 to 1 across and down. */
  corners: z
    .array(z.tuple([part, part]))
    .min(3)
    .max(MOST_CORNERS)
    .optional(),
  /** The closed rings of an area in its box: x and y of each place, one after another, in `AREA_STEPS`. Those of holes run the other way round. */
  rings: z
    .array(
      z
        .array(step)
        .min(6)
        .max(MOST_PLACES * 2),
    )
    .max(MOST_RINGS)
    .optional(),
  colour,
  /** Width of its line, in points. */
  line: z.number().min(0).max(60),
  fill: colour.nullable(),
  dashed: z.boolean(),
  /** A line rises from lower left to upper right instead of falling. */
  rising: z.boolean(),
  /** Which ends of a line have an arrowhead. */
  heads: z.enum(['none', 'start', 'end', 'both']),
})
export type Shape = z.infer<typeof schema>

/** A line, with or without arrowheads, a shape, or an area that was filled. */
export const shape: PrintedKind<Shape> = {
  schema,
  turns: true,
  reshapes: 'freely',
  blank: (lies) => ({
    ...lies,
    kind: 'shape',
    form: 'rectangle',
    colour: INK,
    line: 1.5,
    fill: null,
    dashed: false,
    rising: false,
    heads: 'none',
  }),
  drawn: drawnShape,
  grown: ({ line }, _letters, factor) => ({ line: line * factor }),
}

/** A line or shape that somebody put on a copy. Filled with its own colour, it stays so in another. */
export const laidShape = thingKind(shape, schema.omit(notLaid).extend({ ...laidBox, line: laidSize }), {
  line: (item) => item.line,
  isAt: (item, at, reach) => {
    if (item.form === 'area')
      return ringsOfArea(item).filter((ring) => inLoop(loopOf(ring), at)).length % 2 === 1
    if (item.form !== 'line') return isInBox(item, at, reach)
    const { start, end } = lineEnds(item)
    return segmentsDistance2(at, at, start, end) <= (reach + item.line / 2) ** 2
  },
  recoloured: (item, colour) => ({
    ...item,
    colour,
    fill: item.fill === item.colour ? colour : item.fill,
  }),
})

/** The rings of an area where they lie, in points of the page. */
function ringsOfArea({ x, y, width, height, rings = [] }: Box & Pick<Shape, 'rings'>): Point[][] {
  return rings.map((ring) =>
    Array.from({ length: ring.length >> 1 }, (_none, index) => ({
      x: x + (ring[index * 2]! / AREA_STEPS) * width,
      y: y + (ring[index * 2 + 1]! / AREA_STEPS) * height,
    })),
  )
}

/** The two ends of a line. */
export function lineEnds({ x, y, width, height, rising }: Box & Pick<Shape, 'rising'>) {
  const [top, foot] = [y, y + height]
  return { start: { x, y: rising ? foot : top }, end: { x: x + width, y: rising ? top : foot } }
}

/** A line between two ends; its start is the left one, so arrowheads change sides when ends pass each other. */
export function lineBetween(line: Shape, { start, end }: ReturnType<typeof lineEnds>): Shape {
  const turned = end.x < start.x
  const [left, right] = turned ? [end, start] : [start, end]
  const heads =
    turned && line.heads === 'start' ? 'end' : turned && line.heads === 'end' ? 'start' : line.heads
  return {
    ...line,
    heads,
    rising: right.y < left.y,
    x: left.x,
    y: Math.min(left.y, right.y),
    width: right.x - left.x,
    height: Math.abs(right.y - left.y),
  }
}

function drawnShape(item: Shape): Drawn[] {
  const style = {
    kind: 'path',
    ...(item.line > 0 ? { stroke: item.colour, width: item.line } : {}),
    ...(item.dashed ? { dash: [item.line * 4, item.line * 3] } : {}),
  } as const
  const fill = item.fill === null ? {} : { fill: item.fill }
  switch (item.form) {
    case 'rectangle':
      return [{ ...style, ...fill, d: boxPath(item) }]
    case 'ellipse':
      return [{ ...style, ...fill, d: ellipsePath(item) }]
    case 'polygon': {
      const places = item.corners?.map(([across, down]) => ({
        x: item.x + across * item.width,
        y: item.y + down * item.height,
      }))
      return [{ ...style, ...fill, d: places ? linePath(places, true) : boxPath(item) }]
    }
    // What lies under it is seen through it.
    case 'area':
      return [
        {
          kind: 'path',
          shines: true,
          ...fill,
          d: ringsOfArea(item)
            .map((ring) => linePath(ring, true))
            .join(''),
        },
      ]
    case 'triangle': {
      const foot = item.y + item.height
      const corners = [
        { x: item.x + item.width / 2, y: item.y },
        { x: item.x + item.width, y: foot },
        { x: item.x, y: foot },
      ]
      return [{ ...style, ...fill, d: linePath(corners, true) }]
    }
    case 'line': {
      const { start, end } = lineEnds(item)
      return [
        { ...style, d: segmentPath(start.x, start.y, end.x, end.y) },
        ...(item.heads === 'end' || item.heads === 'both' ? [arrowhead(start, end, item)] : []),
        ...(item.heads === 'start' || item.heads === 'both' ? [arrowhead(end, start, item)] : []),
      ]
    }
  }
}

function arrowhead(from: Point, to: Point, { colour, line }: Shape): Drawn {
  const angle = Math.atan2(to.y - from.y, to.x - from.x)
  const long = 5 + line * 3
  const side = (turn: number) => ({
    x: to.x - Math.cos(angle + turn) * long,
    y: to.y - Math.sin(angle + turn) * long,
  })
  return { kind: 'path', d: linePath([to, side(0.42), side(-0.42)], true), fill: colour }
}
