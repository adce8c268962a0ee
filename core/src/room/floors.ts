import type { SeatingPlan, SeatingTable, TableSeats } from './seatingPlan.ts'

/** How tables can be put up at a press, in the order in which they are offered. */
export const FLOOR_SHAPES = ['pairs', 'groups', 'rows', 'horseshoe'] as const
export type FloorShape = (typeof FLOOR_SHAPES)[number]

/** Tables in a shape with a seat for each of the students, who sit in their order from the front left. */
export function floorOf(shape: FloorShape, students: readonly string[], newId: () => string): SeatingPlan {
  const tables = shape === 'horseshoe' ? horseshoe(students.length) : inRows(shape, students.length)
  let next = 0
  return {
    tables: tables.map(
      ({ seats, ...at }): SeatingTable => ({
        id: newId(),
        ...at,
        seats,
        students: Array.from({ length: seats }, () => students[next++] ?? null),
      }),
    ),
  }
}

interface Put {
  readonly x: number
  readonly y: number
  readonly seats: TableSeats
  readonly turned?: boolean
}

/** Tables of how many, how many beside each other, and how far apart, in seats. */
const ROWS = {
  pairs: { seats: 2, beside: 4, apart: 2.25, behind: 1.25 },
  groups: { seats: 4, beside: 4, apart: 2.25, behind: 2.25 },
  rows: { seats: 6, beside: 2, apart: 3.5, behind: 2.25 },
} as const

function inRows(shape: keyof typeof ROWS, count: number): Put[] {
  const { seats, beside, apart, behind } = ROWS[shape]
  return Array.from({ length: Math.ceil(count / seats) }, (_none, index) => ({
    x: (index % beside) * apart,
    y: Math.floor(index / beside) * behind,
    seats,
  }))
}

/** Along three walls, open to the front; what does not fit stands within. */
function horseshoe(count: number): Put[] {
  const side = Math.max(2, Math.ceil(count / 4))
  const wall = Math.max(2, count - 2 * side)
  const deep = Math.ceil(side / 2)
  const broad = Math.ceil(wall / 2)
  const left = Array.from({ length: deep }, (_none, at): Put => ({ x: 0, y: at * 2, seats: 2, turned: true }))
  const back = Array.from({ length: broad }, (_none, at): Put => ({ x: 1.5 + at * 2, y: deep * 2, seats: 2 }))
  const right = left.map((put): Put => ({ ...put, x: broad * 2 + 2 }))
  return [...left, ...back, ...right]
}
