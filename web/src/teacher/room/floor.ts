import { type CopyRow, type SeatingPlan, seatsOf, tableSize } from '@hand-back/core'

/** A box on the screen, in CSS pixels. */
export interface Spot {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

/** Where copies and tables stand on the floor of a window, and how high all of it is. */
export interface Floor {
  readonly spots: ReadonlyMap<string, Spot>
  readonly tables: readonly (Spot & { readonly id: string })[]
  readonly seat: { readonly width: number; readonly height: number }
  readonly height: number
}

interface Window {
  readonly width: number
  readonly height: number
}

/** A seat is no narrower and no wider than this, in CSS pixels, … */
const NARROWEST = 78
const WIDEST = 230
/** … and below what is shown there is room for a name and what they do. */
const NAME = 56
/** What is shown is so flat and so high at most, as parts of its width. */
const SHAPES = { flattest: 0.4, highest: 1.5 }

/** The height of a seat of some width; `shape`: how many times as high as wide it is what is shown. */
const highOf = (width: number, shape: number): number => Math.round(width * within(shape) + NAME)
const within = (shape: number): number => Math.min(SHAPES.highest, Math.max(SHAPES.flattest, shape))

/** The widest seat with which so many across and down fit a window. */
function seatWidth(across: number, down: number, shape: number, { width, height }: Window): number {
  const byHeight = (height / Math.max(0.5, down) - NAME) / within(shape)
  return Math.floor(Math.max(NARROWEST, Math.min(WIDEST, width / Math.max(1, across), byHeight)))
}

/** Copies side by side, as large as they all fit. */
export function asGrid(copies: readonly CopyRow[], shape: number, window: Window): Floor {
  const count = Math.max(1, copies.length)
  let best = { across: 1, width: 0 }
  for (let across = 1; across <= count; across++) {
    const width = seatWidth(across, Math.ceil(count / across), shape, window)
    if (width > best.width) best = { across, width }
  }
  const across = Math.min(best.across, Math.max(1, Math.floor(window.width / best.width)))
  const seat = { width: best.width, height: highOf(best.width, shape) }
  const left = Math.max(0, (window.width - across * seat.width) / 2)
  const spots = new Map(
    copies.map(({ id }, index) => [
      id,
      {
        left: left + (index % across) * seat.width,
        top: Math.floor(index / across) * seat.height,
        ...seat,
      },
    ]),
  )
  return { spots, tables: [], seat, height: Math.ceil(count / across) * seat.height }
}

/** Copies where their students sit; those without a seat stand side by side behind. */
export function asSeated(
  plan: SeatingPlan,
  copies: readonly CopyRow[],
  shape: number,
  window: Window,
): Floor {
  const seats = plan.tables.flatMap(seatsOf)
  const seated = new Set(seats.flatMap(({ student }) => student ?? []))
  const standing = copies.filter(({ students }) => !students.some(({ id }) => seated.has(id)))
  const ends = plan.tables.map((table) => {
    const { width, height } = tableSize(table)
    return { x: table.x + width, y: table.y + height }
  })
  const across = Math.max(1, ...ends.map(({ x }) => x))
  const deep = Math.max(0, ...ends.map(({ y }) => y))
  const rows = Math.ceil(standing.length / Math.max(1, Math.floor(across)))
  const width = seatWidth(across, deep + (rows > 0 ? rows + 0.5 : 0), shape, window)
  const seat = { width, height: highOf(width, shape) }
  const from = Math.max(0, (window.width - across * width) / 2)
  const at = (x: number, y: number): Spot => ({ left: from + x * width, top: y * seat.height, ...seat })
  const spots = new Map<string, Spot>()
  for (const { x, y, student } of seats) {
    const copy = student && copies.find(({ students }) => students.some(({ id }) => id === student))
    if (copy && !spots.has(copy.id)) spots.set(copy.id, at(x, y))
  }
  const abreast = Math.max(1, Math.floor(across))
  for (const [index, { id }] of standing.entries())
    spots.set(id, at(index % abreast, deep + 0.5 + Math.floor(index / abreast)))
  const tables = plan.tables.map((table) => {
    const size = tableSize(table)
    return {
      id: table.id,
      ...at(table.x, table.y),
      width: size.width * width,
      height: size.height * seat.height,
    }
  })
  return { spots, tables, seat, height: (deep + (rows > 0 ? rows + 0.5 : 0)) * seat.height }
}
